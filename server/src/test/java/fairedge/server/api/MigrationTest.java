package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.account.Accounts;
import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Database;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.junit.jupiter.api.Test;
import tools.jackson.databind.JsonNode;

/** Databases of earlier versions, with work in them. */
class MigrationTest {
  private static final int LAST = 15;

  private static final String FINDINGS =
      """
      [{"kind": "ngon", "key": "k", "elements": [{"kind": "face", "id": 4, "ends": null}], "severity": "should", "title": "5 sides, flat", "place": {"x": 1, "y": 2, "z": 3}},
       {"kind": "border", "elements": [], "severity": "must", "title": "Open border of 4 edges", "place": {"x": 4, "y": 5, "z": 6}},
       {"kind": "ngon", "elements": [], "severity": "should", "title": "6 sides, flat", "place": {"x": 7, "y": 8, "z": 9}}]
      """;
  private static final String UNLISTED =
      """
      [{"kind": "ngon", "family": "Sides", "severity": "should", "count": 40},
       {"kind": "sliver", "family": "Surface", "severity": "remark", "count": 7}]
      """;

  /**
   * A class of before, with work in it: an answer that is out, one that waits, a practice piece.
   */
  @Test
  void exercisesOfBefore_areSetOnce_andWhatWasDoneHangsOnThat() {
    try (Database database = Database.empty()) {
      database.migrateTo("11");
      database.run(
          """
          insert into account values
            ('00000000-0000-0000-0000-00000000000a', 'teacher', 'Old Teacher', 'x'),
            ('00000000-0000-0000-0000-00000000000b', 'student', 'Old Student', 'x');
          insert into course values ('00000000-0000-0000-0000-00000000000c', 'Of before');
          insert into membership values
            ('00000000-0000-0000-0000-00000000000c', '00000000-0000-0000-0000-00000000000a', 'instructor'),
            ('00000000-0000-0000-0000-00000000000c', '00000000-0000-0000-0000-00000000000b', 'student');
          insert into mesh_content values (decode(repeat('00', 32), 'hex'), '', 0, 0, 0);
          insert into exercise (id, course_id, place, title, summary, brief, unit, starter, scale, profile,
              terms_revision, wanted, due_at)
            values ('00000000-0000-0000-0000-00000000000e', '00000000-0000-0000-0000-00000000000c', 3,
              'Of before', 'short', 'long', 'mm', decode(repeat('00', 32), 'hex'), 1, 'All quads', 2,
              '{"parts": 2}', '2026-12-01 17:00Z');
          insert into practice (id, account_id, client_key, title, unit, starter, scale, profile, picture,
              begun_at)
            values ('00000000-0000-0000-0000-00000000000f', '00000000-0000-0000-0000-00000000000b',
              gen_random_uuid(), 'Piece', 'mm', decode(repeat('00', 32), 'hex'), 1, 'All quads', '', now());
          insert into workpiece (id, exercise_id, practice_id, student_id, opened_at) values
            ('00000000-0000-0000-0000-000000000001', '00000000-0000-0000-0000-00000000000e', null,
              '00000000-0000-0000-0000-00000000000b', now()),
            ('00000000-0000-0000-0000-000000000002', null, '00000000-0000-0000-0000-00000000000f',
              '00000000-0000-0000-0000-00000000000b', now());
          insert into submission (id, exercise_id, student_id, attempt, source, mesh, client_key, handed_in_at)
            select ('00000000-0000-0000-0000-00000000001' || n)::uuid,
                '00000000-0000-0000-0000-00000000000e', '00000000-0000-0000-0000-00000000000b', n, 'bench',
                decode(repeat('00', 32), 'hex'), gen_random_uuid(), now()
              from generate_series(1, 2) n;
          insert into submission_report (submission_id, figures, findings, reading, terms_revision)
            select id, '{}', '%s', '[]', 3 - attempt from submission;
          insert into report_kind (submission_id, kind, severity, count)
            select id, 'ngon', 'must', 1 from submission;
          insert into submission_picture (submission_id, size, png, terms_revision)
            select id, 'row', '', 3 - attempt from submission;
          insert into answer (submission_id, word, verdict, returned_at, returned_by)
            values ('00000000-0000-0000-0000-000000000011', 'Go on.', 'try-again', '2026-11-01 12:00Z',
              '00000000-0000-0000-0000-00000000000a');
          insert into note (id, submission_id, number, text, finding, element_kind, element_id, place, camera)
            values (gen_random_uuid(), '00000000-0000-0000-0000-000000000011', 1, 'Here.', 0, 'face', 4,
              '{"x": 1, "y": 2, "z": 3}',
              '{"eye": {"x": 9, "y": 9, "z": 9}, "target": {"x": 0, "y": 0, "z": 0}}');
          """
              .formatted(FINDINGS));
      try (Application app = Application.on(database)) {
        assertThat(
                database.rows(
                    "select a.id = e.id, a.place, e.owner_id, e.version, v.brief, v.wanted,"
                        + " v.profile from assignment a join exercise e on e.id = a.exercise_id"
                        + " join exercise_version v on v.exercise_id = e.id"))
            .containsExactly(
                List.of(
                    "t",
                    "3",
                    "00000000-0000-0000-0000-00000000000a",
                    "2",
                    "long",
                    "{\"parts\": 2}",
                    "All quads"));
        assertThat(
                database.rows(
                    "select owner_type, owner_id, assignment_id, practice_id from workpiece order"
                        + " by owner_type"))
            .containsExactly(
                Arrays.asList(
                    "assignment",
                    "00000000-0000-0000-0000-00000000000e",
                    "00000000-0000-0000-0000-00000000000e",
                    null),
                Arrays.asList(
                    "practice",
                    "00000000-0000-0000-0000-00000000000f",
                    null,
                    "00000000-0000-0000-0000-00000000000f"));
        assertThat(
                database.rows(
                    "select attempt, report_version, quoted_version, answered_at is null from"
                        + " submission order by attempt"))
            .containsExactly(List.of("1", "2", "2", "f"), Arrays.asList("2", "1", null, "t"));
        app.bean(Accounts.class)
            .setPassword(UUID.fromString("00000000-0000-0000-0000-00000000000a"), "of long before");
        Client teacher = Client.signedIn(app, "teacher", "of long before");
        JsonNode desk = teacher.get("/api/desk").is(200).json();
        assertThat(desk.path("rows")).hasSize(1);
        assertThat(desk.path("students").asInt()).isEqualTo(1);
        JsonNode out =
            teacher
                .get("/api/submissions/00000000-0000-0000-0000-000000000011/review")
                .is(200)
                .json();
        assertThat(out.path("check").path("findings")).hasSize(3);
        assertThat(out.path("answer").path("returnedBy").asString()).isEqualTo("Old Teacher");
        JsonNode note = out.path("answer").path("notes").get(0);
        assertThat(note.path("place").path("z").asInt()).isEqualTo(3);
        assertThat(note.path("camera").path("eye").path("x").asInt()).isEqualTo(9);
      }
    }
  }

