package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Workpiece;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Running;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.IntStream;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** What an exercise marks on its starter, and the solutions that it knows: obeyed wherever. */
@ExtendWith(Running.class)
class MarksApiTest {
  private static Breakwater quay;
  private static Client runa;
  private static Client ada;

  @BeforeAll
  static void start(Application app) {
    quay = new Breakwater(app, "-marks");
    runa = quay.runa;
    ada = quay.ada;
  }

  /** A bollard to cut, with nothing ready. */
  private static String bollard() {
    String id = quay.begun();
    runa.put("/api/exercises/" + id + "/starter", Map.of("form", "mooring-bollard")).is(200);
    quay.keep(id, Map.of("title", "Marked", "summary", "Cut it", "brief", "Cut it.")).is(200);
    return id;
  }

  private static String lid() {
    String id = quay.begun();
    runa.put("/api/exercises/" + id + "/starter", Map.of("form", "hatch-lid")).is(200);
    quay.keep(id, Map.of("title", "Lid", "summary", "Cut it", "brief", "Cut it.")).is(200);
    return id;
  }

  private static Reply mark(String id, String sort, List<Integer> ids) {
    long revision = quay.editor(id).path("revision").asLong();
    return runa.put(
        "/api/exercises/" + id + "/marks", Map.of("revision", revision, "sort", sort, "ids", ids));
  }

  private static List<Integer> marked(String id, String sort) {
    List<Integer> ids = new ArrayList<>();
    runa.get("/api/exercises/" + id + "/marks")
        .is(200)
        .json()
        .path(sort)
        .forEach(n -> ids.add(n.asInt()));
    return ids;
  }

  private static JsonNode open(String assignment) {
    return ada.put("/api/assignments/" + assignment + "/workpiece", Map.of()).is(200).json();
  }

  private static String path(JsonNode workpiece) {
    return "/api/workpieces/" + workpiece.path("id").asString();
  }

  /** The faces of the waist, which the loop of the other tests runs across. */
  private static List<Integer> waist() {
    Mesh mesh = HarbourProps.mooringBollard();
    return IntStream.of(mesh.facesOn(mesh.findEdge(36, 48))).boxed().toList();
  }

  @Test
  void marks_areSetByElement_takenOffAgain_andRefusedWhereNothingIs() {
    String id = bollard();
    Mesh mesh = HarbourProps.mooringBollard();
    int edge = mesh.findEdge(36, 48);
    mark(id, "hard", List.of(edge)).is(200);
    mark(id, "held", List.of(36, 48)).is(200);
    mark(id, "covered", List.of(3)).is(200);
    mark(id, "cuttable", List.of(0)).is(200);
    assertThat(marked(id, "hard")).containsExactly(edge);
    assertThat(marked(id, "held")).containsExactly(36, 48);
    assertThat(marked(id, "covered")).containsExactly(3);
    assertThat(marked(id, "locked")).hasSize(mesh.faceCount() - 1).doesNotContain(0);
    mark(id, "held", List.of(36)).is(200);
    assertThat(marked(id, "held")).containsExactly(48);
    assertThat(mark(id, "held", List.of(1_000_000)).is(400).detail()).contains("no vertex");
    mark(id, "held", List.of()).is(400);
    runa.put(
            "/api/exercises/" + id + "/marks",
            Map.of("revision", 0, "sort", "held", "ids", List.of(1)))
        .is(409);
  }

  @Test
  void lockedFace_isCutByNobody_onTheBenchAndByFile() {
    String id = bollard();
    List<Integer> waist = waist();
    Mesh mesh = HarbourProps.mooringBollard();
    List<Integer> others =
        IntStream.range(0, mesh.faceEnd()).filter(f -> !waist.contains(f)).boxed().toList();
    mark(id, "cuttable", others).is(200);
    quay.makeReady(id).is(200);
    String assignment = quay.set(id, Map.of());
    JsonNode open = open(assignment);
    assertThat(open.at("/task/isMarked").asBoolean()).isTrue();
    JsonNode marks = ada.get(path(open) + "/marks").is(200).json();
    assertThat(marks.path("locked").size()).isEqualTo(waist.size());
    Map<String, Object> loop = Bollard.waistLoop(0.5);
    Reply refused = ada.post(path(open) + "/steps", Bollard.step(0, loop)).is(422);
    assertThat(refused.detail()).contains("locks");
    assertThat(waist).contains(refused.json().at("/element/id").asInt());
    Map<String, Object> preview =
        Map.of("revision", 0, "change", loop, "view", Bollard.VIEW, "findings", false);
    assertThat(
            ada.post(path(open) + "/previews", preview)
                .is(200)
                .json()
                .at("/refusal/reason")
                .asString())
        .contains("locks");
    // The same cut, made elsewhere and handed in as a file.
    Workpiece elsewhere = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    elsewhere.apply(Change.LoopsChange.of(mesh.findEdge(36, 48), 0.5));
    byte[] file = Breakwater.obj(elsewhere.mesh());
    String submission =
        ada.handIn(assignment, "elsewhere.obj", file, UUID.randomUUID())
            .at("/handedIn/id")
            .asString();
    JsonNode review = runa.get("/api/submissions/" + submission + "/review").is(200).json();
    assertThat(kinds(review.path("check"))).contains("off-line");
  }

