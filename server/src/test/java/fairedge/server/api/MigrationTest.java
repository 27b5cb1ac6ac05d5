package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.running.Application;
import fairedge.server.running.Database;
import java.util.Arrays;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Databases of earlier versions, with work in them. */
class MigrationTest {
  private static final String FINDINGS =
      """
      [{"kind": "ngon", "severity": "should", "title": "5 sides, flat", "place": {"x": 1, "y": 2, "z": 3}},
       {"kind": "border", "severity": "must", "title": "Open border of 4 edges", "place": {"x": 4, "y": 5, "z": 6}},
       {"kind": "ngon", "severity": "should", "title": "6 sides, flat", "place": {"x": 7, "y": 8, "z": 9}}]
      """;
  private static final String UNLISTED =
      """
      [{"kind": "ngon", "family": "Sides", "severity": "should", "count": 40},
       {"kind": "sliver", "family": "Surface", "severity": "remark", "count": 7}]
      """;

  /** A report as it was kept before lists had a summary of it. */
  @Test
  void reportsOfBefore_getTheSummaryThatListsRead() {
    try (Database database = Database.empty()) {
      database.migrateTo("10");
      String nobody = "00000000-0000-0000-0000-000000000001";
      database.run(
          """
          insert into account values ('%1$s', 'old', 'Old Hand', 'x');
          insert into course values ('%1$s', 'Of before');
          insert into mesh_content values (decode(repeat('00', 32), 'hex'), '', 0, 0, 0);
          insert into exercise (id, course_id, place, title, summary, brief, unit, starter, scale, profile)
            values ('%1$s', '%1$s', 1, 'Of before', '', '', 'mm', decode(repeat('00', 32), 'hex'), 1,
              'All quads');
          insert into submission (id, exercise_id, student_id, attempt, source, file_name, mesh,
              client_key, handed_in_at)
            values ('%1$s', '%1$s', '%1$s', 1, 'file', 'a.obj', decode(repeat('00', 32), 'hex'),
              '%1$s', now());
          insert into submission_report (submission_id, figures, findings, reading, unlisted)
            values ('%1$s', '{}', '%2$s', '[]', '%3$s');
          """
              .formatted(nobody, FINDINGS, UNLISTED));
      Application.on(database).close();
      assertThat(
              database.rows("select kind, severity, count, x, y, z from report_kind order by kind"))
          .containsExactly(
              List.of("border", "must", "1", "4", "5", "6"),
              List.of("ngon", "should", "42", "1", "2", "3"),
              Arrays.asList("sliver", "remark", "7", null, null, null));
      assertThat(
              database.rows(
                  "select m ->> 'title' from submission_report,"
                      + " jsonb_array_elements(worst) with ordinality as w (m, at) order by at"))
          .containsExactly(
              List.of("Open border of 4 edges"),
              List.of("5 sides, flat"),
              List.of("6 sides, flat"));
    }
  }
}
