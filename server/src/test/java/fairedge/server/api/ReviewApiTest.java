package fairedge.server.api;

import static fairedge.server.api.Bollard.step;
import static fairedge.server.api.Bollard.trace;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.format.obj.ObjWriter;
import fairedge.core.props.HarbourProps;
import fairedge.server.course.Role;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import fairedge.server.running.School;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.BeforeEach;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Handing in, review, answer, the next attempt. */
class ReviewApiTest {
  private static Database database;
  private static Application app;
  private static Client marit;
  private static int students;

  /** Another one for each test, who has done nothing yet. */
  private Client rune;

  private String name;

  @BeforeAll
  static void start() {
    database = new Database();
    app = Application.on(database);
    marit = Client.signedIn(app, "marit");
  }

  @BeforeEach
  void comeIn() {
    School school = new School(app);
    name = "Rune the " + ++students;
    UUID props =
        UUID.fromString(database.value("select id from course where name = 'Harbour Props'"));
    school.enrol(props, school.person("rune-" + students, name), Role.STUDENT);
    rune = Client.signedIn(app, "rune-" + students);
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  /** The rows of the desk that are about the student of this test. */
  private List<JsonNode> rows() {
    List<JsonNode> rows = new ArrayList<>();
    for (JsonNode row : marit.get("/api/desk").is(200).json().path("rows")) {
      if (row.path("student").asString().equals(name)) {
        rows.add(row);
      }
    }
    return rows;
  }

  private static byte[] obj(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  private static byte[] bollard() throws Exception {
    StringBuilder out = new StringBuilder();
    ObjWriter.write(HarbourProps.mooringBollard(), out);
    return obj(out.toString());
  }

  /** The hatch lid with one line across, handed in from the bench. */
  private String handInLid() {
    JsonNode open = Bollard.open(rune, "Hatch lid");
    String id = open.path("id").asString();
    long revision = open.path("revision").asLong();
    if (revision == 0) {
      rune.post("/api/workpieces/" + id + "/steps", step(0, trace(16, 24))).is(200);
      revision = 1;
    }
    Map<String, Object> asked = Map.of("revision", revision, "clientKey", UUID.randomUUID());
    return rune.post("/api/workpieces/" + id + "/submissions", asked)
        .is(201)
        .json()
        .path("id")
        .asString();
  }

  private static Map<String, Object> draft(long revision, String verdict, String... notes) {
    Map<String, Object> draft = new HashMap<>();
    draft.put("revision", revision);
    draft.put("word", "A good first line.");
    draft.put("verdict", verdict);
    draft.put(
        "notes",
        List.of(notes).stream()
            .map(text -> {
              Map<String, Object> note = new HashMap<>();
              note.put("text", text);
              note.put("finding", 0);
              note.put("element", Map.of("kind", "face", "id", 16));
              note.put("place", Map.of("x", 10, "y", 20, "z", 80));
              note.put(
                  "camera",
                  Map.of(
                      "eye", Map.of("x", 0, "y", -900, "z", 500),
                      "target", Map.of("x", 0, "y", 0, "z", 40)));
              return note;
            })
            .toList());
    return draft;
  }

  /** A slip of the finger is no attempt, as long as nobody has read it. */
  @Test
  void handIn_isTakenBack_untilSomebodyHasOpenedIt() {
    Client amara = Client.signedIn(app, "amara");
    JsonNode open = Bollard.open(amara, "Fairlead block");
    String path = "/api/workpieces/" + open.path("id").asString() + "/submissions";
    String first = amara.post(path, Bollard.move(0)).is(201).json().path("id").asString();
    Client.signedIn(app, "tobias").delete("/api/submissions/" + first).is(404);
    amara.delete("/api/submissions/" + first).is(204);
    amara.delete("/api/submissions/" + first).is(404);
    JsonNode again = amara.post(path, Bollard.move(0)).is(201).json();
    assertThat(again.path("attempt").asInt()).as("it was no attempt").isEqualTo(1);
    String second = again.path("id").asString();
    Client.signedIn(app, "marit").get("/api/submissions/" + second + "/review").is(200);
    assertThat(amara.delete("/api/submissions/" + second).is(409).detail())
        .contains("reading it already");
  }

  /** What was kept by a version that did not know a figure, a measure or a sort of count yet. */
  @Test
  void reportsAndStepsOfAnotherVersion_areRead() {
    String id = handInLid();
    String workpiece = Bollard.open(rune, "Hatch lid").path("id").asString();
    for (String column : List.of("submission_report.figures", "step.after")) {
      String table = column.substring(0, column.indexOf('.'));
      String value = column.substring(column.indexOf('.') + 1);
      String where =
          table.equals("step")
              ? " where workpiece_id = '%s'".formatted(workpiece)
              : " where submission_id = '%s'".formatted(id);
      List<List<String>> keys =
          database.rows(
              "select distinct jsonb_object_keys(%s) from %s".formatted(value, table) + where);
      assertThat(keys).isNotEmpty();
      for (List<String> key : keys) {
        database.run(
            "update %s set %s = %s - '%s' || '{\"sums\": {\"of\": 3}}'"
                    .formatted(table, value, value, key.getFirst())
                + where);
        marit.get("/api/desk").is(200);
        marit.get("/api/submissions/" + id + "/review").is(200);
        rune.get("/api/workpieces/" + workpiece).is(200);
      }
    }
  }

  @Test
  void wholeWay_fromHandInToTheSecondAttempt() {
    String first = handInLid();
    JsonNode row = rows().getFirst();
    assertThat(row.path("id").asString()).isEqualTo(first);
    assertThat(row.path("findings").asInt()).isEqualTo(7);
    assertThat(row.path("worst")).hasSize(7);
    assertThat(row.path("worst").path(0).path("severity").asString()).isEqualTo("must");
    JsonNode review = marit.get("/api/submissions/" + first + "/review").is(200).json();
    assertThat(review.path("check").path("must").asInt()).isEqualTo(3);
    assertThat(review.path("steps").path(0).path("tool").asString()).isEqualTo("Trace");
    assertThat(review.path("queue").path("position").asInt()).isPositive();

    String draft = "/api/submissions/" + first + "/draft";
    assertThat(marit.put(draft, draft(0, null, "Two more across.")).is(200).json().path("revision"))
        .hasToString("1");
    marit.put(draft, draft(0, "accepted")).is(409);
    String giveBack = "/api/submissions/" + first + "/return";
    assertThat(marit.post(giveBack, Map.of("revision", 1)).is(400).detail()).contains("verdict");
    marit.put(draft, draft(1, "tryAgain", "Two more across.", "And the back.")).is(200);

    rune.get("/api/submissions/" + first + "/answer").is(404);
    marit.post(giveBack, Map.of("revision", 2)).is(200);
    marit.put(draft, draft(3, "accepted")).is(409);
    JsonNode answer = rune.get("/api/submissions/" + first + "/answer").is(200).json();
    assertThat(answer.path("answer").path("notes")).hasSize(2);
    assertThat(answer.path("answer").path("returnedBy").asString()).isEqualTo("Marit Tangen");
    assertThat(answer.path("queue").isNull()).isTrue();
    assertThat(state()).isEqualTo("returned");

    JsonNode open = Bollard.open(rune, "Hatch lid");
    String id = open.path("id").asString();
    rune.post("/api/workpieces/" + id + "/steps", step(1, trace(20, 28))).is(200);
    Map<String, Object> asked = Map.of("revision", 2, "clientKey", UUID.randomUUID());
    String second =
        rune.post("/api/workpieces/" + id + "/submissions", asked)
            .is(201)
            .json()
            .path("id")
            .asString();
    JsonNode since = marit.get("/api/submissions/" + second + "/review").json().path("since");
    assertThat(since.path("attempt").asInt()).isEqualTo(1);
    // Bottom and halves of the top are n-gons at which rings stop; of the quarters the nearer two
    // count
    // as the halves, still there.
    assertThat(since.path("still").asInt()).isEqualTo(7);
    assertThat(since.path("fresh").asInt()).isEqualTo(5);

    assertThat(rows()).hasSize(1);
    assertThat(state()).isEqualTo("waiting");
    assertThat(
            database.rows(
                "select verdict, revision from answer where submission_id = '%s'".formatted(first)))
        .containsExactly(List.of("try-again", "3"));
  }

  private static String counted(String table, String submission) {
    return "select count(*) from %s where submission_id = '%s'".formatted(table, submission);
  }

  private String state() {
    return rune.get("/api/my-work").json().path("items").path(0).path("state").asString();
  }

  @Test
  void file_isReadInspectedAndNumbered_onceAKey() throws Exception {
    String assignment = Bollard.assignment(rune, "Mooring bollard");
    UUID key = UUID.randomUUID();
    String meshes = database.value("select count(*) from mesh_content");
    JsonNode first = rune.handIn(assignment, "bollard.obj", bollard(), key).path("handedIn");
    JsonNode again = rune.handIn(assignment, "bollard.obj", bollard(), key).path("handedIn");
    assertThat(again.path("id")).isEqualTo(first.path("id"));
    JsonNode second = rune.handIn(assignment, "b.obj", bollard(), UUID.randomUUID());
    assertThat(second.path("handedIn").path("attempt")).hasToString("2");
    JsonNode review =
        marit.get("/api/submissions/" + first.path("id").asString() + "/review").json();
    assertThat(review.path("fileName").asString()).isEqualTo("bollard.obj");
    assertThat(review.path("check").path("figures").path("faces").asInt()).isEqualTo(105);
    assertThat(database.value("select count(*) from mesh_content"))
        .as("the starter's bytes are kept once")
        .isEqualTo(meshes);
  }

  @Test
  void handIn_ofAStaleState_isToldSo() {
    JsonNode open = Bollard.open(rune, "Hatch lid");
    String path = "/api/workpieces/" + open.path("id").asString() + "/submissions";
    rune.post(path, Map.of("revision", 7, "clientKey", UUID.randomUUID())).is(409);
  }

  @Test
  void picture_isForTheInstructor_andForItsStudentOnceReturned() {
    String id = handInLid();
    String path = "/api/submissions/" + id + "/picture?size=";
    for (String size : List.of("row", "sheet")) {
      Reply reply = marit.get(path + size).is(200);
      assertThat(reply.type()).isEqualTo("image/png");
      assertThat(marit.get(path + size).bytes()).isEqualTo(reply.bytes());
      rune.get(path + size).is(404);
    }
    marit.get(path + "huge").is(400);
    marit.put("/api/submissions/" + id + "/draft", draft(0, "accepted")).is(200);
    marit.post("/api/submissions/" + id + "/return", Map.of("revision", 1)).is(200);
    rune.get(path + "sheet").is(200);
    assertThat(database.value(counted("submission_picture", id))).isEqualTo("2");
  }

  @Test
  void lenses_showTheHandedInMesh_toItsStudentToo() {
    String path = "/api/submissions/" + handInLid();
    JsonNode flow = marit.get(path + "/lenses/flow").is(200).json();
    assertThat(flow.path("edges"))
        .extracting(tone -> tone.path("name").asString())
        .containsExactly("way-1", "way-2", "way-3", "way-4", "short");
    assertThat(rune.get(path + "/lenses/flow").is(200).json()).isEqualTo(flow);
    assertThat(marit.get(path + "/lenses/shape-change").is(200).json().path("sentence").asString())
        .isEqualTo("The surface lies where the starter's lies.");
    marit.get(path + "/lenses/fog").is(400);
    JsonNode along = marit.get(path + "/along/0").is(200).json();
    assertThat(along.path("loop").path("sentence").asString()).startsWith("A loop of ");
    marit.get(path + "/along/999999").is(404);
  }

  @Test
  void smoothSurface_isTold_atEachLevelThatAPageCanHold() {
    String path = "/api/submissions/" + handInLid() + "/smooth";
    for (int level = 1; level <= 4; level++) {
      ByteBuffer message =
          ByteBuffer.wrap(marit.get(path + "?level=" + level).is(200).bytes())
              .order(ByteOrder.LITTLE_ENDIAN);
      assertThat(message.getInt(8)).isEqualTo(level);
      assertThat(message.getInt(12)).isEqualTo(4);
      // The lid has 98 corners: as many quads at the first level, then four times as many.
      assertThat(message.getInt(48)).isEqualTo(98 << 2 * (level - 1));
    }
    assertThat(rune.get(path).is(200).bytes()).isNotEmpty();
    assertThat(marit.get(path + "?level=5").is(400).text()).contains("1 to 4");
    marit.get(path + "?level=two").is(400);
  }

  @Test
  void bend_isTried_onACopy() {
    String path = "/api/submissions/" + handInLid() + "/bent";
    byte[] reply = marit.get(path + "?way=bend&along=x&towards=z&amount=120").is(200).bytes();
    int length = ByteBuffer.wrap(reply).order(ByteOrder.LITTLE_ENDIAN).getInt();
    assertThat(new String(reply, 4, length, StandardCharsets.UTF_8))
        .contains("too few sections")
        .contains("\"coarse\"");
    assertThat(rune.get(path + "?amount=120&along=x&towards=z").is(200).bytes()).isEqualTo(reply);
    assertThat(marit.get(path + "?amount=4000").is(400).text()).contains("at most 360");
    marit.get(path + "?along=x&towards=x").is(400);
    marit.get(path + "?way=fold").is(400);
    marit.get(path + "?amount=NaN").is(400);
    marit.get(path + "?stretch=-1").is(400);
  }

  @Test
  void draft_ofAFindingThatIsNotThere_isBadInput() {
    String id = handInLid();
    Map<String, Object> draft = draft(0, null, "Where?");
    @SuppressWarnings("unchecked")
    Map<String, Object> note = ((List<Map<String, Object>>) draft.get("notes")).getFirst();
    note.put("finding", 99);
    marit.put("/api/submissions/" + id + "/draft", draft).is(400);
    note.put("finding", null);
    note.put("element", null);
    marit.put("/api/submissions/" + id + "/draft", draft).is(400);
    assertThat(database.value(counted("note", id))).isEqualTo("0");
  }
}