  private static List<String> kinds(JsonNode check) {
    List<String> kinds = new ArrayList<>();
    check.path("findings").forEach(f -> kinds.add(f.path("kind").asString()));
    return kinds;
  }

  @Test
  void marksOfALaterVersion_holdOnABenchThatIsOpen() {
    String id = bollard();
    quay.makeReady(id).is(200);
    JsonNode open = open(quay.set(id, Map.of()));
    ada.post(path(open) + "/steps", Bollard.step(0, Bollard.waistLoop(0.3))).is(200);
    ada.post(path(open) + "/undo", Bollard.move(1)).is(200);
    mark(id, "held", List.of(36)).is(200);
    quay.makeReady(id).is(200);
    Map<String, Object> gone =
        Map.of("tool", "delete", "faces", List.of(), "edges", List.of(), "vertices", List.of(36));
    assertThat(ada.post(path(open) + "/steps", Bollard.step(2, gone)).is(422).detail())
        .contains("holds");
    ada.post(path(open) + "/steps", Bollard.step(2, Bollard.waistLoop(0.5))).is(200);
  }

  @Test
  void pardonedFault_countsForNobody_whileItStays() {
    String id = lid();
    JsonNode ngon = null;
    JsonNode all = runa.get("/api/exercises/" + id + "/starter/check").is(200).json();
    for (JsonNode f : all.path("findings")) {
      ngon = f.path("kind").asString().equals("ngon") ? f : ngon;
    }
    assertThat(ngon).isNotNull();
    quay.keep(
            id,
            Map.of(
                "wanted",
                Map.of("pardons", List.of(Map.of("kind", "ngon", "place", ngon.path("place"))))))
        .is(200);
    // The editor tells all there is, whatever is pardoned.
    assertThat(kinds(runa.get("/api/exercises/" + id + "/starter/check").json()))
        .isEqualTo(kinds(all));
    quay.makeReady(id).is(200);
    JsonNode open = open(quay.set(id, Map.of()));
    assertThat(kinds(open.path("check"))).containsOnlyOnce("ngon");
    assertThat(open.at("/check/pardoned").asInt()).isEqualTo(1);
    String submission =
        ada.post(path(open) + "/submissions", Bollard.move(0)).is(201).json().path("id").asString();
    JsonNode review = runa.get("/api/submissions/" + submission + "/review").is(200).json();
    assertThat(kinds(review.path("check"))).containsOnlyOnce("ngon");
    assertThat(review.at("/check/pardoned").asInt()).isEqualTo(1);
  }

  /** A bollard with the loop that is wanted, as a file. */
  private static byte[] solution(double at) {
    Mesh mesh = HarbourProps.mooringBollard();
    Workpiece work = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    work.apply(Change.LoopsChange.of(mesh.findEdge(36, 48), at));
    return Breakwater.obj(work.mesh());
  }

  private static Reply addReference(String id, byte[] file) {
    return runa.sendFile(
        "/api/exercises/" + id + "/references/file",
        Map.of("unit", "mm", "up", "z"),
        "solution.obj",
        file);
  }