  private static final String OLD = "00000000-0000-0000-0000-00000000000%s";

  /** The lid with one trace over its top, as it is kept by every version, and the mesh after it. */
  private static Map<String, String> kept() {
    try (Database database = new Database();
        Application app = Application.on(database)) {
      Client rune = Client.signedIn(app, "rune");
      JsonNode open = Bollard.open(rune, "Hatch lid");
      String workpiece = open.path("id").asString();
      rune.post("/api/workpieces/" + workpiece + "/steps", Bollard.step(0, Bollard.trace(1, 11)))
          .is(200);
      Map<String, Object> handIn = Map.of("revision", 1, "clientKey", UUID.randomUUID());
      rune.post("/api/workpieces/" + workpiece + "/submissions", handIn).is(201);
      Map<String, String> kept = new HashMap<>();
      kept.put("starter", hex(database, "select starter from exercise where title = 'Hatch lid'"));
      kept.put("mesh", hex(database, "select mesh from submission"));
      for (String mesh : List.of("starter", "mesh")) {
        kept.put(
            mesh + "-row",
            database.value(
                ("select format('decode(''%%s'', ''hex''), decode(''%%s'', ''hex''), %%s, %%s,"
                        + " %%s', encode(sha256, 'hex'), encode(bytes, 'hex'), vertices, edges,"
                        + " faces) from mesh_content where sha256 = %s")
                    .formatted(kept.get(mesh))));
      }
      for (String column : List.of("change", "view", "after")) {
        kept.put(column, database.value("select quote_literal(%s) from step".formatted(column)));
      }
      kept.put("figures", database.value("select quote_literal(figures) from submission_report"));
      kept.put("findings", database.value("select quote_literal(findings) from submission_report"));
      kept.put("reading", database.value("select quote_literal(reading) from submission_report"));
      return kept;
    }
  }

  private static String hex(Database database, String query) {
    return "decode('%s', 'hex')"
        .formatted(database.value("select encode((%s), 'hex')".formatted(query)));
  }

