package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.format.MeshFormat;
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
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Hand-ins of a class that an instructor brings at once. */
class BundleApiTest {
  private static Database database;
  private static Application app;
  private static Client marit;
  private static Client ines;
  private static String assignment;

  @BeforeAll
  static void start() {
    database = new Database();
    app = Application.on(database);
    marit = Client.signedIn(app, "marit");
    ines = Client.signedIn(app, "ines");
    assignment = Bollard.assignment(ines, "Mooring bollard");
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  private static byte[] obj(Mesh mesh) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try {
      MeshFormat.OBJ.write(mesh, out);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private static byte[] zip(Map<String, byte[]> files) {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      for (Map.Entry<String, byte[]> file : files.entrySet()) {
        zip.putNextEntry(new ZipEntry(file.getKey()));
        zip.write(file.getValue());
      }
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }

  private static Reply bring(UUID key, List<Map.Entry<String, byte[]>> files) {
    return marit.sendFiles(
        "/api/assignments/" + assignment + "/bundles", Map.of("clientKey", key), files);
  }

  private static JsonNode entry(JsonNode bundle, String path) {
    for (JsonNode entry : bundle.path("entries")) {
      if (entry.path("path").asString().equals(path)) {
        return entry;
      }
    }
    throw new AssertionError("no " + path + " in " + bundle);
  }

  private static String student(JsonNode bundle, String name) {
    for (JsonNode student : bundle.path("students")) {
      if (student.path("name").asString().startsWith(name)) {
        return student.path("id").asString();
      }
    }
    throw new AssertionError(name);
  }

  private static JsonNode settled(String id) {
    long patience = System.nanoTime() + 60_000_000_000L;
    while (true) {
      JsonNode bundle = marit.get("/api/bundles/" + id).is(200).json();
      boolean isSettled = true;
      for (JsonNode entry : bundle.path("entries")) {
        isSettled &= List.of("done", "failed", "").contains(entry.path("stage").asString(""));
      }
      if (isSettled) {
        return bundle;
      }
      assertThat(System.nanoTime()).as("%s", bundle).isLessThan(patience);
      try {
        Thread.sleep(50);
      } catch (InterruptedException e) {
        throw new IllegalStateException(e);
      }
    }
  }

  @Test
  void zipOfAClass_isMatched_putRight_andHandedIn() {
    byte[] bollard = obj(HarbourProps.mooringBollard());
    // In metres: nobody is there to be asked, so the likeliest is taken.
    byte[] inMetres = obj(HarbourProps.mooringBollard().moved(p -> p.times(0.001)));
    UUID key = UUID.randomUUID();
    List<Map.Entry<String, byte[]>> files =
        List.of(
            Map.entry(
                "harbour.zip",
                zip(
                    Map.of(
                        "ines/bollard.obj", bollard,
                        "Tobias Achterberg.obj", inMetres,
                        "nameless.obj", bollard,
                        "solveig.obj", "no mesh".getBytes(StandardCharsets.UTF_8)))));
    JsonNode bundle = bring(key, files).is(201).json();
    String id = bundle.path("id").asString();
    assertThat(bring(key, files).is(201).json().path("id").asString()).isEqualTo(id);
    assertThat(entry(bundle, "ines/bollard.obj").path("student").asString())
        .isEqualTo(student(bundle, "Ines"));
    assertThat(entry(bundle, "nameless.obj").path("student").isNull()).isTrue();
    assertThat(entry(bundle, "nameless.obj").path("doubt").asString()).contains("nobody");
    assertThat(entry(bundle, "ines/bollard.obj").path("stage").isNull()).isTrue();

    Map<String, String> students =
        Map.of(
            entry(bundle, "ines/bollard.obj").path("number").asString(),
            student(bundle, "Ines"),
            entry(bundle, "Tobias Achterberg.obj").path("number").asString(),
            student(bundle, "Tobias"),
            entry(bundle, "nameless.obj").path("number").asString(),
            student(bundle, "Amara"),
            entry(bundle, "solveig.obj").path("number").asString(),
            student(bundle, "Solveig"));
    String path = "/api/bundles/" + id + "/submissions";
    marit.post(path, Map.of("students", Map.of("0", UUID.randomUUID()))).is(404);
    String before = database.value("select count(*) from submission");
    marit.post(path, Map.of("students", students)).is(202);
    JsonNode done = settled(id);
    assertThat(entry(done, "solveig.obj").path("problem").path("detail").asString()).isNotBlank();
    for (String handedIn : List.of("ines/bollard.obj", "Tobias Achterberg.obj", "nameless.obj")) {
      String submission = entry(done, handedIn).path("submission").asString();
      JsonNode review = marit.get("/api/submissions/" + submission + "/review").is(200).json();
      assertThat(review.path("check").path("must").asInt()).as(handedIn).isZero();
    }
    assertThat(text(marit.get("/api/desk"))).contains("Amara");
    assertThat(text(ines.get("/api/my-work"))).contains("waiting");
    // Once handed in it stays so.
    marit.post(path, Map.of("students", students)).is(202);
    assertThat(Integer.parseInt(database.value("select count(*) from submission")))
        .isEqualTo(Integer.parseInt(before) + 3);
    assertThat(
            database.value(
                "select count(*) from sent_part p join bundled b on b.file = p.file where"
                    + " b.bundle_id = '%s'".formatted(id)))
        .isEqualTo("0");
  }

  @Test
  void folder_comesAsItsFiles_andASecondOfOneStudent_isInDoubt() {
    byte[] bollard = obj(HarbourProps.mooringBollard());
    JsonNode bundle =
        bring(
                UUID.randomUUID(),
                List.of(
                    Map.entry("hand-ins/Rune Osterholm/first.obj", bollard),
                    Map.entry("hand-ins/Rune Osterholm/second.obj", bollard)))
            .is(201)
            .json();
    assertThat(entry(bundle, "hand-ins/Rune Osterholm/first.obj").path("student").asString())
        .isEqualTo(student(bundle, "Rune"));
    assertThat(entry(bundle, "hand-ins/Rune Osterholm/second.obj").path("doubt").asString())
        .isEqualTo("Another file is by Rune Osterholm already.");
  }

  @Test
  void whatIsNoBundle_isRefused_andKeepsNothing() {
    String before = database.value("select count(*) from bundle");
    Map.Entry<String, byte[]> outside =
        Map.entry("a.zip", zip(Map.of("../../etc/passwd", new byte[10])));
    Reply refused = bring(UUID.randomUUID(), List.of(outside)).is(422);
    assertThat(refused.json().path("found").asString()).isEqualTo("../../etc/passwd");
    bring(UUID.randomUUID(), List.of(Map.entry("empty.zip", zip(Map.of("x/", new byte[0])))))
        .is(422);
    assertThat(database.value("select count(*) from bundle")).isEqualTo(before);
  }

  private static String text(Reply reply) {
    return new String(reply.bytes(), StandardCharsets.UTF_8);
  }
}
