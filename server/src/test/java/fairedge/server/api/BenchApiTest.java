package fairedge.server.api;

import static fairedge.server.api.Bollard.move;
import static fairedge.server.api.Bollard.step;
import static fairedge.server.api.Bollard.trace;
import static fairedge.server.api.Bollard.waistLoop;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Workpiece;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.HexFormat;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;
import tools.jackson.databind.JsonNode;

class BenchApiTest {
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

  private static String path(JsonNode workpiece, String what) {
    return "/api/workpieces/" + workpiece.path("id").asString() + what;
  }

  @Test
  void workpiece_isOpenedOnce_andPreviewsLeaveIt() {
    Client rune = Client.signedIn(app, "rune");
    JsonNode open = Bollard.open(rune, "Mooring bollard");
    assertThat(Bollard.open(rune, "Mooring bollard").path("id")).isEqualTo(open.path("id"));
    byte[] mesh = rune.get(path(open, "/mesh")).is(200).bytes();
    Map<String, Object> asked =
        Map.of("revision", 0, "change", waistLoop(0.5), "view", Bollard.VIEW, "findings", true);
    JsonNode preview = rune.post(path(open, "/previews"), asked).is(200).json();
    assertThat(preview.path("sentence").asString())
        .isEqualTo("Splits 6 quads in front and 6 behind. Adds 12 vertices.");
    assertThat(preview.path("splitFaces")).hasSize(12);
    assertThat(preview.path("splitEdges")).hasSize(12);
    assertThat(rune.get(path(open, "/mesh")).bytes()).isEqualTo(mesh);
    assertThat(rune.get(path(open, "")).json()).isEqualTo(open);
  }

  @Test
  void step_isInTheDatabase_beforeItIsConfirmed_andOutlivesTheServer() {
    Client ines = Client.signedIn(app, "ines");
    JsonNode open = Bollard.open(ines, "Mooring bollard");
    JsonNode made = ines.post(path(open, "/steps"), step(0, waistLoop(0.5))).is(200).state();
    JsonNode after = ines.get(path(open, "")).is(200).json();
    assertThat(after.path("revision").asInt()).isEqualTo(1);
    assertThat(after.path("steps")).hasSize(1);
    assertThat(made.path("revision")).isEqualTo(after.path("revision"));
    assertThat(made.path("step")).isEqualTo(after.path("steps").get(0));
    assertThat(made.path("check")).isEqualTo(after.path("check"));
    assertThat(after.path("check").path("must").asInt()).isZero();
    List<String> kept =
        database
            .rows(
                "select change->>'tool', after->>'did', number from step where workpiece_id = '"
                    + open.path("id").asString()
                    + "'")
            .getFirst();
    assertThat(kept)
        .containsExactly("loops", "Splits 6 quads in front and 6 behind. Adds 12 vertices.", "1");
    byte[] mesh = ines.get(path(open, "/mesh")).bytes();
    try (Application second = Application.on(database)) {
      Client again = Client.signedIn(second, "ines");
      assertThat(again.get(path(open, "")).is(200).json()).isEqualTo(after);
      assertThat(again.get(path(open, "/mesh")).bytes()).isEqualTo(mesh);
      again.post(path(open, "/steps"), step(1, trace(0, 13))).is(200);
    }
    // The first one has the step before in memory, and sees that another was made.
    assertThat(ines.get(path(open, "")).json().path("steps")).hasSize(2);
    ines.post(path(open, "/steps"), step(1, trace(1, 14))).is(409);
  }

