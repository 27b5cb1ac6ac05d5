package fairedge.server.exercise.store;

import static fairedge.schema.generated.Tables.ASSIGNMENT;
import static fairedge.schema.generated.Tables.EXERCISE;
import static fairedge.schema.generated.Tables.EXERCISE_VERSION;
import static org.jooq.impl.DSL.any;
import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.select;

import fairedge.schema.generated.tables.records.AssignmentRecord;
import fairedge.schema.generated.tables.records.ExerciseRecord;
import fairedge.schema.generated.tables.records.ExerciseVersionRecord;
import fairedge.server.exercise.Assignment;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record3;
import org.jooq.SelectConditionStep;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** What is set in classes, each with its exercise as that stands. */
@Repository
public class AssignmentStore {
  private final DSLContext db;
  private final ExerciseStore exercises;

  AssignmentStore(DSLContext db, ExerciseStore exercises) {
    this.db = db;
    this.exercises = exercises;
  }

  public void insert(UUID id, UUID course, UUID exercise, @Nullable Instant due) {
    db.insertInto(ASSIGNMENT)
        .set(ASSIGNMENT.ID, id)
        .set(ASSIGNMENT.EXERCISE_ID, exercise)
        .set(ASSIGNMENT.COURSE_ID, course)
        .set(
            ASSIGNMENT.PLACE,
            select(coalesce(max(ASSIGNMENT.PLACE), inline(0)).plus(1))
                .from(ASSIGNMENT)
                .where(ASSIGNMENT.COURSE_ID.eq(course)))
        .set(ASSIGNMENT.DUE_AT, due == null ? null : due.atOffset(ZoneOffset.UTC))
        .execute();
  }

  public Optional<Assignment> find(UUID id) {
    return where(ASSIGNMENT.ID.eq(id)).fetchOptional(this::read);
  }

  public List<Assignment> dueBetween(Instant from, Instant until) {
    return where(
            ASSIGNMENT
                .DUE_AT
                .ge(from.atOffset(ZoneOffset.UTC))
                .and(ASSIGNMENT.DUE_AT.lt(until.atOffset(ZoneOffset.UTC))))
        .fetch(this::read);
  }

  /** Course by course, in their order. */
  public List<Assignment> ofCourses(Collection<UUID> courses) {
    return where(ASSIGNMENT.COURSE_ID.eq(any(courses.toArray(UUID[]::new))))
        .orderBy(ASSIGNMENT.COURSE_ID, ASSIGNMENT.PLACE)
        .fetch(this::read);
  }

  public List<UUID> idsOfCourses(Collection<UUID> courses) {
    return db.select(ASSIGNMENT.ID)
        .from(ASSIGNMENT)
        .where(ASSIGNMENT.COURSE_ID.in(courses))
        .fetch(ASSIGNMENT.ID);
  }

  public List<UUID> idsOfExercise(UUID exercise) {
    return db.select(ASSIGNMENT.ID)
        .from(ASSIGNMENT)
        .where(ASSIGNMENT.EXERCISE_ID.eq(exercise))
        .fetch(ASSIGNMENT.ID);
  }

  public List<UUID> coursesOf(UUID exercise) {
    return db.selectDistinct(ASSIGNMENT.COURSE_ID)
        .from(ASSIGNMENT)
        .where(ASSIGNMENT.EXERCISE_ID.eq(exercise))
        .fetch(ASSIGNMENT.COURSE_ID);
  }

  private SelectConditionStep<Record3<AssignmentRecord, ExerciseRecord, ExerciseVersionRecord>>
      where(Condition condition) {
    return db.select(ASSIGNMENT, EXERCISE, EXERCISE_VERSION)
        .from(ASSIGNMENT)
        .join(EXERCISE)
        .on(EXERCISE.ID.eq(ASSIGNMENT.EXERCISE_ID))
        .join(EXERCISE_VERSION)
        .on(ExerciseStore.NEWEST)
        .where(condition);
  }

  private Assignment read(Record3<AssignmentRecord, ExerciseRecord, ExerciseVersionRecord> r) {
    AssignmentRecord a = r.value1();
    OffsetDateTime due = a.getDueAt();
    return new Assignment(
        a.getId(),
        a.getCourseId(),
        exercises.read(r.value2(), r.value3()),
        due == null ? null : due.toInstant());
  }
}
