package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.props.Form;
import fairedge.server.inspection.Inspections;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

class PracticeApiTest {
  private static final String SHEET =
      """
      v 0 0 0
      v 2 0 0
      v 2 1 0
      v 0 1 0
      f 1 2 3 4
      """;

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

  private static Map<String, Object> begin(String form, UUID key) {
    return Map.of("form", form, "profile", "All quads", "clientKey", key);
  }

  private static Reply send(Client client, String name, String file, UUID key) {
    Map<String, Object> fields = Map.of("unit", "cm", "profile", "Open sheet", "clientKey", key);
    return client.sendFile(
        "/api/practice/files", fields, name, file.getBytes(StandardCharsets.UTF_8));
  }

  private static JsonNode open(Client client, JsonNode piece) {
    String id = piece.path("id").asString();
    return client.put("/api/practice/" + id + "/workpiece", Map.of()).is(200).json();
  }

  @Test
  void everyFormOfTheShelf_canBeBegunAndDrawn() {
    Client rune = Client.signedIn(app, "rune");
    JsonNode forms = rune.get("/api/practice").is(200).json().path("forms");
    assertThat(forms).hasSize(Form.values().length);
    for (JsonNode form : forms) {
      String name = form.path("form").asString();
      JsonNode piece = rune.post("/api/practice", begin(name, UUID.randomUUID())).is(201).json();
      JsonNode workpiece = open(rune, piece);
      assertThat(workpiece.path("check").path("figures").path("faces").asInt())
          .isEqualTo(form.path("faces").asInt());
      assertThat(workpiece.path("task").path("owner").path("type").asString())
          .isEqualTo("practice");
      assertThat(rune.get("/api/practice/forms/" + name + "/picture").is(200).bytes())
          .isEqualTo(rune.get("/api/practice/" + piece.path("id").asString() + "/picture").bytes());
    }
  }

  @Test
  void piece_isCutAndKept_butNeverHandedIn() {
    Client marit = Client.signedIn(app, "marit");
    UUID key = UUID.randomUUID();
    JsonNode piece = marit.post("/api/practice", begin("mooring-bollard", key)).is(201).json();
    assertThat(marit.post("/api/practice", begin("mooring-bollard", key)).is(201).json())
        .isEqualTo(piece);
    String path = "/api/workpieces/" + open(marit, piece).path("id").asString();
    marit.post(path + "/steps", Bollard.step(0, Bollard.waistLoop(0.5))).is(200);
    assertThat(open(marit, piece).path("steps")).hasSize(1);
    assertThat(marit.post(path + "/submissions", Bollard.move(1)).is(400).detail())
        .isEqualTo("Free practice is not handed in.");
  }

  @Test
  void ownFile_isReadInItsUnit_andSentTwiceIsOnePiece() {
    Client ines = Client.signedIn(app, "ines");
    UUID key = UUID.randomUUID();
    JsonNode piece = send(ines, "quay plank.OBJ", SHEET, key).is(201).json();
    assertThat(piece.path("title").asString()).isEqualTo("quay plank");
    assertThat(piece.path("unit").asString()).isEqualTo("cm");
    assertThat(send(ines, "quay plank.OBJ", SHEET, key).is(201).json()).isEqualTo(piece);
    assertThat(open(ines, piece).path("check").path("figures").path("vertices").asInt())
        .isEqualTo(4);
  }

  /** More findings of a kind than anybody reads. */
  @Test
  void veryManyFindings_areCounted_andSomeListed() {
    StringBuilder pentagons = new StringBuilder();
    for (int i = 0; i < Inspections.LISTED + 7; i++) {
      pentagons.append("v %d 0 0\nv %d 1 0\nv %d 2 1\n".formatted(3 * i, 3 * i, 3 * i));
      pentagons.append("v %d 1 2\nv %d 0 1\nf -5 -4 -3 -2 -1\n".formatted(3 * i, 3 * i));
    }
    Client solveig = Client.signedIn(app, "solveig");
    JsonNode piece =
        send(solveig, "torn.obj", pentagons.toString(), UUID.randomUUID()).is(201).json();
    JsonNode check = open(solveig, piece).path("check");
    assertThat(check.path("must").asInt()).isEqualTo(Inspections.LISTED + 7);
    assertThat(check.path("findings")).hasSize(Inspections.LISTED);
    JsonNode more = check.path("unlisted").path(0);
    assertThat(more.path("kind").asString()).isEqualTo("ngon");
    assertThat(more.path("family").asString()).isEqualTo("Sides");
    assertThat(more.path("count").asInt()).isEqualTo(7);
  }

  /** A sheet so large that its steps do not wait for their checks. */
  private static String largeSheet() {
    StringBuilder obj = new StringBuilder();
    int n = 150;
    for (int j = 0; j <= n; j++) {
      for (int i = 0; i <= n; i++) {
        obj.append("v %d %d 0\n".formatted(i, j));
      }
    }
    for (int j = 0; j < n; j++) {
      for (int i = 0; i < n; i++) {
        int v = j * (n + 1) + i + 1;
        obj.append("f %d %d %d %d\n".formatted(v, v + 1, v + n + 2, v + n + 1));
      }
    }
    return obj.toString();
  }

