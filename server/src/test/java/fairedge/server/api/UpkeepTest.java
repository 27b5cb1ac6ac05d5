package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairedge.server.platform.Cleaning;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import java.time.Instant;
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
          "insert into upload (id, exercise_id, student_id, client_key, file_name, size, bytes,"
              + " stage, problem, received_at) select gen_random_uuid(), e.id, a.id,"
              + " gen_random_uuid(), days || ' days', 3, 'abc', 'failed', '{}', now() - days *"
              + " interval '1 day' from account a, exercise e, unnest(array[1, 40, 100]) as days"
              + " where a.sign_in = 'rune' and e.title = 'Mooring bollard'");
      for (String bean : new String[] {"oldFiles", "oldSnapshots", "oldDevices"}) {
        app.bean(bean, Cleaning.class).clean(Instant.now());
      }
      assertThat(database.rows("select file_name, bytes is null from upload order by received_at"))
          .extracting(row -> row.getFirst() + " " + row.getLast())
          .containsExactly("40 days t", "1 days f");
      assertThat(
              database.rows(
                  "select s.number from snapshot n join step s on s.id = n.step_id order by 1"))
          .extracting(row -> row.getFirst())
          .containsExactly("1", "3", "4", "5", "6");
      assertThat(rune.get(path + "/mesh").bytes()).isEqualTo(mesh);
      assertThat(database.value("select count(*) from device")).isNotEqualTo("0");
    }
  }
}
