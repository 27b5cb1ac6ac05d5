package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.platform.Round;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What would mend a finding, over HTTP. */
class MendsApiTest {
  private static final Map<String, Object> ABOVE =
      Map.of("kind", "parallel", "direction", Map.of("x", 0, "y", 0, "z", -1));

  private static Database database;
  private static Application app;

  @BeforeAll
  static void start() {
    database = new Database();
    app = Application.on(database);
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  private static JsonNode practice(Client client, String form) {
    Map<String, Object> piece =
        Map.of("form", form, "profile", "All quads", "clientKey", UUID.randomUUID());
    String id = client.post("/api/practice", piece).is(201).json().path("id").asString();
    return client.put("/api/practice/" + id + "/workpiece", Map.of()).is(200).json();
  }

  private static String path(JsonNode open) {
    return "/api/workpieces/" + open.path("id").asString();
  }

  private static Map<String, Object> step(long revision, JsonNode change) {
    return Map.of(
        "revision", revision, "clientKey", UUID.randomUUID(), "view", ABOVE, "change", change);
  }

  @Test
  void aMend_isOffered_made_andTakenBack() {
    Client amara = Client.signedIn(app, "amara");
    JsonNode open = practice(amara, "hatch-lid");
    String ngon = open.path("check").path("findings").get(0).path("key").asString();
    JsonNode offer =
        amara.post(path(open) + "/mends", Map.of("revision", 0, "finding", ngon)).is(200).json();
    assertThat(offer.path("reason").asString()).isEmpty();
    JsonNode first = offer.path("mends").get(0);
    assertThat(first.path("does").asString()).isEqualTo("Fill it with 4 by 4 quads.");
    assertThat(first.path("cost").path("faces").asInt()).isEqualTo(15);
    amara
        .post(
            path(open) + "/previews/smooth",
            Map.of("revision", 0, "change", first.path("change"), "level", 1))
        .is(200);
    amara.post(path(open) + "/steps", step(0, first.path("change"))).is(200);
    JsonNode after = amara.get(path(open)).is(200).json();
    assertThat(after.path("check").path("must").asInt()).isEqualTo(1);
    amara.post(path(open) + "/undo", Map.of("revision", 1, "clientKey", UUID.randomUUID())).is(200);
    assertThat(amara.get(path(open)).is(200).json().path("check").path("must").asInt())
        .isEqualTo(2);
    amara.post(path(open) + "/mends", Map.of("revision", 0, "finding", ngon)).is(409);
    amara.post(path(open) + "/mends", Map.of("revision", 2, "finding", "ngon face 9")).is(404);
  }

  @Test
  void allOfAKind_isOneStep() {
    Client amara = Client.signedIn(app, "amara");
    JsonNode open = practice(amara, "hatch-lid");
    JsonNode all = all(amara, open, 0, List.of("ngon"));
    assertThat(all.path("mended").asInt()).isEqualTo(2);
    assertThat(all.path("left").asInt()).isZero();
    amara.post(path(open) + "/steps", step(0, all.path("change"))).is(200);
    JsonNode after = amara.get(path(open)).is(200).json();
    assertThat(after.path("steps").size()).isEqualTo(1);
    assertThat(after.path("steps").get(0).path("tool").asString()).isEqualTo("Mend");
    assertThat(after.path("check").path("must").asInt()).isZero();
    assertThat(all(amara, open, 1, List.of("border")).path("change").isNull()).isTrue();
    amara.delete(path(open) + "/mends/all").is(204);
  }

  /** Asked for until it is there. */
  private static JsonNode all(Client client, JsonNode open, long revision, List<String> kinds) {
    while (true) {
      JsonNode all =
          client
              .post(path(open) + "/mends/all", Map.of("revision", revision, "kinds", kinds))
              .is(200)
              .json();
      if (all.path("isDone").asBoolean()) {
        return all;
      }
    }
  }

  /** By default an exercise shows none, whoever asks. */
  @Test
  void anExercise_showsNoMends_untilItSaysSo() {
    Client rune = Client.signedIn(app, "rune");
    JsonNode open = Bollard.open(rune, "Mooring bollard");
    assertThat(open.path("task").path("mends").asBoolean()).isFalse();
    List<JsonNode> findings = open.path("check").path("findings").valueStream().toList();
    String key = findings.isEmpty() ? "ngon face 0" : findings.getFirst().path("key").asString();
    long revision = open.path("revision").asLong();
    assertThat(
            rune.post(path(open) + "/mends", Map.of("revision", revision, "finding", key))
                .is(403)
                .json()
                .path("detail")
                .asString())
        .contains("in practice");
    rune.post(path(open) + "/mends/all", Map.of("revision", revision, "kinds", List.of("ngon")))
        .is(403);
  }

  /**
   * Offered to whoever reviews, tried beside the hand-in, sent with a note, made by its student.
   */
  @Test
  void aMend_goesWithANote_andItsStudentTriesIt() {
    Client student = Client.signedIn(app, "rune");
    JsonNode open = Bollard.open(student, "Hatch lid");
    student.post(path(open) + "/steps", Bollard.step(0, Bollard.trace(16, 24))).is(200);
    String id =
        student
            .post(path(open) + "/submissions", Bollard.move(1))
            .is(201)
            .json()
            .path("id")
            .asString();
    Client marit = Client.signedIn(app, "marit");
    String at = "/api/submissions/" + id;
    JsonNode check = marit.get(at + "/review").is(200).json().path("check");
    JsonNode ngon =
        check
            .path("findings")
            .valueStream()
            .filter(f -> f.path("kind").asString().equals("ngon"))
            .findFirst()
            .orElseThrow();
    Map<String, Object> asked = Map.of("finding", ngon.path("key").asString());
    student.post(at + "/mends", asked).is(404);
    JsonNode mend = marit.post(at + "/mends", asked).is(200).json().path("mends").get(0);
    JsonNode change = mend.path("change");
    JsonNode edges = marit.post(at + "/tried/edges", Map.of("change", change)).is(200).json();
    assertThat(edges.path("gone").size()).isPositive();
    marit.post(at + "/tried/mesh", Map.of("change", change)).is(200);

    UUID note = UUID.randomUUID();
    keep(marit, at, note, Map.of("does", mend.path("does").asString(), "change", change));
    assertThat(noteOf(marit.get(at + "/review").is(200).json()).path("mend").path("does"))
        .isEqualTo(mend.path("does"));
    long revision = marit.get(at + "/review").json().path("answer").path("revision").asLong();
    marit.post(at + "/return", Map.of("revision", revision)).is(200);
    database.run("update answer set returned_at = now() where submission_id = '%s'".formatted(id));
    app.bean("outgoing", Round.class).go();
    database.await("select is_out from answer where submission_id = '%s'".formatted(id), "t");

    JsonNode sent = noteOf(student.get(at + "/answer").is(200).json()).path("mend");
    student.post(at + "/tried/mesh", Map.of("change", sent.path("change"))).is(200);
    student.post(path(open) + "/steps", step(1, sent.path("change"))).is(200);
    assertThat(student.get(path(open)).json().path("check").path("findings").valueStream())
        .noneMatch(f -> f.path("key").equals(ngon.path("key")));
    student
        .post(path(open) + "/undo", Map.of("revision", 2, "clientKey", UUID.randomUUID()))
        .is(200);
  }

  /** What whoever reviews cuts on a copy becomes the mend of a note. */
  @Test
  void aMendDrawnOnACopy_isThatOfTheNote() {
    Client student = Client.signedIn(app, "ines");
    JsonNode open = Bollard.open(student, "Hatch lid");
    student.post(path(open) + "/steps", Bollard.step(0, Bollard.trace(16, 24))).is(200);
    String at =
        "/api/submissions/"
            + student
                .post(path(open) + "/submissions", Bollard.move(1))
                .is(201)
                .json()
                .path("id")
                .asString();
    Client marit = Client.signedIn(app, "marit");
    UUID note = UUID.randomUUID();
    keep(marit, at, note, null);
    JsonNode copy =
        marit.post(at + "/copies", Map.of("clientKey", UUID.randomUUID())).is(201).json();
    assertThat(copy.path("title").asString()).startsWith("Hatch lid of Ines");
    JsonNode piece =
        marit
            .put("/api/practice/" + copy.path("id").asString() + "/workpiece", Map.of())
            .is(200)
            .json();
    Map<String, Object> given = Map.of("workpiece", piece.path("id").asString(), "revision", 0);
    marit.put(at + "/notes/" + note + "/mend", given).is(400);
    marit.post(path(piece) + "/steps", Bollard.step(0, Bollard.trace(18, 22))).is(200);
    Map<String, Object> drawn = Map.of("workpiece", piece.path("id").asString(), "revision", 1);
    marit.put(at + "/notes/" + UUID.randomUUID() + "/mend", drawn).is(404);
    marit.put(at + "/notes/" + note + "/mend", drawn).is(204);
    JsonNode mend = noteOf(marit.get(at + "/review").is(200).json()).path("mend");
    assertThat(mend.path("does").asString()).isEqualTo("Drawn by hand, in 1 step.");
    marit.post(at + "/tried/mesh", Map.of("change", mend.path("change"))).is(200);
    JsonNode other = practice(marit, "hatch-lid");
    marit
        .put(
            at + "/notes/" + note + "/mend",
            Map.of("workpiece", other.path("id").asString(), "revision", 0))
        .is(400);
  }

  private static JsonNode noteOf(JsonNode review) {
    return review.path("answer").path("notes").get(0);
  }

  private static void keep(Client marit, String at, UUID id, @Nullable Map<String, Object> mend) {
    Map<String, Object> note = new HashMap<>();
    note.put("id", id);
    note.put("text", "So it would be all quads.");
    note.put("element", Map.of("kind", "face", "id", 16));
    note.put("place", Map.of("x", 10, "y", 20, "z", 80));
    note.put("mend", mend);
    long revision = marit.get(at + "/review").json().path("answer").path("revision").asLong();
    Map<String, Object> draft = new HashMap<>();
    draft.put("revision", revision);
    draft.put("word", "");
    draft.put("verdict", "tryAgain");
    draft.put("notes", List.of(note));
    marit.put(at + "/draft", draft).is(200);
  }
}