  /** Across two corners of the first quad of a row. */
  private static Map<String, Object> acrossFirst(int row) {
    return Bollard.trace(row * 151, (row + 1) * 151 + 1);
  }

  /** Turns so many faces over that the step's check is not made beside it. */
  private static Map<String, Object> fourRowsOver(int row) {
    List<Integer> faces = IntStream.range(150 * row, 150 * (row + 4)).boxed().toList();
    return Map.of("tool", "flip", "faces", faces);
  }

  @Test
  void smallStepInALargeMesh_isCheckedAtOnce() {
    Client amara = Client.signedIn(app, "amara");
    JsonNode piece = send(amara, "sheet.obj", largeSheet(), UUID.randomUUID()).is(201).json();
    String path = "/api/workpieces/" + open(amara, piece).path("id").asString();
    JsonNode first = amara.post(path + "/steps", Bollard.step(0, acrossFirst(0))).is(200).state();
    assertThat(first.path("step").path("checked").asBoolean()).isTrue();
    assertThat(first.path("step").path("brought")).isNotEmpty();
    JsonNode check = amara.get(path).is(200).json().path("check");
    assertThat(check.path("figures").path("triangles").asInt()).isEqualTo(2);
    assertThat(check.path("findings")).isNotEmpty();
  }

  @Test
  void largeStepInALargeMesh_doesNotWaitForItsCheck_whichComesAfterwards() {
    Client solveig = Client.signedIn(app, "solveig");
    JsonNode piece = send(solveig, "sheet.obj", largeSheet(), UUID.randomUUID()).is(201).json();
    String path = "/api/workpieces/" + open(solveig, piece).path("id").asString();
    JsonNode first =
        solveig.post(path + "/steps", Bollard.step(0, fourRowsOver(10))).is(200).state();
    assertThat(first.path("check").isNull()).isTrue();
    assertThat(first.path("step").path("checked").asBoolean()).isFalse();
    JsonNode settled = solveig.get(path).is(200).json();
    assertThat(settled.path("checked").asBoolean()).isTrue();
    assertThat(settled.path("check").path("figures").path("facesToFlip").asInt()).isEqualTo(600);
    assertThat(settled.path("steps").get(0).path("brought")).isNotEmpty();

    solveig.post(path + "/steps", Bollard.step(1, fourRowsOver(30))).is(200);
    solveig.post(path + "/steps", Bollard.step(2, fourRowsOver(50))).is(200);
    try (Application again = Application.on(database)) {
      Client later = Client.signedIn(again, "solveig");
      JsonNode found = later.get(path).is(200).json();
      assertThat(found.path("steps").get(2).path("checked").asBoolean())
          .as("a node that died leaves no step without its check")
          .isTrue();
      assertThat(found.path("steps").get(2).path("brought")).isNotEmpty();
    }
    JsonNode followed = solveig.get(path).is(200).json().path("steps").get(1);
    assertThat(followed.path("checked").asBoolean())
        .as("a step that another followed at once has its check when the last one has")
        .isTrue();
    assertThat(followed.path("brought")).isNotEmpty();
  }

  @Test
  void badFile_isNotBegun_andTheLineIsSaid() {
    Client ines = Client.signedIn(app, "ines");
    JsonNode problem = send(ines, "x.obj", "v 0 0\nf 1 2", UUID.randomUUID()).is(422).json();
    assertThat(problem.path("line").asInt()).isEqualTo(2);
    Map<String, Object> fields =
        Map.of("unit", "ell", "profile", "Open sheet", "clientKey", UUID.randomUUID());
    ines.sendFile("/api/practice/files", fields, "x.obj", SHEET.getBytes(StandardCharsets.UTF_8))
        .is(400);
    ines.post("/api/practice", begin("anchor", UUID.randomUUID())).is(404);
    ines.post(
            "/api/practice",
            Map.of("form", "cleat", "profile", "Any", "clientKey", UUID.randomUUID()))
        .is(400);
  }

  @Test
  void pieceThatIsPutAway_canBeBroughtBack() {
    Client tobias = Client.signedIn(app, "tobias");
    JsonNode piece =
        tobias.post("/api/practice", begin("pontoon", UUID.randomUUID())).is(201).json();
    String kept = "/api/practice/" + piece.path("id").asString() + "/kept";
    tobias.put(kept, Map.of("inSight", false)).is(200);
    assertThat(tobias.get("/api/practice").json().path("pieces")).isEmpty();
    tobias.put(kept, Map.of("inSight", true)).is(200);
    assertThat(tobias.get("/api/practice").json().path("pieces")).hasSize(1);
  }
}