  @Test
  void references_countInTheCheck_areTriedByTheRule_andAreShownInTime() {
    String id = bollard();
    JsonNode with = addReference(id, solution(0.5)).is(200).json();
    assertThat(with.path("references")).hasSize(1);
    String hash = with.at("/references/0/hash").asString();
    runa.get("/api/exercises/" + id + "/references/" + hash + "/mesh").is(200);
    assertThat(kinds(runa.get("/api/exercises/" + id + "/references/" + hash + "/check").json()))
        .doesNotContain("off-line");
    Map<String, Object> rule =
        Map.of("criteria", List.of(criterion()), "step", 0.5, "offADay", 0, "counts", "best");
    JsonNode tried =
        runa.post("/api/exercises/" + id + "/credits", Map.of("rule", rule)).is(200).json();
    assertThat(tried.get(1).path("name").asString()).isEqualTo("Reference");
    assertThat(tried.get(1).at("/credits/total").asDouble()).isEqualTo(4);
    quay.makeReady(id).is(200);
    String assignment = quay.set(id, Map.of());
    JsonNode open = open(assignment);
    ada.post(path(open) + "/steps", Bollard.step(0, Bollard.waistLoop(0.8))).is(200);
    JsonNode after = ada.get(path(open)).is(200).json();
    assertThat(kinds(after.path("check"))).contains("off-line");
    String submission =
        ada.post(path(open) + "/submissions", Bollard.move(1)).is(201).json().path("id").asString();
    String mesh = "/api/submissions/" + submission + "/beside/reference/" + hash + "/mesh";
    runa.get(mesh).is(200);
    assertThat(runa.get("/api/submissions/" + submission + "/review").json().path("references"))
        .hasSize(1);
    ada.get(mesh).is(404);
    ada.get("/api/exercises/" + id + "/references/" + hash + "/mesh").is(404);
    quay.answer(submission, "tryAgain");
    ada.get(mesh).is(200);
    assertThat(ada.get("/api/submissions/" + submission + "/answer").json().path("references"))
        .hasSize(1);
    quay.keep(id, Map.of("shows", "never")).is(200);
    quay.makeReady(id).is(200);
    ada.get(mesh).is(404);
    runa.get(mesh).is(200);
  }

  private static Map<String, Object> criterion() {
    return Map.of(
        "name",
        "On its line",
        "credits",
        4,
        "by",
        "findings",
        "offMust",
        2,
        "offShould",
        1,
        "families",
        List.of("Shape"),
        "words",
        List.of());
  }

  @Test
  void moreThanThree_andOthersReferences_areRefused() {
    String id = bollard();
    for (double at : new double[] {0.3, 0.5, 0.7}) {
      addReference(id, solution(at)).is(200);
    }
    assertThat(addReference(id, solution(0.9)).is(400).detail()).contains("3 references");
    assertThat(addReference(id, "no mesh".getBytes(StandardCharsets.UTF_8)).status())
        .isEqualTo(422);
    JsonNode kept = quay.editor(id).path("references");
    assertThat(kept).hasSize(3);
    String other = bollard();
    Map<String, Object> foreign =
        Map.of("hash", kept.get(0).path("hash").asString(), "from", "elsewhere");
    assertThat(quay.keep(other, Map.of("references", List.of(foreign))).is(400).detail())
        .contains("none of this exercise");
    quay.keep(other, Map.of("references", List.of(Map.of("hash", "zz", "from", "x")))).is(400);
    quay.keep(id, Map.of("references", List.of())).is(200);
    assertThat(quay.editor(id).path("references")).isEmpty();
    // The same one again is one.
    addReference(id, solution(0.3)).is(200);
    assertThat(addReference(id, solution(0.3)).is(200).json().path("references")).hasSize(1);
  }

  @Test
  void bench_makesAReference_andAnExportTakesThemAll() {
    String id = bollard();
    JsonNode open = runa.put("/api/exercises/" + id + "/workpiece", Map.of()).is(200).json();
    runa.post(path(open) + "/steps", Bollard.step(0, Bollard.waistLoop(0.5))).is(200);
    JsonNode with =
        runa.post(
                "/api/exercises/" + id + "/references",
                Map.of("workpiece", open.path("id").asString()))
            .is(200)
            .json();
    assertThat(with.at("/references/0/from").asString()).isEqualTo("made on the bench");
    Mesh mesh = HarbourProps.mooringBollard();
    mark(id, "line", List.of(mesh.findEdge(36, 48))).is(200);
    byte[] zip = runa.get("/api/exercises/" + id + "/export").is(200).bytes();
    String again =
        runa.sendFile("/api/exercises/imports", Map.of(), "exercise.zip", zip)
            .is(201)
            .json()
            .path("id")
            .asString();
    assertThat(quay.editor(again).path("references")).hasSize(1);
    assertThat(quay.editor(again).at("/draft/wanted"))
        .isEqualTo(quay.editor(id).at("/draft/wanted"));
    assertThat(runa.get("/api/exercises/" + again + "/export").is(200).bytes()).isEqualTo(zip);
    String copy =
        runa.post("/api/exercises/" + id + "/copies", Map.of())
            .is(201)
            .json()
            .path("id")
            .asString();
    assertThat(quay.editor(copy).path("references")).hasSize(1);
    String hash = quay.editor(copy).at("/references/0/hash").asString();
    runa.get("/api/exercises/" + copy + "/references/" + hash + "/mesh").is(200);
  }
}