  /** As an older engine might have left it. */
  @Test
  void stepThatTheEngineRefuses_leavesTheMeshBeforeIt_andSaysSo() {
    Client solveig = Client.signedIn(app, "solveig");
    JsonNode open = Bollard.open(solveig, "Mooring bollard");
    solveig.post(path(open, "/steps"), step(0, waistLoop(0.5))).is(200);
    byte[] sound = mesh(solveig, open);
    solveig.post(path(open, "/steps"), step(1, trace(0, 13))).is(200);
    solveig.post(path(open, "/steps"), step(2, trace(1, 14))).is(200);
    database.run(
        "update step set change = '{\"tool\":\"loops\",\"edge\":999999,\"fraction\":0.5}' where"
            + " number = 2 and workpiece_id = '"
            + open.path("id").asString()
            + "'");
    try (Application later = Application.on(database)) {
      Client again = Client.signedIn(later, "solveig");
      JsonNode found = again.get(path(open, "")).is(200).json();
      assertThat(found.path("remark").asString()).startsWith("Step 2 and those after it can't");
      assertThat(found.path("steps")).hasSize(3);
      assertThat(mesh(again, open)).isEqualTo(sound);
      // It is cut on from there, here and elsewhere.
      again.post(path(open, "/steps"), step(3, waistLoop(0.25))).is(200);
      byte[] cutOn = mesh(again, open);
      try (Application third = Application.on(database)) {
        Client once = Client.signedIn(third, "solveig");
        assertThat(mesh(once, open)).isEqualTo(cutOn);
        assertThat(once.get(path(open, "")).json().path("remark").asString()).isNotEmpty();
        once.post(path(open, "/undo"), move(4)).is(200);
      }
    }
  }

  /** An older engine came to another mesh, and its snapshot holds that: it is what was cut on. */
  @Test
  void snapshotOfAnOlderEngine_isGoneOnFrom_andItIsSaid() {
    Client amara = Client.signedIn(app, "amara");
    JsonNode open = Bollard.open(amara, "Mooring bollard");
    String id = open.path("id").asString();
    for (int i = 0; i < 2; i++) {
      amara.post(path(open, "/steps"), step(i, waistLoop(0.5))).is(200);
    }
    byte[] then = mesh(amara, open);
    MeshFiles meshes = app.bean(MeshFiles.class);
    Mesh kept = HarbourProps.mooringBollard();
    Workpiece old = new Workpiece(kept, Tolerance.of(kept.bounds()));
    int waist = kept.findEdge(36, 48);
    for (int i = 0; i < 2; i++) {
      old.apply(Change.LoopsChange.of(waist, 0.5));
    }
    byte[] hash = meshes.keep(old.mesh());
    database.run(
        "insert into snapshot (step_id, mesh, engine) select id, '\\x%s', 1 from step where number = 2"
                .formatted(HexFormat.of().formatHex(hash))
            + " and workpiece_id = '%s'".formatted(id));
    try (Application same = Application.on(database)) {
      JsonNode found = Client.signedIn(same, "amara").get(path(open, "")).is(200).json();
      assertThat(found.path("remark").isNull()).as("it comes out as it did").isTrue();
    }
    assertThat(
            database.value(
                "select n.engine from snapshot n join step s on s.id = n.step_id where"
                    + " s.workpiece_id"
                    + " = '%s'".formatted(id)))
        .isEqualTo(Integer.toString(Workpiece.ENGINE));
    // As if that engine had put the first loop elsewhere.
    database.run(
        "update snapshot set engine = 1 where step_id in (select id from step where workpiece_id ="
            + " '%1$s'); update step set change = '{\"tool\":\"loops\",\"edge\":%2$d,\"fraction\":"
                .formatted(id, waist)
            + "0.25}' where number = 1 and workpiece_id = '%s'".formatted(id));
    try (Application later = Application.on(database)) {
      Client again = Client.signedIn(later, "amara");
      JsonNode found = again.get(path(open, "")).is(200).json();
      assertThat(found.path("remark").asString())
          .isEqualTo(
              "Some of the steps 1 to 2 come out otherwise in this version of Fair Edge: the mesh"
                  + " is as it was kept after them. Nothing is lost.");
      assertThat(mesh(again, open)).isEqualTo(then);
      // Taken back and made again it comes to what was kept, too.
      again.post(path(open, "/undo"), move(2)).is(200);
      again.post(path(open, "/redo"), move(3)).is(200);
      assertThat(mesh(again, open)).isEqualTo(then);
    }
  }

