package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.props.HarbourProps;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.Callable;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.atomic.AtomicBoolean;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What comes in at once: repeated requests, steps beside hand-ins, two windows. */
class RaceApiTest {
  private static final int AT_ONCE = 24;

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

  /** Asks for the same so often at the same moment. */
  private static <T> List<T> atOnce(int times, Callable<T> ask) throws Exception {
    CountDownLatch go = new CountDownLatch(1);
    try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor()) {
      List<Future<T>> asked = new ArrayList<>();
      for (int i = 0; i < times; i++) {
        asked.add(
            threads.submit(() -> {
              go.await();
              return ask.call();
            }));
      }
      go.countDown();
      List<T> replies = new ArrayList<>();
      for (Future<T> one : asked) {
        replies.add(one.get());
      }
      return replies;
    }
  }

  private static String path(JsonNode workpiece) {
    return "/api/workpieces/" + workpiece.path("id").asString();
  }

  private static String count(String from) {
    return database.value("select count(*) from " + from);
  }

  @Test
  void repeatedStep_isMadeOnce_andEveryAnswerIsItsOwn() throws Exception {
    Client ines = Client.signedIn(app, "ines");
    JsonNode open = Bollard.open(ines, "Mooring bollard");
    String steps = "step where workpiece_id = '" + open.path("id").asString() + "'";
    for (int round = 0; round < 6; round++) {
      Map<String, Object> step = Bollard.step(2L * round, Bollard.waistLoop(0.5));
      Map<String, Object> undo = Bollard.move(2L * round + 1);
      assertThat(atOnce(AT_ONCE, () -> ines.post(path(open) + "/steps", step).status()))
          .containsOnly(200);
      assertThat(count(steps)).isEqualTo(Integer.toString(round + 1));
      assertThat(atOnce(AT_ONCE, () -> ines.post(path(open) + "/undo", undo).status()))
          .containsOnly(200);
    }
    assertThat(ines.get(path(open)).is(200).json().path("revision").asInt()).isEqualTo(12);
  }

  @Test
  void stepsOfTwoWindows_areMadeOneAfterTheOther_orRefusedAsStale() throws Exception {
    Client bastian = Client.signedIn(app, "bastian");
    JsonNode open = Bollard.open(bastian, "Mooring bollard");
    List<Integer> statuses =
        atOnce(
            AT_ONCE,
            () ->
                bastian
                    .post(path(open) + "/steps", Bollard.step(0, Bollard.waistLoop(0.5)))
                    .status());
    assertThat(statuses).containsOnly(200, 409).containsOnlyOnce(200);
    assertThat(bastian.get(path(open)).is(200).json().path("steps")).hasSize(1);
  }

  @Test
  void repeatedHandIn_isOneAttempt_alsoAfterALaterStep() throws Exception {
    Client solveig = Client.signedIn(app, "solveig");
    JsonNode open = Bollard.open(solveig, "Mooring bollard");
    Map<String, Object> handIn = Bollard.move(0);
    List<JsonNode> replies =
        atOnce(AT_ONCE, () -> solveig.post(path(open) + "/submissions", handIn).is(201).json());
    assertThat(replies).containsOnly(replies.getFirst());
    solveig.post(path(open) + "/steps", Bollard.step(0, Bollard.waistLoop(0.5))).is(200);
    assertThat(solveig.post(path(open) + "/submissions", handIn).is(201).json())
        .isEqualTo(replies.getFirst());
    // A key is its owner's: somebody else may come upon the same one.
    Client amara = Client.signedIn(app, "amara");
    JsonNode other = Bollard.open(amara, "Mooring bollard");
    JsonNode own = amara.post(path(other) + "/submissions", handIn).is(201).json();
    assertThat(own.path("id")).isNotEqualTo(replies.getFirst().path("id"));
  }

  @Test
  void handInsAtOnce_areNoMoreThanAsked() throws Exception {
    Client marit = Client.signedIn(app, "marit");
    Client amara = Client.signedIn(app, "amara");
    String exercise = Bollard.exercise(amara, "Fairlead block");
    Map<String, Object> once = Map.of("late", "taken", "handIn", "both", "attempts", 1);
    String assignment =
        marit
            .post(
                "/api/exercises/" + exercise + "/assignments",
                Map.of("course", Bollard.course(amara, "Fairlead block"), "setting", once))
            .is(201)
            .json()
            .path("id")
            .asString();
    JsonNode open =
        amara.put("/api/assignments/" + assignment + "/workpiece", Map.of()).is(200).json();
    List<Integer> statuses =
        atOnce(AT_ONCE, () -> amara.post(path(open) + "/submissions", Bollard.move(0)).status());
    assertThat(statuses).containsOnly(201, 400).containsOnlyOnce(201);
    assertThat(count("submission where assignment_id = '" + assignment + "'")).isEqualTo("1");
  }

  @Test
  void repeatedBundlesAndPractice_areKeptOnce() throws Exception {
    Client marit = Client.signedIn(app, "marit");
    Client rune = Client.signedIn(app, "rune");
    UUID key = UUID.randomUUID();
    String assignment = Bollard.assignment(rune, "Mooring bollard");
    byte[] file = "v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n".getBytes(StandardCharsets.UTF_8);
    List<JsonNode> bundles =
        atOnce(
            8,
            () ->
                marit
                    .sendFile(
                        "/api/assignments/" + assignment + "/bundles",
                        Map.of("clientKey", key),
                        "rune.obj",
                        file)
                    .is(201)
                    .json()
                    .path("id"));
    assertThat(bundles).containsOnly(bundles.getFirst());
    Map<String, Object> begin = Map.of("form", "cleat", "profile", "All quads", "clientKey", key);
    List<JsonNode> pieces =
        atOnce(8, () -> rune.post("/api/practice", begin).is(201).json().path("id"));
    assertThat(pieces).containsOnly(pieces.getFirst());
    JsonNode other = marit.post("/api/practice", begin).is(201).json();
    assertThat(other.path("id")).isNotEqualTo(pieces.getFirst());
  }

  /** A loop adds 12 faces: mesh, report and step tell each whether it was there. */
  @Test
  void handInsBesideSteps_areOfOneMoment() throws Exception {
    Client tobias = Client.signedIn(app, "tobias");
    String path = path(Bollard.open(tobias, "Mooring bollard"));
    int accepted = 0;
    for (long revision = 0; revision < 300; revision++) {
      boolean forward = revision % 2 == 0;
      Object move =
          forward ? Bollard.step(revision, Bollard.waistLoop(0.5)) : Bollard.move(revision);
      Map<String, Object> handIn = Bollard.move(revision);
      AtomicBoolean second = new AtomicBoolean();
      List<Reply> replies =
          atOnce(
              2,
              () ->
                  second.getAndSet(true)
                      ? tobias.post(path + (forward ? "/steps" : "/undo"), move).is(200)
                      : tobias.post(path + "/submissions", handIn));
      List<Integer> statuses = replies.stream().map(Reply::status).toList();
      assertThat(statuses).isSubsetOf(200, 201, 409);
      accepted += statuses.contains(201) ? 1 : 0;
    }
    assertThat(accepted).isPositive();
    int starter = HarbourProps.mooringBollard().faceCount();
    List<List<String>> kept =
        database.rows(
            "select m.faces, r.figures->>'faces', case when s.step_id is null then "
                + starter
                + " else "
                + (starter + 12)
                + " end from submission s join submission_report r on r.submission_id = s.id"
                + " join mesh_content m on m.sha256 = s.mesh join account a on a.id = s.student_id"
                + " where a.sign_in = 'tobias'");
    assertThat(kept).hasSize(accepted);
    assertThat(kept).allSatisfy(row -> assertThat(row).containsOnly(row.getFirst()));
  }
}
