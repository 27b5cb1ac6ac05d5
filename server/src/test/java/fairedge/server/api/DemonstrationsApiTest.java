package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import fairedge.server.running.School;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.apache.pdfbox.Loader;
import org.apache.pdfbox.pdmodel.PDDocument;
import org.apache.pdfbox.text.PDFTextStripper;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Demonstrations over HTTP: recorded, told of, shown, tried. */
class DemonstrationsApiTest {
  private static final String ALL = "/api/demonstrations";
  private static final Map<String, Object> ABOVE =
      Map.of("kind", "parallel", "direction", Map.of("x", 0, "y", 0, "z", -1));

  private static Database database;
  private static Application app;
  private static Client marit;
  private static Client rune;

  @BeforeAll
  static void start() {
    database = new Database();
    app = Application.on(database);
    marit = Client.signedIn(app, "marit");
    rune = Client.signedIn(app, "rune");
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  private static Map<String, Object> connect(int a, int b) {
    return Map.of(
        "tool", "connect", "vertices", List.of(a, b), "scope", Map.of("hidden", List.of()));
  }

  private static void step(Client client, String workpiece, long revision, Object change) {
    client
        .post(
            "/api/workpieces/" + workpiece + "/steps",
            Map.of(
                "revision",
                revision,
                "clientKey",
                UUID.randomUUID(),
                "view",
                ABOVE,
                "change",
                change))
        .is(200);
  }

  private static String practice(Client client) {
    Map<String, Object> piece =
        Map.of("form", "hatch-lid", "profile", "All quads", "clientKey", UUID.randomUUID());
    String id = client.post("/api/practice", piece).is(201).json().path("id").asString();
    return client
        .put("/api/practice/" + id + "/workpiece", Map.of())
        .is(200)
        .json()
        .path("id")
        .asString();
  }

  /** Two cuts across a lid, both taken back one after the other, and another. */
  private static String cut(Client client) {
    String workpiece = practice(client);
    step(client, workpiece, 0, connect(16, 24));
    step(client, workpiece, 1, connect(20, 16));
    undo(client, workpiece, 2);
    undo(client, workpiece, 3);
    step(client, workpiece, 4, connect(18, 26));
    return workpiece;
  }

  private static void undo(Client client, String workpiece, long revision) {
    client
        .post(
            "/api/workpieces/" + workpiece + "/undo",
            Map.of("revision", revision, "clientKey", UUID.randomUUID()))
        .is(200);
  }

  private static Map<String, Object> recording(String workpiece, boolean whole) {
    return Map.of(
        "workpiece", workpiece, "whole", whole, "title", "Across", "clientKey", UUID.randomUUID());
  }

  /** Of another class. */
  private static Client teacher() {
    School school = new School(app);
    school.classOf("Breakwater", school.person("olga", "Olga Brandt"));
    return Client.signedIn(app, "olga");
  }

  private static List<String> kinds(JsonNode view) {
    return view.path("frames").valueStream().map(f -> f.path("kind").asString()).toList();
  }

  private static List<Map<String, Object>> words(JsonNode view) {
    List<Map<String, Object>> words = new ArrayList<>();
    for (JsonNode step : view.path("steps")) {
      Map<String, Object> said = new HashMap<>();
      said.put("leftOut", step.path("leftOut").asBoolean());
      said.put("caption", step.path("caption").asString());
      said.put("question", step.path("question").asString());
      said.put("answer", step.path("answer").asString());
      words.add(said);
    }
    return words;
  }

  private static Map<String, Object> telling(JsonNode view, List<Map<String, Object>> words) {
    return Map.of(
        "revision",
        view.path("revision").asLong(),
        "title",
        "Across a lid",
        "about",
        "What a line across does.",
        "steps",
        words);
  }

  @Test
  void thoseThatComeAlong_areForWhoTeaches_andForClassesInWhichTheyAreSet() {
    JsonNode all = marit.get(ALL).is(200).json();
    assertThat(all.path("mayMake").asBoolean()).isTrue();
    List<JsonNode> shipped =
        all.path("demonstrations").valueStream().filter(d -> d.path("by").isNull()).toList();
    assertThat(shipped).hasSize(3);
    String id =
        shipped.stream()
            .filter(d -> d.path("title").asString().startsWith("One triangle"))
            .findFirst()
            .orElseThrow()
            .path("id")
            .asString();
    String at = ALL + "/" + id;
    rune.get(at).is(404);
    String course =
        marit.get("/api/me").json().path("memberships").get(0).path("courseId").asString();
    rune.put(at + "/classes/" + course, null).is(404);
    assertThat(
            marit
                .put(at + "/classes/" + course, null)
                .is(200)
                .json()
                .path("classes")
                .get(0)
                .asString())
        .isEqualTo(course);
    JsonNode seen = rune.get(at).is(200).json();
    assertThat(kinds(seen))
        .containsExactly(
            "starter",
            "made",
            "takenBack",
            "made",
            "question",
            "made",
            "takenBack",
            "made",
            "question",
            "made");
    assertThat(seen.path("mine").asBoolean()).isFalse();
    assertThat(seen.path("steps").size()).isZero();
    marit.put(at, telling(seen, List.of())).is(404);
    JsonNode question = seen.path("frames").get(4);
    JsonNode pending =
        rune.get(at + "/steps/" + question.path("step").asInt() + "/pending").is(200).json();
    assertThat(pending.path("pieces").size()).isPositive();
    assertThat(pending.path("remarks").toString()).contains("triangle");
    rune.get(at + "/steps/1/pending").is(404);
    String mesh = question.path("mesh").asString();
    JsonNode check = rune.get(at + "/states/" + mesh + "/check").is(200).json();
    assertThat(check.path("findings").toString()).contains("\"triangle\"");
    rune.get(at + "/states/" + mesh + "/mesh").is(200);
    rune.get(at + "/states/" + mesh + "/smooth?level=1").is(200);
    rune.get(at + "/states/" + mesh + "/lenses/flow").is(200);
    rune.get(at + "/states/" + mesh + "/along/0").is(200);
    rune.get(at + "/states/" + "00".repeat(32) + "/mesh").is(404);
    marit.delete(at + "/classes/" + course).is(200);
    rune.get(at).is(404);
  }

  @Test
  void whatWasDone_isRecorded_withWhatWasTakenBack_orWithout() {
    String workpiece = cut(marit);
    rune.post(ALL, recording(practice(rune), true)).is(404);
    marit.post(ALL, recording(practice(marit), true)).is(400);
    Map<String, Object> asked = recording(workpiece, true);
    JsonNode whole = marit.post(ALL, asked).is(201).json();
    assertThat(kinds(whole))
        .containsExactly("starter", "made", "made", "takenBack", "takenBack", "made");
    assertThat(marit.post(ALL, asked).is(201).json().path("id")).isEqualTo(whole.path("id"));
    assertThat(whole.path("frames").get(4).path("mesh"))
        .as("back to the starter")
        .isEqualTo(whole.path("frames").get(0).path("mesh"));
    Client olga = teacher();
    Map<String, Object> others = new HashMap<>(asked);
    others.put("workpiece", cut(olga));
    olga.post(ALL, others).is(404);
    JsonNode plain = marit.post(ALL, recording(workpiece, false)).is(201).json();
    assertThat(kinds(plain)).containsExactly("starter", "made");
    assertThat(plain.path("frames").get(1).path("mesh"))
        .isEqualTo(whole.path("frames").get(5).path("mesh"));
  }

  @Test
  void itIsToldOf_andStepsAreLeftOut_whereTheRestReplays() {
    JsonNode view = marit.post(ALL, recording(cut(marit), true)).is(201).json();
    String at = ALL + "/" + view.path("id").asString();
    List<Map<String, Object>> words = words(view);
    words.get(0).put("caption", "From corner to corner.");
    words.get(0).put("question", "Into what does it part the lid?");
    marit.put(at, telling(view, words)).is(400);
    words.get(0).put("answer", "Into two faces of nine sides.");
    JsonNode told = marit.put(at, telling(view, words)).is(200).json();
    assertThat(kinds(told).subList(0, 3)).containsExactly("starter", "question", "made");
    assertThat(told.path("frames").get(2).path("text").asString())
        .isEqualTo("From corner to corner.");
    marit.put(at, telling(view, words)).is(409);

    words.get(1).put("leftOut", true);
    JsonNode refused = marit.put(at, telling(told, words)).is(422).json();
    assertThat(refused.path("step").asInt()).as("one is taken back too often").isEqualTo(4);
    assertThat(marit.get(at).json().path("revision")).isEqualTo(told.path("revision"));
    words.get(2).put("leftOut", true);
    JsonNode shorter = marit.put(at, telling(told, words)).is(200).json();
    assertThat(kinds(shorter)).containsExactly("starter", "question", "made", "takenBack", "made");
    assertThat(shorter.path("steps").size()).isEqualTo(5);
    words.get(1).put("leftOut", false);
    words.get(2).put("leftOut", false);
    assertThat(kinds(marit.put(at, telling(shorter, words)).is(200).json())).hasSize(7);
    words.forEach(said -> said.put("leftOut", true));
    marit.put(at, telling(marit.get(at).json(), words)).is(400);
    words.getFirst().put("lens", "x-ray");
    marit.put(at, telling(marit.get(at).json(), words)).is(400);
  }

  @Test
  void aState_isTried_asAPracticePiece_andTheTryIsThereAgain() {
    JsonNode view = marit.post(ALL, recording(cut(marit), false)).is(201).json();
    String at = ALL + "/" + view.path("id").asString();
    Map<String, Object> asked = Map.of("frame", 1, "clientKey", UUID.randomUUID());
    rune.post(at + "/tries", asked).is(404);
    JsonNode piece = marit.post(at + "/tries", asked).is(201).json();
    marit.post(at + "/tries", Map.of("frame", 9, "clientKey", UUID.randomUUID())).is(404);
    String practice = piece.path("id").asString();
    JsonNode open = marit.put("/api/practice/" + practice + "/workpiece", Map.of()).is(200).json();
    assertThat(open.path("check").path("figures").path("faces").asInt()).isEqualTo(19);
    step(marit, open.path("id").asString(), 0, connect(16, 20));
    JsonNode tries = marit.get(at).is(200).json().path("tries");
    assertThat(tries.size()).isEqualTo(1);
    assertThat(tries.get(0).path("practice").asString()).isEqualTo(practice);
    assertThat(tries.get(0).path("steps").asInt()).isEqualTo(1);
  }

  @Test
  void itLiesBesideABrief_onPaper_inCopies_andIsPutAway() throws Exception {
    JsonNode view = marit.post(ALL, recording(cut(marit), true)).is(201).json();
    String id = view.path("id").asString();
    String at = ALL + "/" + id;
    JsonNode open = Bollard.open(rune, "Hatch lid");
    String assignment = open.path("task").path("owner").path("id").asString();
    JsonNode set =
        marit
            .get("/api/assignments")
            .json()
            .valueStream()
            .filter(a -> a.path("id").asString().equals(assignment))
            .findFirst()
            .orElseThrow();
    String exercise = set.path("exercise").path("id").asString();
    rune.put(at + "/exercises/" + exercise, null).is(404);
    marit.put(at + "/exercises/" + exercise, null).is(200);
    JsonNode beside = rune.get("/api/assignments/" + assignment + "/demonstrations").json();
    assertThat(beside.get(0).path("id").asString()).isEqualTo(id);
    rune.get(at).is(200);

    byte[] paper = marit.get(at + "/paper?sheet=letter").is(200).bytes();
    try (PDDocument document = Loader.loadPDF(paper)) {
      assertThat(new PDFTextStripper().getText(document)).contains("Across", "Taken back");
      assertThat(document.getDocumentCatalog().getMarkInfo().isMarked()).isTrue();
    }

    Map<String, Object> key = Map.of("clientKey", UUID.randomUUID());
    JsonNode copy = marit.post(at + "/copies", key).is(201).json();
    assertThat(copy.path("id").asString()).isNotEqualTo(id);
    assertThat(kinds(copy)).isEqualTo(kinds(view));
    rune.post(at + "/copies", key).is(404);

    marit.put(at + "/kept", Map.of("inSight", false)).is(200);
    rune.get(at).is(404);
    assertThat(rune.get("/api/assignments/" + assignment + "/demonstrations").json().size())
        .isZero();
    marit.put(at + "/kept", Map.of("inSight", true)).is(200);
    rune.get(at).is(200);
    marit.delete(at + "/exercises/" + exercise).is(200);
    rune.get(at).is(404);
  }
}