  /** The same work in the words of a version: a step, a hand-in, an answer that is out. */
  private static String work(int version, Map<String, String> kept) {
    boolean isSet = version >= 12;
    String exercise =
        isSet
            ? """
            insert into exercise (id, owner_id, title, summary, unit, starter, scale, version)
              values ('{e}', '{a}', 'Hatch lid', 'short', 'mm', {starter}, 500, 0);
            insert into exercise_version (exercise_id, number, brief, profile, made_at)
              values ('{e}', 0, 'long', 'All quads', now());
            insert into assignment (id, exercise_id, course_id, place) values ('{e}', '{e}', '{c}', 1);
            insert into workpiece (id, owner_type, owner_id, account_id, revision, opened_at)
              values ('{1}', 'assignment', '{e}', '{b}', 1, now());
            """
            : """
            insert into exercise (id, course_id, place, title, summary, brief, unit, starter, scale, profile)
              values ('{e}', '{c}', 1, 'Hatch lid', 'short', 'long', 'mm', {starter}, 500, 'All quads');
            insert into workpiece (id, exercise_id, student_id, revision, opened_at)
              values ('{1}', '{e}', '{b}', 1, now());
            """;
    String text =
        """
        begin;
        insert into account (id, sign_in, name, password_hash) values
          ('{a}', 'teacher', 'Old Teacher', 'x'), ('{b}', 'student', 'Old Student', 'x');
        insert into course (id, name) values ('{c}', 'Of before');
        insert into membership (course_id, account_id, role) values
          ('{c}', '{a}', 'instructor'), ('{c}', '{b}', 'student');
        insert into mesh_content (sha256, bytes, vertices, edges, faces) values
          ({starter-row}), ({mesh-row});
        """
            + exercise
            + """
            insert into step (workpiece_id, number, change, view, after, made_at{receipt})
              values ('{1}', 1, {change}, {view}, {after}, now(){receipt-value});
            update workpiece set head_step = (select id from step);
            insert into submission (id, {set}, student_id, attempt, source, step_id, mesh, client_key,
                handed_in_at{quoted})
              values ('{2}', '{e}', '{b}', 1, 'bench', (select id from step), {mesh}, '{2}', now(){quoted-value});
            insert into submission_report (submission_id, figures, findings, reading{numbered})
              values ('{2}', {figures}, {findings}, {reading}{zero-numbered});
            insert into answer (submission_id, word, verdict, returned_at, returned_by{report})
              values ('{2}', 'Go on.', 'try-again', now(), '{a}'{zero});
            commit;
            """;
    Map<String, String> words = new HashMap<>(kept);
    for (String id : List.of("a", "b", "c", "e", "1", "2")) {
      words.put(id, OLD.formatted(id));
    }
    words.put("set", isSet ? "assignment_id" : "exercise_id");
    words.put("receipt", version < 6 ? ", receipt" : "");
    words.put("receipt-value", version < 6 ? ", '{}'" : "");
    words.put("quoted", isSet ? ", report_version, answered_at, quoted_version" : "");
    words.put("quoted-value", isSet ? ", 0, now(), 0" : "");
    words.put("report", isSet ? ", report_version" : "");
    words.put("zero", isSet ? ", 0" : "");
    words.put("numbered", isSet ? ", version" : "");
    words.put("zero-numbered", isSet ? ", 0" : "");
    for (Map.Entry<String, String> word : words.entrySet()) {
      text = text.replace("{" + word.getKey() + "}", word.getValue());
    }
    return text;
  }

  @Test
  void everyEarlierVersion_comesUpWithItsWork() {
    Map<String, String> kept = kept();
    for (int version = 1; version <= LAST; version++) {
      try (Database database = Database.empty()) {
        database.migrateTo(String.valueOf(version));
        database.run(work(version, kept));
        database.migrateTo("latest");
        assertThat(
                database.rows(
                    "select a.id = s.assignment_id, v.brief, w.revision, w.head_step = s.step_id,"
                        + " n.word from submission s join assignment a on a.id = s.assignment_id"
                        + " join exercise e on e.id = a.exercise_id join exercise_version v on"
                        + " v.exercise_id = e.id and v.number = e.version join workpiece w on"
                        + " w.owner_id = a.id join answer n on n.submission_id = s.id and"
                        + " n.report_version = s.report_version"))
            .as("from version " + version)
            .containsExactly(List.of("t", "long", "1", "t", "Go on."));
        if (version == 1 || version == LAST) {
          goesOn(database);
        }
      }
    }
  }

  /** The student of before opens the bench and cuts on; the answer of before is read. */
  private static void goesOn(Database database) {
    try (Application app = Application.on(database)) {
      Accounts accounts = app.bean(Accounts.class);
      accounts.setPassword(UUID.fromString(OLD.formatted("b")), "of long before");
      Client student = Client.signedIn(app, "student", "of long before");
      JsonNode open = Bollard.open(student, "Hatch lid");
      assertThat(open.path("steps")).hasSize(1);
      student
          .post(
              "/api/workpieces/" + open.path("id").asString() + "/steps",
              Bollard.step(1, Bollard.trace(3, 9)))
          .is(200);
      JsonNode answer =
          student.get("/api/submissions/" + OLD.formatted("2") + "/answer").is(200).json();
      assertThat(answer.path("answer").path("word").asString()).isEqualTo("Go on.");
      assertThat(answer.path("check").path("findings")).isNotEmpty();
    }
  }

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