  @Test
  void undo_andRedo_giveTheSameBytes_andANewStepBranchesOff() {
    Client tobias = Client.signedIn(app, "tobias");
    JsonNode open = Bollard.open(tobias, "Mooring bollard");
    byte[] first = mesh(tobias, open);
    tobias.post(path(open, "/steps"), step(0, waistLoop(0.5))).is(200);
    byte[] second = mesh(tobias, open);
    // Another window asks how it stands since the revision that it has.
    Reply since = tobias.get(path(open, "/since/0")).is(200);
    assertThat(since.state().path("revision").asLong()).isEqualTo(1);
    tobias.get(path(open, "/since/1")).is(204);
    tobias.get(path(open, "/since/x")).is(400);
    JsonNode undone = tobias.post(path(open, "/undo"), move(1)).is(200).state();
    assertThat(undone.propertyNames()).containsExactlyInAnyOrder("revision", "head", "check");
    assertThat(undone.path("head").isNull()).isTrue();
    assertThat(mesh(tobias, open)).isEqualTo(first);
    tobias.post(path(open, "/redo"), move(2)).is(200);
    assertThat(mesh(tobias, open)).isEqualTo(second);
    tobias.post(path(open, "/undo"), move(3)).is(200);
    tobias.post(path(open, "/undo"), move(4)).is(400);
    tobias.post(path(open, "/steps"), step(4, waistLoop(0.25))).is(200);
    JsonNode branched = tobias.get(path(open, "")).is(200).json();
    assertThat(branched.path("canRedo").asBoolean()).isFalse();
    assertThat(branched.path("steps")).hasSize(1);
    String id = open.path("id").asString();
    assertThat(database.value("select count(*) from step where workpiece_id = '" + id + "'"))
        .as("the step that was taken back is kept")
        .isEqualTo("2");
  }

  @Test
  void snapshot_letsAnotherNodeOpenWithFewSteps_andTakeBackMore() {
    Client ines = Client.signedIn(app, "ines");
    JsonNode open = Bollard.open(ines, "Hatch lid");
    long begun = open.path("revision").asLong();
    int edge = HarbourProps.hatchLid().findEdge(0, 16);
    List<byte[]> meshes = new ArrayList<>();
    for (int i = 0; i < 26; i++) {
      Map<String, Object> loop = Map.of("tool", "loops", "edge", edge, "fraction", 0.9);
      ines.post(path(open, "/steps"), step(begun + i, loop)).is(200);
      meshes.add(mesh(ines, open));
    }
    database.await("select count(*) from snapshot", "1");
    try (Application another = Application.on(database)) {
      Client there = Client.signedIn(another, "ines");
      assertThat(mesh(there, open)).isEqualTo(meshes.get(25));
      for (int i = 0; i < 3; i++) {
        there.post(path(open, "/undo"), move(begun + 26 + i)).is(200);
        assertThat(mesh(there, open)).isEqualTo(meshes.get(24 - i));
      }
      // The node that made them sees that another took three back.
      assertThat(mesh(ines, open)).isEqualTo(meshes.get(22));
    }
  }

  /** The mesh message without its header, in which the revision stands. */
  private static byte[] mesh(Client student, JsonNode open) {
    byte[] message = student.get(path(open, "/mesh")).is(200).bytes();
    return java.util.Arrays.copyOfRange(message, 32, message.length);
  }

  private static JsonNode afterStep(Client student, String path, Map<String, Object> step) {
    student.post(path + "/steps", step).is(200);
    return student.get(path).is(200).json();
  }

  @Test
  void repeatedRequest_isAnsweredOnce_staleOne_isToldSo() {
    Client rune = Client.signedIn(app, "rune");
    JsonNode open = Bollard.open(rune, "Hatch lid");
    Map<String, Object> asked = step(0, trace(16, 24));
    JsonNode first = rune.post(path(open, "/steps"), asked).is(200).state();
    JsonNode again = rune.post(path(open, "/steps"), asked).is(200).state();
    assertThat(again).isEqualTo(rune.get(path(open, "")).json());
    assertThat(again.path("steps").get(0)).isEqualTo(first.path("step"));
    Reply stale = rune.post(path(open, "/steps"), step(0, trace(17, 23))).is(409);
    assertThat(stale.json().path("revision").asInt()).isEqualTo(1);
    Map<String, Object> preview =
        Map.of("revision", 0, "change", trace(17, 23), "view", Bollard.VIEW, "findings", true);
    rune.post(path(open, "/previews"), preview).is(409);
  }

