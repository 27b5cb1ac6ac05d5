package fairedge.server.api;

import fairedge.server.running.Database;

/**
 * A term of a large class, written into the database at once: students, exercises, attempts with
 * what is kept of their reports. The same each time.
 */
final class TermOfMany {
  private final Database database;
  private final String course;

  /**
   * @param assignment set in the class, of which the others are copies
   */
  TermOfMany(
      Database database,
      String course,
      String assignment,
      int students,
      int exercises,
      int mostAttempts) {
    this.database = database;
    this.course = course;
    people(students);
    exercises(assignment, exercises);
    attempts(mostAttempts);
  }

  private void people(int students) {
    database.run(
        """
        create table many_student as
          select gen_random_uuid() as id, i as number from generate_series(1, %d) i;
        insert into account (id, sign_in, name)
          select id, 'many-' || number, 'Student ' || lpad(number::text, 3, '0') from many_student;
        insert into membership (course_id, account_id, role)
          select '%s', id, 'student' from many_student;
        """
            .formatted(students, course));
  }

  private void exercises(String assignment, int exercises) {
    database.run(
        """
        create table many_exercise as
          select gen_random_uuid() as id, gen_random_uuid() as assignment, i as number
            from generate_series(1, %d) i;
        insert into exercise (id, title, summary, unit, starter, scale, version, owner_id)
          select m.id, 'Exercise ' || m.number, e.summary, e.unit, e.starter, e.scale, e.version,
              e.owner_id
            from many_exercise m, exercise e
            where e.id = (select exercise_id from assignment where id = '%2$s');
        insert into exercise_version (exercise_id, number, brief, profile, own_profile, wanted,
              made_at, terms, rule)
          select m.id, v.number, v.brief, v.profile, v.own_profile, v.wanted, v.made_at, v.terms,
              v.rule
            from many_exercise m, exercise_version v
            where v.exercise_id = (select exercise_id from assignment where id = '%2$s');
        insert into assignment (id, exercise_id, course_id, place, due, due_at)
          select m.assignment, m.id, '%3$s', 100 + m.number,
              localtimestamp - interval '1 day' * (20 - m.number),
              (now() - interval '1 day' * (20 - m.number))
            from many_exercise m;
        """
            .formatted(exercises, assignment, course));
  }

  /** Two in three of the attempts before the last are answered, and half of the last. */
  private void attempts(int most) {
    database.run(
        """
        select setseed(0.25);
        create table many_attempt as
          select gen_random_uuid() as id, m.assignment, s.id as student, a as attempt,
              now() - interval '1 hour' * (600 - 12 * m.number) + interval '5 hours' * a as at,
              random() as luck, random() as other, random() as third
            from many_exercise m, many_student s,
              lateral generate_series(1, (s.number * 7 + m.number * 13) %% (%1$d + 1)) a;
        insert into submission (id, assignment_id, student_id, attempt, source, mesh, client_key,
              handed_in_at, report_version, answered_at, quoted_version, is_accepted, credits)
          select a.id, a.assignment, a.student, a.attempt, 'bench',
              (select starter from exercise e join many_exercise m on m.id = e.id limit 1),
              gen_random_uuid(), a.at, 1,
              case when a.luck < 0.66 then a.at + interval '1 hour' end,
              case when a.luck < 0.66 then 1 end,
              a.luck < 0.3,
              case when a.luck < 0.66 then round((10 * a.other)::numeric * 2) / 2 end
            from many_attempt a;
        insert into submission_report (submission_id, version, figures, findings, reading, met,
              hard_edges, held_edges)
          select id, 1,
              jsonb_build_object('faces', 100, 'quads', (100 * luck)::integer,
                'loops', jsonb_build_object('shareComplete', other)),
              '[]', '[]',
              case when third < 0.5 then jsonb_build_object('lines', third, 'moved', null) end,
              case when luck < 0.8 then 40 end, case when luck < 0.8 then (40 * third)::integer end
            from many_attempt;
        insert into report_kind (submission_id, version, kind, severity, count, waved)
          select id, 1, 'ngon', 'must', 1 + (5 * other)::integer, 0 from many_attempt
            where luck < 0.5
          union all
          select id, 1, 'triangle', 'must', 1 + (3 * luck)::integer,
              case when third < 0.2 then 1 else 0 end
            from many_attempt where other < 0.4
          union all
          select id, 1, 'double', 'should', 2, 0 from many_attempt where third < 0.3
          union all
          select id, 1, 'pole', 'remark', 9, 0 from many_attempt where third < 0.9;
        """
            .formatted(most));
  }
}
