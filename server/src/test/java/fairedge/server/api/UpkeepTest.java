package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairedge.server.platform.Cleaning;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** What a school needs of it over the years. */
class UpkeepTest {
  @Test
  void databaseOfANewerFairEdge_isLeftAlone() {
    try (Database database = new Database()) {
      Application.on(database).close();
      database.run(
          "insert into flyway_schema_history (installed_rank, version, description, type, script,"
              + " installed_by, execution_time, success) values (900, '900', 'later', 'SQL',"
              + " 'V900__later.sql', 'later', 1, true)");
      String before = database.value("select count(*) from flyway_schema_history");
      assertThatThrownBy(() -> Application.on(database).close())
          .hasStackTraceContaining("This database was last used by a newer Fair Edge");
      assertThat(database.value("select count(*) from flyway_schema_history")).isEqualTo(before);
    }
  }

  /** A practice piece with a step cut on it. */
  private static String practised(Client student) {
    Map<String, Object> begin =
        Map.of("form", "cleat", "profile", "All quads", "clientKey", UUID.randomUUID());
    String id = student.post("/api/practice", begin).is(201).json().path("id").asString();
    JsonNode open = student.put("/api/practice/" + id + "/workpiece", Map.of()).is(200).json();
    Map<String, Object> split = Map.of("tool", "split", "edges", List.of(0), "t", 0.5);
    student
        .post("/api/workpieces/" + open.path("id").asString() + "/steps", Bollard.step(0, split))
        .is(200);
    return id;
  }

  @Test
  void whatHasHadItsLife_goes_andNothingElse() {
    try (Database database = new Database();
        Application app = Application.on(database)) {
      Client rune = Client.signedIn(app, "rune");
      JsonNode open = Bollard.open(rune, "Mooring bollard");
      String workpiece = open.path("id").asString();
      String path = "/api/workpieces/" + workpiece;
      for (int i = 0; i < 7; i++) {
        rune.post(path + "/steps", Bollard.step(i, Bollard.waistLoop(0.5))).is(200);
      }
      byte[] mesh = rune.get(path + "/mesh").bytes();
      database.run(
          "insert into snapshot (step_id, mesh, remark) select s.id, e.starter, case s.number when"
              + " 1 then 'lost' end from step s, exercise e where s.workpiece_id = '%s' and e.title ="
                  .formatted(workpiece)
              + " 'Mooring bollard' and s.number < 7");
      database.run(
          "insert into upload (id, assignment_id, student_id, client_key, file_name, size, stage,"
              + " problem, received_at) select gen_random_uuid(), e.id, a.id, gen_random_uuid(),"
              + " days || ' days', 3, 'failed', '{}', now() - days * interval '1 day' from account"
              + " a, assignment e join exercise x on x.id = e.exercise_id, unnest(array[1, 40,"
              + " 100]) as days where a.sign_in = 'rune' and x.title = 'Mooring bollard'");
      database.run("insert into sent_part select id, 0, 'abc' from upload where stage = 'failed'");
      List<String> pieces = List.of(practised(rune), practised(rune), practised(rune));
      for (int i = 1; i < 3; i++) {
        rune.put("/api/practice/" + pieces.get(i) + "/kept", Map.of("inSight", false)).is(200);
      }
      database.run(
          "update practice set put_away_at = now() - interval '100 days' where id = '%s'"
              .formatted(pieces.get(2)));
      for (String bean : List.of("oldFiles", "oldSnapshots", "oldDevices", "oldPractice")) {
        app.bean(bean, Cleaning.class).clean(Instant.now());
      }
      assertThat(
              database.rows(
                  "select file_name, not exists (select from sent_part where file = id) from upload"
                      + " order by received_at"))
          .extracting(row -> row.getFirst() + " " + row.getLast())
          .containsExactly("40 days t", "1 days f");
      assertThat(
              database.rows(
                  "select s.number from snapshot n join step s on s.id = n.step_id order by 1"))
          .extracting(row -> row.getFirst())
          .containsExactly("1", "3", "4", "5", "6");
      assertThat(rune.get(path + "/mesh").bytes()).isEqualTo(mesh);
      for (String kept : pieces.subList(0, 2)) {
        JsonNode again = rune.put("/api/practice/" + kept + "/workpiece", Map.of()).is(200).json();
        assertThat(again.path("steps")).hasSize(1);
      }
      rune.put("/api/practice/" + pieces.get(2) + "/workpiece", Map.of()).is(404);
      assertThat(database.value("select count(*) from workpiece where practice_id is not null"))
          .isEqualTo("2");
      assertThat(database.value("select count(*) from device")).isNotEqualTo("0");
    }
  }
}