  @Test
  void anyStateEverMade_canBeGoneTo_named_andTakenHome() {
    Client ines = Client.signedIn(app, "solveig");
    JsonNode open = Bollard.open(ines, "Hatch lid");
    String id = open.path("id").asString();
    String path = "/api/workpieces/" + id;
    long revision = open.path("revision").asLong();
    JsonNode one = afterStep(ines, path, step(revision, trace(16, 24)));
    JsonNode two = afterStep(ines, path, step(revision + 1, trace(17, 23)));
    long first = two.path("steps").get(two.path("steps").size() - 2).path("id").asLong();
    long second = two.path("steps").get(two.path("steps").size() - 1).path("id").asLong();
    assertThat(one.path("others").size()).isEqualTo(open.path("others").size());

    JsonNode back = ines.post(path + "/head", go(revision + 2, first)).is(200).state();
    assertThat(back.path("check")).isEqualTo(one.path("check"));
    assertThat(back.path("others").get(back.path("others").size() - 1).path("id").asLong())
        .isEqualTo(second);
    JsonNode branch = afterStep(ines, path, step(revision + 3, trace(18, 22)));
    assertThat(branch.path("steps").size()).isEqualTo(two.path("steps").size());
    JsonNode again = ines.post(path + "/head", go(revision + 4, second)).is(200).state();
    assertThat(again.path("check")).isEqualTo(two.path("check"));
    JsonNode named =
        ines.put(path + "/steps/" + first + "/name", Map.of("name", " before the grid "))
            .is(200)
            .json();
    assertThat(named.path("steps").get(named.path("steps").size() - 2).path("name").asString())
        .isEqualTo("before the grid");
    ines.put(path + "/steps/" + first + "/name", Map.of("name", "x".repeat(61))).is(400);
    assertThat(ines.get(path + "/file").is(200).text()).startsWith("v ").contains("\nf ");
    assertThat(ines.get(path + "/file?format=ply").is(200).text()).startsWith("ply\n");
    assertThat(ines.get(path + "/file?format=glb").is(200).text()).startsWith("glTF");
    assertThat(ines.get(path + "/file?format=stl").is(400).detail()).contains("PLY");
    assertThat(ines.get(path + "/file?step=" + first).is(200).text())
        .isNotEqualTo(ines.get(path + "/file").text());
    ines.post(path + "/head", go(revision + 5, 999999)).is(404);
    ines.post(path + "/head", go(revision + 5, null)).is(200);
  }

  private static Map<String, Object> go(long revision, @Nullable Object step) {
    Map<String, Object> asked = new HashMap<>();
    asked.put("revision", revision);
    asked.put("clientKey", UUID.randomUUID());
    asked.put("step", step);
    return asked;
  }

  @Test
  void refusedChange_saysWhyAndWhere_andChangesNothing() {
    Client ines = Client.signedIn(app, "ines");
    JsonNode open = Bollard.open(ines, "Hatch lid");
    Map<String, Object> inside =
        Map.of(
            "tool",
            "trace",
            "points",
            List.of(
                Map.of("anchor", Map.of("on", "vertex", "vertex", 16), "view", Bollard.VIEW),
                Map.of(
                    "anchor",
                    Map.of("on", "face", "face", 16, "at", Map.of("x", 0, "y", 0, "z", 80)),
                    "view",
                    Bollard.VIEW)));
    Reply refused = ines.post(path(open, "/steps"), step(0, inside)).is(422);
    assertThat(refused.detail()).contains("can't end inside a face");
    assertThat(refused.json().path("element").path("id").asInt()).isEqualTo(16);
    Map<String, Object> asked =
        Map.of("revision", 0, "change", inside, "view", Bollard.VIEW, "findings", true);
    assertThat(ines.post(path(open, "/previews"), asked).is(200).json().path("refusal"))
        .isNotEmpty();
    assertThat(ines.post(path(open, "/steps"), step(0, trace(16, 17))).is(422).detail())
        .contains("changes nothing");
    assertThat(ines.get(path(open, "")).json()).isEqualTo(open);
    ines.post(path(open, "/steps"), step(0, trace(16, 24))).is(200);
  }

