package fairedge.server.exercise.store;

import static fairedge.schema.generated.Tables.ALLOWANCE;
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
import fairedge.server.exercise.Setting;
import fairedge.server.exercise.Setting.HandInBy;
import fairedge.server.exercise.Setting.Late;
import fairedge.server.exercise.Setting.Overruled;
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

  /** Sets an exercise after what is set in the class. */
  public void insert(
      UUID id,
      UUID course,
      UUID exercise,
      Setting setting,
      @Nullable Instant opensAt,
      @Nullable Instant dueAt,
      Instant now) {
    db.insertInto(ASSIGNMENT)
        .set(ASSIGNMENT.ID, id)
        .set(ASSIGNMENT.EXERCISE_ID, exercise)
        .set(ASSIGNMENT.COURSE_ID, course)
        .set(
            ASSIGNMENT.PLACE,
            select(coalesce(max(ASSIGNMENT.PLACE), inline(0)).plus(1))
                .from(ASSIGNMENT)
                .where(ASSIGNMENT.COURSE_ID.eq(course)))
        .set(ASSIGNMENT.SET_AT, now.atOffset(ZoneOffset.UTC))
        .execute();
    set(id, setting, opensAt, dueAt);
  }

  public void set(UUID id, Setting setting, @Nullable Instant opensAt, @Nullable Instant dueAt) {
    Overruled overruled = setting.overruled();
    db.update(ASSIGNMENT)
        .set(ASSIGNMENT.HEADING, setting.heading())
        .set(ASSIGNMENT.OPENS, setting.opens())
        .set(ASSIGNMENT.OPENS_AT, utc(opensAt))
        .set(ASSIGNMENT.DUE, setting.due())
        .set(ASSIGNMENT.DUE_AT, utc(dueAt))
        .set(ASSIGNMENT.LATE, setting.late().name())
        .set(ASSIGNMENT.ATTEMPTS, setting.attempts())
        .set(ASSIGNMENT.HAND_IN, setting.handIn().name())
        .set(ASSIGNMENT.OVERRULED, overruled == null ? null : overruled.name())
        .where(ASSIGNMENT.ID.eq(id))
        .execute();
  }

  private static @Nullable OffsetDateTime utc(@Nullable Instant instant) {
    return instant == null ? null : instant.atOffset(ZoneOffset.UTC);
  }

  private static @Nullable Instant instant(@Nullable OffsetDateTime time) {
    return time == null ? null : time.toInstant();
  }

  public void setPlace(UUID id, int place) {
    db.update(ASSIGNMENT).set(ASSIGNMENT.PLACE, place).where(ASSIGNMENT.ID.eq(id)).execute();
  }

  public void remove(UUID id) {
    db.deleteFrom(ALLOWANCE).where(ALLOWANCE.ASSIGNMENT_ID.eq(id)).execute();
    db.deleteFrom(ASSIGNMENT).where(ASSIGNMENT.ID.eq(id)).execute();
  }

  /** What opened from one time on and before another. */
  public List<Assignment> openedBetween(Instant from, Instant until) {
    return where(ASSIGNMENT.OPENS_AT.ge(utc(from)).and(ASSIGNMENT.OPENS_AT.lt(utc(until))))
        .fetch(this::read);
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
    String overruled = a.getOverruled();
    return new Assignment(
        a.getId(),
        a.getCourseId(),
        a.getPlace(),
        exercises.read(r.value2(), r.value3()),
        new Setting(
            a.getHeading(),
            a.getOpens(),
            a.getDue(),
            Late.valueOf(a.getLate()),
            a.getAttempts(),
            HandInBy.valueOf(a.getHandIn()),
            overruled == null ? null : Overruled.valueOf(overruled)),
        instant(a.getOpensAt()),
        instant(a.getDueAt()));
  }
}
