package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.platform.Round;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Line;
import fairedge.server.running.Client.Told;
import fairedge.server.running.Database;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** The room over HTTP, on two nodes: who is there, steps as they are made, help and hints. */
class RoomApiTest {
  private static Database database;
  private static Application one;
  private static Application other;
  private static Client marit;
  private static String course;

  @BeforeAll
  static void start() {
    database = new Database();
    one = Application.on(database);
    other = Application.on(database);
    marit = Client.signedIn(one, "marit");
    course = database.value("select id from course where name = 'Harbour Props'");
  }

  @AfterAll
  static void stop() {
    other.close();
    one.close();
    database.close();
  }

  private static String room() {
    return "/api/classes/" + course + "/room";
  }

  private static JsonNode tile(JsonNode room, String workpiece) {
    return room.path("tiles")
        .valueStream()
        .filter(t -> t.path("workpiece").asString().equals(workpiece))
        .findFirst()
        .orElse(null);
  }

  private static String bench(Client student, String title) {
    return Bollard.open(student, title).path("id").asString();
  }

  private static String live(String workpiece) {
    return "/api/workpieces/" + workpiece + "/live";
  }

  @Test
  void whoIsAtABench_isThere_stepsAreTold_acrossNodes_andWhoLeavesIsGone() {
    Client rune = Client.signedIn(other, "rune");
    String workpiece = bench(rune, "Hatch lid");
    assertThat(tile(marit.get(room()).is(200).json(), workpiece)).isNull();
    try (Line watching = marit.line(room() + "/live", null)) {
      try (Line cutting = rune.line(live(workpiece), null)) {
        assertThat(cutting.reply().status()).isEqualTo(200);
        Told arrived = watching.next("bench");
        assertThat(arrived.json().path("name").asString()).isEqualTo("Rune Osterholm");
        assertThat(arrived.json().path("steps").asInt()).isZero();
        rune.post("/api/workpieces/" + workpiece + "/steps", Bollard.step(0, Bollard.trace(16, 24)))
            .is(200);
        JsonNode step = watching.next("bench").json();
        assertThat(step.path("steps").asInt()).isEqualTo(1);
        assertThat(step.path("tool").asString()).isEqualTo("Trace");
        assertThat(step.path("lately").size()).isEqualTo(1);
        JsonNode view = marit.get(room()).json();
        assertThat(tile(view, workpiece).path("revision").asLong()).isEqualTo(1);
        assertThat(view.path("others").valueStream())
            .noneMatch(s -> s.path("name").asString().equals("Rune Osterholm"));
        JsonNode company = rune.get("/api/workpieces/" + workpiece + "/company").is(200).json();
        assertThat(company.path("room").get(0).asString()).isEqualTo("Marit Tangen");
        assertThat(company.path("followers").size()).isZero();
        JsonNode seen = marit.get("/api/room/" + workpiece).is(200).json();
        assertThat(seen.path("steps").size()).isEqualTo(1);
        marit.get("/api/room/" + workpiece + "/mesh").is(200);
        assertThat(marit.get("/api/room/" + workpiece + "/picture").is(200).type())
            .isEqualTo("image/png");
      }
      database.run("update room_place set until = now() where workpiece_id = '" + workpiece + "'");
      one.bean("presence", Round.class).go();
      assertThat(watching.next("left").json().path("workpiece").asString()).isEqualTo(workpiece);
    }
  }

  @Test
  void helpIsAskedFor_aHintAnswersIt_andIsThereLater() {
    Client ines = Client.signedIn(one, "ines");
    String workpiece = bench(ines, "Hatch lid");
    String at = "/api/workpieces/" + workpiece;
    try (Line watching = marit.line(room() + "/live?follows=" + workpiece, null);
        Line cutting = ines.line(live(workpiece), null)) {
      watching.next("bench");
      ines.put(at + "/help", Map.of("asks", true)).is(200);
      assertThat(watching.next("bench").json().path("asksSince").isNull()).isFalse();
      assertThat(ines.get(at + "/company").json().path("followers").get(0).asString())
          .isEqualTo("Marit Tangen");
      UUID id = UUID.randomUUID();
      Map<String, Object> hint =
          Map.of(
              "id",
              id,
              "text",
              "Begin at the rim.",
              "place",
              Map.of("x", 300, "y", 0, "z", 80),
              "revision",
              0);
      marit.post("/api/room/" + workpiece + "/hints", hint).is(201);
      marit.post("/api/room/" + workpiece + "/hints", hint).is(201);
      assertThat(watching.next("bench").json().path("asksSince").isNull()).isTrue();
      cutting.next("company");
      JsonNode company = ines.get(at + "/company").json();
      assertThat(company.path("asksSince").isNull()).isTrue();
      assertThat(company.path("hints").size()).isEqualTo(1);
      assertThat(company.path("hints").get(0).path("place").path("x").asInt()).isEqualTo(300);
      JsonNode later = ines.get("/api/hints").is(200).json();
      assertThat(later.get(0).path("text").asString()).isEqualTo("Begin at the rim.");
      assertThat(later.get(0).path("seenAt").isNull()).isTrue();
      ines.put("/api/hints/" + id + "/seen", null).is(204);
      assertThat(ines.get("/api/hints").json().get(0).path("seenAt").isNull()).isFalse();
      marit
          .post(
              "/api/room/" + workpiece + "/hints",
              Map.of("id", UUID.randomUUID(), "text", " ", "revision", 0))
          .is(400);
    }
  }