  @Test
  void stepsAtOnce_areMadeOneAfterTheOther() throws Exception {
    Client tobias = Client.signedIn(app, "tobias");
    JsonNode open = Bollard.open(tobias, "Hatch lid");
    try (var pool = Executors.newFixedThreadPool(6)) {
      List<Callable<Integer>> calls =
          java.util.stream.IntStream.range(0, 6)
              .mapToObj(i ->
                  (Callable<Integer>)
                      () -> tobias.post(path(open, "/steps"), step(0, trace(16, 24))).status())
              .toList();
      List<Integer> statuses = pool.invokeAll(calls).stream().map(BenchApiTest::get).toList();
      assertThat(statuses).containsOnlyOnce(200).contains(409);
    }
    assertThat(tobias.get(path(open, "")).json().path("steps")).hasSize(1);
  }

  private static int get(Future<Integer> future) {
    try {
      return future.get();
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }

  @Test
  void parts_areListedAndNamed_andWhatALinePartsOffIsTold() {
    Client bastian = Client.signedIn(app, "bastian");
    JsonNode open = Bollard.open(bastian, "Mooring bollard");
    JsonNode parts = bastian.get(path(open, "/parts?revision=0")).is(200).json().path("parts");
    assertThat(parts).hasSize(1);
    assertThat(parts.path(0).path("name").asString()).isEmpty();
    List<Integer> all = faces(bastian, open, 0, "connected", parts.path(0).path("first").asInt());
    assertThat(all).hasSize(parts.path(0).path("faces").asInt());
    Map<String, Object> name = Map.of("tool", "name", "faces", all, "name", "Bollard, cast");
    bastian.post(path(open, "/steps"), step(0, name)).is(200);
    assertThat(
            bastian.get(path(open, "/parts")).json().path("parts").path(0).path("name").asString())
        .isEqualTo("Bollard, cast");
    assertThat(bastian.get(path(open, "/parts?revision=0")).status()).isEqualTo(409);
    assertThat(faces(bastian, open, 1, "partedOff", null)).as("a name parts nothing").isEmpty();
    bastian.post(path(open, "/steps"), step(1, waistLoop(0.5))).is(200);
    List<Integer> off = faces(bastian, open, 2, "partedOff", null);
    assertThat(off).isNotEmpty().hasSizeLessThan(all.size());
    bastian.post(path(open, "/undo"), move(2)).is(200);
    assertThat(faces(bastian, open, 3, "partedOff", null)).as("the cut is taken back").isEmpty();
  }

  private static List<Integer> faces(
      Client student, JsonNode open, long revision, String way, @Nullable Integer from) {
    Map<String, Object> chosen =
        Map.of(
            "faces",
            from == null ? List.of() : List.of(from),
            "edges",
            List.of(),
            "vertices",
            List.of());
    List<Integer> faces = new ArrayList<>();
    student
        .post(path(open, "/choices"), Map.of("revision", revision, "way", way, "from", chosen))
        .is(200)
        .json()
        .path("faces")
        .forEach(f -> faces.add(f.asInt()));
    return faces;
  }

  @Test
  void aHiddenFace_isSpared_byPreviewAndStep() {
    Client bastian = Client.signedIn(app, "bastian");
    JsonNode open = Bollard.open(bastian, "Hatch lid");
    Map<String, Object> change =
        Map.of("tool", "delete", "faces", List.of(3), "edges", List.of(), "vertices", List.of());
    Map<String, Object> asked = new HashMap<>(step(0, change));
    asked.put("hidden", List.of(3, 4));
    Map<String, Object> tried = new HashMap<>(asked);
    tried.remove("clientKey");
    tried.put("findings", false);
    JsonNode preview = bastian.post(path(open, "/previews"), tried).is(200).json();
    assertThat(preview.path("refusal").path("reason").asString()).contains("hidden face");
    assertThat(bastian.post(path(open, "/steps"), asked).status()).isEqualTo(422);
    tried.put("hidden", Collections.singletonList(null));
    assertThat(bastian.post(path(open, "/previews"), tried).status()).isEqualTo(400);
    asked.put("hidden", List.of(900));
    bastian.post(path(open, "/steps"), asked).is(200);
  }

  @Test
  void aFold_isPlayed_andItsHingesStay() {
    Client amara = Client.signedIn(app, "amara");
    Map<String, Object> piece =
        Map.of("form", "folded-sail-card", "profile", "Open sheet", "clientKey", UUID.randomUUID());
    String practice = amara.post("/api/practice", piece).is(201).json().path("id").asString();
    JsonNode open = amara.put("/api/practice/" + practice + "/workpiece", Map.of()).is(200).json();
    assertThat(amara.get(path(open, "/hinges")).is(200).json().path("hinges")).isEmpty();
    Mesh card = HarbourProps.foldedSailCard();
    int hinge = card.findEdge(12, 13);
    Map<String, Object> angle =
        Map.of(
            "edges",
            List.of(hinge, card.findEdge(13, 14), card.findEdge(14, 15)),
            "angle",
            90,
            "follows",
            false);
    Map<String, Object> fold = Map.of("tool", "fold", "hinges", List.of(angle));
    long revision = open.path("revision").asLong();
    Map<String, Object> asked = Map.of("revision", revision, "change", fold);
    JsonNode motions = amara.post(path(open, "/motions"), asked).is(200).json();
    assertThat(motions.path("stops").asInt()).isGreaterThan(1);
    for (JsonNode panel : motions.path("panels")) {
      assertThat(panel.path("poses")).hasSize(7 * motions.path("stops").asInt());
    }
    Map<String, Object> other = Map.of("revision", revision, "change", waistLoop(0.5));
    assertThat(amara.post(path(open, "/motions"), other).status()).isEqualTo(400);
    amara.post(path(open, "/steps"), step(revision, fold)).is(200);
    JsonNode hinges = amara.get(path(open, "/hinges")).is(200).json().path("hinges");
    assertThat(hinges).hasSize(1);
    assertThat(hinges.path(0).path("angle").asDouble()).isEqualTo(90);
    amara.post(path(open, "/undo"), move(revision + 1)).is(200);
    assertThat(amara.get(path(open, "/hinges")).json().path("hinges")).isEmpty();
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "{}",
        "{\"revision\":0,\"clientKey\":\"x\",\"change\":null,\"view\":null}",
        "{\"tool\":\"axe\"}",
        "{\"tool\":\"loops\",\"edge\":\"first\",\"fraction\":0.5}",
        "{\"tool\":\"loops\",\"edge\":1e99,\"fraction\":0.5}",
        "{\"tool\":\"trace\",\"points\":null}",
        "{\"tool\":\"trace\",\"runs\":[{\"points\":null,\"thin\":0}]}",
        "{\"tool\":\"straight\",\"plane\":null}",
        "{\"tool\":\"straight\",\"plane\":{\"by\":\"axis\",\"axis\":\"w\",\"offset\":0}}",
        "{\"tool\":\"outline\",\"shape\":null,\"placement\":null}",
        "{\"tool\":\"lift\",\"edges\":[null],\"vertices\":[],\"straightEnds\":true}",
        "{\"tool\":\"cap\",\"plan\":{\"face\":1,\"edge\":null,\"form\":null,\"along\":0,\"start\":0,"
            + "\"rings\":0,\"inner\":0}}",
        "{\"tool\":\"move\",\"vertices\":[0],\"motion\":{\"by\":null,\"along\":0,\"axis\":null,"
            + "\"degrees\":0,\"scale\":null,\"pivot\":null}}",
        "{\"tool\":\"trace\",\"points\":[null]}",
        "{\"tool\":\"trace\",\"points\":[{\"anchor\":null,\"view\":null}]}",
        "{\"tool\":\"trace\",\"points\":[{\"anchor\":{\"on\":\"face\",\"face\":0,\"at\":null},"
            + "\"view\":{\"kind\":\"perspective\",\"eye\":null}},{}]}"
      })
  void senselessChanges_areBadInput(String change) {
    Client rune = Client.signedIn(app, "rune");
    JsonNode open = Bollard.open(rune, "Mooring bollard");
    String body =
        change.startsWith("{\"tool")
            ? "{\"revision\":0,\"findings\":true,\"change\":%s,\"view\":{\"kind\":\"parallel\",\"direction\":"
                    .formatted(change)
                + "{\"x\":0,\"y\":0,\"z\":-1}}}"
            : change;
    Reply reply = rune.raw("POST", path(open, "/previews"), body, true);
    assertThat(reply.status()).as(new String(reply.bytes())).isEqualTo(400);
  }
}
