package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.format.MeshFormat;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Database;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Stream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;
import tools.jackson.databind.JsonNode;

/** Files that are handed in: received at once, read and inspected by a job. */
class UploadApiTest {
  private static final int MOST_FACES = 5000;

  private static Database database;
  private static Application app;
  private static Client rune;
  private static Client marit;
  private static String assignment;

  @BeforeAll
  static void start() {
    database = new Database();
    app = application();
    rune = Client.signedIn(app, "rune");
    marit = Client.signedIn(app, "marit");
    assignment = Bollard.assignment(rune, "Mooring bollard");
  }

  private static Application application() {
    return Application.on(
        database, 0, "--fair-edge.limits.faces=" + MOST_FACES, "--fair-edge.limits.file=1MB");
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  private static byte[] obj(String text) {
    return text.getBytes(StandardCharsets.UTF_8);
  }

  /** A strip of n quads, with this in front. */
  private static byte[] strip(int n, String before) {
    StringBuilder out = new StringBuilder(before);
    for (int i = 0; i <= n; i++) {
      out.append("v ").append(i).append(" 0 0\nv ").append(i).append(" 1 0\n");
    }
    for (int i = 0; i < n; i++) {
      int v = 2 * i + 1;
      out.append("f %d %d %d %d\n".formatted(v, v + 2, v + 3, v + 1));
    }
    return obj(out.toString());
  }

  /** How much of a file is kept. */
  private static int parts(String upload) {
    return Integer.parseInt(
        database.value("select count(*) from sent_part where file = '" + upload + "'"));
  }

  private static JsonNode handIn(byte[] file) {
    return rune.handIn(assignment, "x.obj", file, UUID.randomUUID());
  }

  @Test
  void messyFile_isTaken_andWhatIsOddIsSaid() {
    String messy = "v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1\nf 1 2 3\nf 1 1 2 3\nf 1 2 77\nf 1 3 4\n";
    JsonNode upload = handIn(obj(messy));
    assertThat(upload.path("stage").asString()).isEqualTo("done");
    assertThat(upload.path("handedIn").path("reading"))
        .extracting(r -> r.path("line").asInt())
        .containsExactlyInAnyOrder(6, 7);
    String id = upload.path("handedIn").path("id").asString();
    rune.get("/api/submissions/" + id + "/mesh").is(200);
    assertThat(marit.get("/api/submissions/" + id + "/review").is(200).json().path("reading"))
        .hasSize(2);
    assertThat(parts(upload.path("id").asString())).isZero();
  }

  static Stream<Arguments> unreadable() {
    return Stream.of(
        Arguments.of("v 0 0 0\n", 1, "no face"),
        Arguments.of("\0\1\2\3", 1, "the records of an OBJ file"),
        Arguments.of("<html>", 1, "<html>"),
        Arguments.of("f 1 2 3\n", 1, "no readable face"));
  }

  @ParameterizedTest
  @MethodSource("unreadable")
  void unreadableFile_fails_withLineFoundAndExpected(String text, int line, String words) {
    String before = database.value("select count(*) from submission");
    JsonNode problem = handIn(obj(text)).path("problem");
    assertThat(problem.path("line").asInt()).isEqualTo(line);
    assertThat(problem.path("detail").asString()).contains(words);
    assertThat(problem.path("found").asString()).isNotBlank();
    assertThat(problem.path("expected").asString()).isNotBlank();
    assertThat(database.value("select count(*) from submission")).isEqualTo(before);
  }

  @Test
  void fileOverALimit_isRefused_withTheLimit() {
    assertThat(handIn(strip(MOST_FACES, "")).path("stage").asString()).isEqualTo("done");
    JsonNode over = handIn(strip(MOST_FACES + 1, "# a strip\n")).path("problem");
    assertThat(over.path("line").asInt()).isEqualTo(1 + 2 * (MOST_FACES + 2) + MOST_FACES + 1);
    assertThat(over.path("expected").asString()).isEqualTo("at most 5,000 faces");
    Reply large = rune.upload(assignment, "x.obj", new byte[1_200_000], UUID.randomUUID()).is(413);
    assertThat(large.detail()).isEqualTo("This file is over the limit of 1 MB.");
    Reply empty = rune.upload(assignment, "x.obj", new byte[0], UUID.randomUUID()).is(422);
    assertThat(empty.json().path("found").asString()).isEqualTo("an empty file");
    byte[] long5 = obj("{\"a\":\"" + "x".repeat(5_000_000) + "\"}");
    rune.raw("POST", "/api/session", new String(long5, StandardCharsets.UTF_8), true).is(413);
  }

  @Test
  void cancelledUpload_isNoSubmission_andStaysSo() {
    String before = database.value("select count(*) from submission");
    database.run(
        "insert into upload (id, assignment_id, student_id, client_key, file_name, size,"
            + " stage, received_at) select gen_random_uuid(), '"
            + assignment
            + "', a.id, gen_random_uuid(), 'wait.obj', 3, 'waiting', now()"
            + " from account a where a.sign_in = 'rune'");
    String id = database.value("select id from upload where file_name = 'wait.obj'");
    assertThat(rune.get("/api/uploads/" + id).is(200).json().path("stage").asString())
        .isEqualTo("waiting");
    Client.signedIn(app, "ines").delete("/api/uploads/" + id).is(404);
    assertThat(rune.delete("/api/uploads/" + id).is(200).json().path("stage").asString())
        .isEqualTo("cancelled");
    database.run(
        "insert into scheduled_tasks (task_name, task_instance, execution_time, picked, version)"
            + " values ('upload', '"
            + id
            + "', now(), false, 1)");
    database.await("select count(*) from scheduled_tasks where task_instance = '" + id + "'", "0");
    assertThat(rune.delete("/api/uploads/" + id).json().path("stage").asString())
        .isEqualTo("cancelled");
    assertThat(database.value("select count(*) from submission")).isEqualTo(before);
  }

  /** What a node left behind that died after it had received a file. */
  @Test
  void uploadOfADeadNode_isTakenUpByAnother() {
    Map<String, String> kept =
        Map.of("body", new String(strip(3, ""), StandardCharsets.UTF_8).replace("\n", "\\n"));
    database.run(
        "insert into upload (id, assignment_id, student_id, client_key, file_name, size,"
            + " stage, tries, received_at, asks) select gen_random_uuid(), '"
            + assignment
            + "', a.id, gen_random_uuid(), 'left.obj', 3,"
            + " 'inspecting', 1, now() - interval '1 minute', false"
            + " from account a where a.sign_in = 'tobias'");
    String id = database.value("select id from upload where file_name = 'left.obj'");
    database.run(
        "insert into sent_part values ('%s', 0, convert_to(E'%s', 'UTF8'))"
            .formatted(id, kept.get("body")));
    database.run(
        "insert into scheduled_tasks (task_name, task_instance, execution_time, picked, picked_by,"
            + " last_heartbeat, version) values ('upload', '"
            + id
            + "', now() - interval '1 minute', true, 'dead', now() - interval '1 minute', 1)");
    try (Application another = application()) {
      database.await("select stage from upload where id = '" + id + "'", "done");
      Client tobias = Client.signedIn(another, "tobias");
      JsonNode upload = tobias.get("/api/uploads/" + id).is(200).json();
      assertThat(upload.path("handedIn").path("attempt").asInt()).isEqualTo(1);
    }
  }

  @Test
  void uploadThatKilledNodesBefore_isGivenUp() {
    database.run(
        "insert into upload (id, assignment_id, student_id, client_key, file_name, size,"
            + " stage, tries, received_at) select gen_random_uuid(), '"
            + assignment
            + "', a.id, gen_random_uuid(), 'heavy.obj', 3, 'reading', 3, now()"
            + " from account a where a.sign_in = 'ines'");
    String id = database.value("select id from upload where file_name = 'heavy.obj'");
    database.run(
        "insert into scheduled_tasks (task_name, task_instance, execution_time, picked, version)"
            + " values ('upload', '"
            + id
            + "', now(), false, 1)");
    database.run("insert into sent_part values ('%1$s', 0, 'ab'), ('%1$s', 1, 'c')".formatted(id));
    database.await("select stage from upload where id = '" + id + "'", "failed");
    Client ines = Client.signedIn(app, "ines");
    JsonNode failed = ines.get("/api/uploads/" + id).json();
    assertThat(failed.path("problem").path("detail").asString())
        .contains("too much for the server");
    assertThat(failed.path("kept").asBoolean()).isTrue();
    String file = "/api/uploads/" + id + "/file";
    assertThat(ines.get(file).is(200).text()).isEqualTo("abc");
    assertThat(marit.get(file).is(200).text()).isEqualTo("abc");
    rune.get(file).is(404);
  }

  private static byte[] objOf(Mesh mesh) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      MeshFormat.OBJ.write(mesh, out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private static JsonNode sent(Client student, byte[] file) {
    String path = "/api/assignments/" + assignment + "/uploads";
    return student
        .sendFile(path, Map.of("clientKey", UUID.randomUUID()), "bollard.obj", file)
        .is(202)
        .json();
  }

  private static JsonNode waited(Client student, String id, String stage) {
    database.await("select stage from upload where id = '" + id + "'", stage);
    return student.get("/api/uploads/" + id).is(200).json();
  }

  @Test
  void fileAsLargeAsTheStarter_isNotAskedAbout() {
    Client solveig = Client.signedIn(app, "solveig");
    String id = sent(solveig, objOf(HarbourProps.mooringBollard())).path("id").asString();
    assertThat(waited(solveig, id, "done").path("handedIn").path("reading")).isEmpty();
  }

  @Test
  void fileOfAnotherSize_waitsUntilItIsSaid_howItIsMeant() {
    Client bastian = Client.signedIn(app, "bastian");
    Mesh starter = HarbourProps.mooringBollard();
    // In centimetres, with Y upwards.
    byte[] file = objOf(starter.moved(p -> new Vec3(p.x(), p.z(), -p.y()).times(0.1)));
    String id = sent(bastian, file).path("id").asString();
    JsonNode question = waited(bastian, id, "asking").path("question");
    assertThat(question.path("unit").asString()).isEqualTo("mm");
    JsonNode guess = question.path("choices").get(question.path("guess").asInt());
    assertThat(guess.path("unit").asString()).isEqualTo("cm");
    assertThat(guess.path("up").asString()).isEqualTo("y");
    assertThat(guess.path("size").path("z").asDouble())
        .isCloseTo(question.path("starter").path("z").asDouble(), within(1e-6));
    assertThat(question.path("choices")).hasSize(8);
    String path = "/api/uploads/" + id + "/meant";
    bastian.put(path, Map.of("unit", "furlong", "up", "z")).is(400);
    Client.signedIn(app, "ines").put(path, Map.of("unit", "cm", "up", "y")).is(404);
    bastian.put(path, Map.of("unit", "cm", "up", "y")).is(200);
    JsonNode handedIn = waited(bastian, id, "done").path("handedIn");
    assertThat(handedIn.path("reading").get(0).path("text").asString())
        .isEqualTo("Its lengths were taken as cm, and its Y axis as pointing upwards.");
    // What was kept lies where the starter lies.
    JsonNode check =
        marit
            .get("/api/submissions/" + handedIn.path("id").asString() + "/review")
            .is(200)
            .json()
            .path("check");
    assertThat(check.path("must").asInt()).isZero();
    // Once through it is through.
    assertThat(bastian.put(path, Map.of("unit", "m", "up", "z")).is(200).json().path("stage"))
        .hasToString("\"done\"");
  }

  @Test
  void fileThatWaitsForAnAnswer_isGivenUpForAnother_orCancelled() {
    Client amara = Client.signedIn(app, "amara");
    String first = sent(amara, strip(3, "")).path("id").asString();
    waited(amara, first, "asking");
    String second = sent(amara, strip(4, "")).path("id").asString();
    waited(amara, second, "asking");
    assertThat(amara.get("/api/uploads/" + first).json().path("stage").asString())
        .isEqualTo("cancelled");
    amara.delete("/api/uploads/" + second).is(200);
    assertThat(parts(second)).isZero();
  }
}
