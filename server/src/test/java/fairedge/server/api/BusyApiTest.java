package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import com.zaxxer.hikari.HikariDataSource;
import fairedge.core.HostileFiles;
import fairedge.server.platform.Turns;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.CountDownLatch;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.AfterAll;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import tools.jackson.databind.JsonNode;

/** While all that works on meshes is held, whatever does not need it answers. */
@Timeout(value = 2, unit = TimeUnit.MINUTES)
class BusyApiTest {
  private static Database database;
  private static Application app;

  @BeforeAll
  static void start() {
    database = new Database();
    app =
        Application.on(
            database,
            0,
            "--fair-edge.jobs.quick=2s",
            "--fair-edge.jobs.longest=4s",
            "--fair-edge.limits.preview=20ms");
  }

  @AfterAll
  static void stop() {
    app.close();
    database.close();
  }

  private static void await(CountDownLatch latch) {
    try {
      latch.await();
    } catch (InterruptedException e) {
      Thread.currentThread().interrupt();
    }
  }

  private static byte[] sheet(int n) {
    StringBuilder obj = new StringBuilder();
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
    return obj.toString().getBytes(StandardCharsets.UTF_8);
  }

  private static JsonNode practice(Client client, byte[] file) {
    Map<String, Object> fields =
        Map.of("unit", "mm", "profile", "All quads", "clientKey", UUID.randomUUID());
    return client.sendFile("/api/practice/files", fields, "sheet.obj", file).is(201).json();
  }

  @Test
  void largeWorkThatWaits_holdsNoConnection_andStopsNobodyElse() throws Exception {
    Client rune = Client.signedIn(app, "rune");
    JsonNode open = Bollard.open(rune, "Mooring bollard");
    byte[] file = sheet(150);
    List<String> pieces = new ArrayList<>();
    for (int i = 0; i < 14; i++) {
      pieces.add(practice(rune, file).path("id").asString());
    }
    CountDownLatch end = new CountDownLatch(1);
    Turns turns = app.bean(Turns.class);
    int all = Runtime.getRuntime().availableProcessors();
    CountDownLatch held = new CountDownLatch(Math.max(1, all / 2));
    for (int i = 0; i < all; i++) {
      turns.later(() -> {
        held.countDown();
        await(end);
      });
    }
    held.await();
    try (ExecutorService threads = Executors.newVirtualThreadPerTaskExecutor();
        AutoCloseable jobs = database.hold("lock table upload in access exclusive mode")) {
      List<Future<Integer>> opened = new ArrayList<>();
      for (String piece : pieces) {
        opened.add(
            threads.submit(
                () -> rune.put("/api/practice/" + piece + "/workpiece", Map.of()).status()));
      }
      // Both threads of the jobs wait for a table.
      for (String sign : List.of("ines", "tobias")) {
        database.run(
            "insert into scheduled_tasks (task_name, task_instance, execution_time, picked,"
                + " version) values ('upload', '"
                + UUID.randomUUID()
                + "', now(), false, 1)");
      }
      String waiting =
          "select count(*) from pg_stat_activity where datname = current_database() and"
              + " wait_event_type = 'Lock'";
      while (!database.value(waiting).equals("2")) {
        Thread.sleep(20);
      }
      HikariDataSource connections = app.bean(HikariDataSource.class);
      for (int i = 0; i < 5; i++) {
        Client marit = Client.signedIn(app, "marit");
        marit.get("/api/desk").is(200);
        Client ines = Client.signedIn(app, "ines");
        JsonNode hers = Bollard.open(ines, "Mooring bollard");
        String path = "/api/workpieces/" + hers.path("id").asString();
        ines.post(path + "/steps", Bollard.step(2L * i, Bollard.waistLoop(0.5))).is(200);
        ines.post(path + "/undo", Bollard.move(2L * i + 1)).is(200);
      }
      boolean noneOpened = opened.stream().noneMatch(Future::isDone);
      int active = connections.getHikariPoolMXBean().getActiveConnections();
      // What fails from here on shall not be waited for.
      end.countDown();
      assertThat(noneOpened).isTrue();
      assertThat(active).as("the jobs, and nothing that waits for its turn").isBetween(2, 4);
      for (Future<Integer> one : opened) {
        assertThat(one.get()).isEqualTo(200);
      }
    }
    rune.get("/api/workpieces/" + open.path("id").asString()).is(200);
  }

  @Test
  void previewThatIsTooDear_saysSo_andLeavesTheWorkpiece() {
    Client solveig = Client.signedIn(app, "solveig");
    String piece = practice(solveig, sheet(140)).path("id").asString();
    JsonNode open = solveig.put("/api/practice/" + piece + "/workpiece", Map.of()).is(200).json();
    Map<String, Object> above =
        Map.of("kind", "perspective", "eye", Map.of("x", 70, "y", 70, "z", 900));
    List<Map<String, Object>> points = new ArrayList<>();
    for (int i = 0; i < 1990; i++) {
      double turn = 0.17 * i;
      points.add(Map.of("x", 70 + 60 * Math.sin(3 * turn), "y", 70 + 60 * Math.sin(4.1 * turn)));
    }
    Map<String, Object> outline =
        Map.of(
            "tool",
            "outline",
            "shape",
            Map.of("form", "lines", "paths", List.of(Map.of("points", points, "closed", false))),
            "placement",
            Map.of(
                "centre",
                Map.of("x", 0, "y", 0, "z", 0),
                "right",
                Map.of("x", 1, "y", 0, "z", 0),
                "up",
                Map.of("x", 0, "y", 1, "z", 0),
                "view",
                above));
    String path = "/api/workpieces/" + open.path("id").asString();
    Map<String, Object> asked =
        Map.of("revision", 0, "change", outline, "view", Bollard.VIEW, "findings", true);
    assertThat(solveig.post(path + "/previews", asked).is(422).detail())
        .startsWith("This takes too long to be shown beforehand");
    JsonNode after = solveig.get(path).is(200).json();
    assertThat(after).isEqualTo(open);
  }

  /** Two of them held all that was handed in after them for good. */
  @Test
  void filesThatAreTooDear_areOvertaken_endWithWords_andAreKept() {
    Client tobias = Client.signedIn(app, "tobias");
    Client amara = Client.signedIn(app, "amara");
    String assignment = Bollard.assignment(tobias, "Mooring bollard");
    byte[] dear = HostileFiles.dear();
    List<String> ids = new ArrayList<>();
    for (int i = 0; i < 3; i++) {
      ids.add(
          tobias
              .upload(assignment, "dear.obj", dear, UUID.randomUUID())
              .is(202)
              .json()
              .path("id")
              .asString());
    }
    JsonNode small = amara.handIn(assignment, "small.obj", sheet(3), UUID.randomUUID());
    assertThat(small.path("stage").asString()).isEqualTo("done");
    String last = ids.removeLast();
    assertThat(tobias.delete("/api/uploads/" + last).is(200).json().path("stage").asString())
        .isEqualTo("cancelled");
    for (String id : ids) {
      JsonNode upload = tobias.awaitOver(id);
      assertThat(upload.path("stage").asString()).isIn("done", "failed");
      if (upload.path("stage").asString().equals("failed")) {
        assertThat(upload.path("problem").path("detail").asString()).contains("took longer than");
        assertThat(
                database.value(
                    "select sum(length(bytes)) from sent_part where file = '" + id + "'"))
            .isEqualTo(Integer.toString(dear.length));
      }
    }
  }
}