  /** Numbers go on after the last that is known, whichever node answers, and none is left out. */
  @Test
  void aLostLine_comesBackWithoutAGap() {
    Client tobias = Client.signedIn(one, "tobias");
    String workpiece = bench(tobias, "Hatch lid");
    String last;
    Set<Long> revisions = new HashSet<>();
    // Somebody looks on all the time: steps that nobody sees are not told.
    try (Line staying = marit.line(room() + "/live", null);
        Line cutting = tobias.line(live(workpiece), null)) {
      assertThat(cutting.reply().status()).isEqualTo(200);
      last = staying.next("bench").id();
      List<Map<String, Object>> changes = List.of(Bollard.trace(16, 24), Bollard.trace(17, 23));
      for (int i = 0; i < changes.size(); i++) {
        tobias
            .post("/api/workpieces/" + workpiece + "/steps", Bollard.step(i, changes.get(i)))
            .is(200);
        Told step = staying.next("bench");
        while (step.json().path("revision").asLong() <= i) {
          step = staying.next("bench");
        }
      }
      Client elsewhere = Client.signedIn(other, "marit");
      try (Line again = elsewhere.line(room() + "/live", last)) {
        long number = Long.parseLong(last);
        while (!revisions.contains(2L)) {
          Told told = again.next("bench");
          assertThat(Long.parseLong(told.id())).isEqualTo(++number);
          revisions.add(told.json().path("revision").asLong());
        }
      }
    }
    assertThat(revisions).contains(1L, 2L);
  }

  /** Shown by its owner alone; steps reach the other node, and views pass by. */
  @Test
  void anInstructorsBench_isShown_stepByStep_andBranchedOff() {
    Client rune = Client.signedIn(other, "rune");
    String at = "/api/classes/" + course + "/show";
    Map<String, Object> form =
        Map.of("form", "hatch-lid", "profile", "All quads", "clientKey", UUID.randomUUID());
    String piece = marit.post("/api/practice", form).is(201).json().path("id").asString();
    String workpiece =
        marit
            .put("/api/practice/" + piece + "/workpiece", Map.of())
            .is(200)
            .json()
            .path("id")
            .asString();
    rune.get(at).is(404);
    rune.put(at, Map.of("workpiece", workpiece)).is(404);
    marit.put(at, Map.of("workpiece", bench(rune, "Hatch lid"))).is(404);
    marit.put(at, Map.of("workpiece", workpiece)).is(200);
    JsonNode shown = rune.get(at).is(200).json();
    assertThat(shown.path("by").asString()).isEqualTo("Marit Tangen");
    assertThat(shown.path("step").asInt()).isZero();
    try (Line following = rune.line(at + "/live?after=" + shown.path("last").asLong(), null)) {
      assertThat(following.reply().status()).isEqualTo(200);
      marit
          .post("/api/workpieces/" + workpiece + "/steps", Bollard.step(0, Bollard.trace(16, 24)))
          .is(200);
      JsonNode step = following.next("step").json();
      assertThat(step.path("revision").asLong()).isEqualTo(1);
      assertThat(step.path("tool").asString()).isEqualTo("Trace");
      Map<String, Object> eye = Map.of("x", 900, "y", -1400, "z", 700);
      Map<String, Object> sight =
          Map.of(
              "camera", Map.of("eye", eye, "target", Map.of("x", 0, "y", 0, "z", 40)),
              "lens", "sides",
              "caption", "Two faces of nine sides.");
      marit.put(at + "/sight", sight).is(204);
      JsonNode seen = following.next("sight").json();
      assertThat(seen.path("caption").asString()).isEqualTo("Two faces of nine sides.");
      assertThat(seen.path("camera").path("eye").path("x").asInt()).isEqualTo(900);
      assertThat(rune.get(at).json().path("lens").asString()).isEqualTo("sides");
      rune.get(at + "/mesh").is(200);
      JsonNode own =
          rune.post(at + "/tries", Map.of("clientKey", UUID.randomUUID())).is(201).json();
      assertThat(own.path("title").asString()).contains("as it was shown");
      rune.delete(at).is(404);
      marit.delete(at).is(204);
      following.next("ended");
      rune.get(at).is(404);
      marit.put(at + "/sight", sight).is(409);
    }
  }

  /** A look by the address alone is told of too, and so is a hint under somebody else's id. */
  @Test
  void nobodyLooksOnUnseen() {
    Client solveig = Client.signedIn(one, "solveig");
    String workpiece = bench(solveig, "Hatch lid");
    String company = "/api/workpieces/" + workpiece + "/company";
    assertThat(solveig.get(company).is(200).json().path("followers").size()).isZero();
    marit.get("/api/room/" + workpiece).is(200);
    assertThat(solveig.get(company).json().path("followers").get(0).asString())
        .isEqualTo("Marit Tangen");
    UUID id = UUID.randomUUID();
    Map<String, Object> hint = Map.of("id", id, "text", "Look here.", "revision", 0);
    marit.post("/api/room/" + workpiece + "/hints", hint).is(201);
    String others = bench(Client.signedIn(one, "bastian"), "Hatch lid");
    marit.post("/api/room/" + others + "/hints", hint).is(400);
    String piece =
        solveig
            .post(
                "/api/practice",
                Map.of("form", "hatch-lid", "profile", "All quads", "clientKey", UUID.randomUUID()))
            .is(201)
            .json()
            .path("id")
            .asString();
    String practised =
        solveig
            .put("/api/practice/" + piece + "/workpiece", Map.of())
            .is(200)
            .json()
            .path("id")
            .asString();
    marit.get("/api/room/" + practised).is(404);
  }
}
