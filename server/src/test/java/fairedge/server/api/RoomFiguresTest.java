package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.course.Role;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Line;
import fairedge.server.running.Database;
import fairedge.server.running.School;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.UUID;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.CopyOnWriteArrayList;
import java.util.concurrent.ExecutorService;
import java.util.concurrent.Executors;
import java.util.concurrent.Future;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/**
 * Students who make a step a second each, with the room shut and with the room open: the last step
 * of each is told. How long steps and their news take is printed; with {@code
 * -Dfair-edge.room-students=30 -Dfair-edge.room-seconds=20} the figures of docs/benchmarks.md.
 */
class RoomFiguresTest {
  private static final int STUDENTS = Integer.getInteger("fair-edge.room-students", 4);
  private static final int SECONDS = Integer.getInteger("fair-edge.room-seconds", 2);

  private record Bench(Client student, String workpiece) {}

  @Test
  void theLastStepOfEach_isToldToWhoeverLooksOn() throws Exception {
    try (Database database = new Database();
        Application app = Application.on(database)) {
      School school = new School(app);
      UUID course =
          UUID.fromString(database.value("select id from course where name = 'Harbour Props'"));
      List<Bench> benches = new ArrayList<>();
      for (int i = 0; i < STUDENTS; i++) {
        school.enrol(course, school.person("hand" + i, "Hand " + i), Role.STUDENT);
        Client student = Client.signedIn(app, "hand" + i);
        benches.add(new Bench(student, Bollard.open(student, "Hatch lid").path("id").asString()));
      }
      List<Line> lines = new ArrayList<>();
      for (Bench bench : benches) {
        lines.add(bench.student().line("/api/workpieces/" + bench.workpiece() + "/live", null));
      }
      double[] shut = steps(benches, 0, new ConcurrentHashMap<>());
      Client marit = Client.signedIn(app, "marit");
      Map<String, Long> sent = new ConcurrentHashMap<>();
      List<Double> news = new CopyOnWriteArrayList<>();
      try (Line room = marit.line("/api/classes/" + course + "/room/live", null)) {
        database.await("select count(*) from room_watch", "1");
        Thread hearing =
            Thread.startVirtualThread(() -> {
              int left = STUDENTS;
              while (left > 0) {
                JsonNode told = room.next("bench").json();
                String key =
                    told.path("workpiece").asString() + " " + told.path("revision").asLong();
                Long at = sent.get(key);
                if (at != null) {
                  news.add((System.nanoTime() - at) / 1e6);
                }
                left -= told.path("revision").asLong() == 2L * SECONDS ? 1 : 0;
              }
            });
        double[] open = steps(benches, SECONDS, sent);
        hearing.join();
        double[] heard = news.stream().mapToDouble(d -> d).sorted().toArray();
        System.out.printf(
            Locale.ROOT,
            "room of %d: a step %.1f ms, 95 %% %.1f ms; with the room open %.1f ms, 95 %% %.1f ms;"
                + " told after %.1f ms, 95 %% %.1f ms (%d of %d)%n",
            STUDENTS,
            at(shut, 0.5),
            at(shut, 0.95),
            at(open, 0.5),
            at(open, 0.95),
            at(heard, 0.5),
            at(heard, 0.95),
            heard.length,
            STUDENTS * SECONDS);
        assertThat(heard.length).isPositive().isLessThanOrEqualTo(STUDENTS * SECONDS);
      }
      lines.forEach(Line::close);
    }
  }

  private static double at(double[] sorted, double share) {
    return sorted[(int) Math.min(sorted.length - 1, Math.floor(share * sorted.length))];
  }

  /** A step a second of each, begun evenly over the second; how long each took, sorted. */
  private static double[] steps(List<Bench> benches, int from, Map<String, Long> sent)
      throws Exception {
    List<Future<List<Double>>> all = new ArrayList<>();
    try (ExecutorService hands = Executors.newVirtualThreadPerTaskExecutor()) {
      for (int i = 0; i < benches.size(); i++) {
        Bench bench = benches.get(i);
        long wait = 1000L * i / benches.size();
        all.add(hands.submit(() -> hand(bench, from, wait, sent)));
      }
      List<Double> took = new ArrayList<>();
      for (Future<List<Double>> one : all) {
        took.addAll(one.get(5, TimeUnit.MINUTES));
      }
      double[] sorted = took.stream().mapToDouble(d -> d).toArray();
      Arrays.sort(sorted);
      return sorted;
    }
  }

  private static List<Double> hand(Bench bench, int from, long wait, Map<String, Long> sent)
      throws InterruptedException {
    List<Double> took = new ArrayList<>();
    Thread.sleep(wait);
    for (int i = from; i < from + SECONDS; i++) {
      long begun = System.nanoTime();
      double by = i % 2 == 0 ? 1 : -1;
      Map<String, Object> move =
          Map.of(
              "tool",
              "move",
              "vertices",
              List.of(16),
              "motion",
              Map.of(
                  "by", Map.of("x", 0, "y", 0, "z", by),
                  "along", 0,
                  "axis", Map.of("x", 0, "y", 0, "z", 1),
                  "degrees", 0,
                  "scale", Map.of("x", 1, "y", 1, "z", 1)));
      sent.put(bench.workpiece() + " " + (i + 1), begun);
      bench
          .student()
          .post("/api/workpieces/" + bench.workpiece() + "/steps", Bollard.step(i, move))
          .is(200);
      took.add((System.nanoTime() - begun) / 1e6);
      long rest = 1000 - (System.nanoTime() - begun) / 1_000_000;
      Thread.sleep(Math.max(0, rest));
    }
    return took;
  }
}
