package fairedge.server.exercise.store;

import static fairedge.schema.generated.Tables.EXERCISE;
import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.select;

import fairedge.schema.generated.tables.records.ExerciseRecord;
import fairedge.server.exercise.Exercise;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

@Repository
public class ExerciseStore {
  private final DSLContext db;

  ExerciseStore(DSLContext db) {
    this.db = db;
  }

  public void insert(Exercise e) {
    Instant due = e.dueAt();
    db.insertInto(EXERCISE)
        .set(EXERCISE.ID, e.id())
        .set(EXERCISE.COURSE_ID, e.courseId())
        .set(
            EXERCISE.PLACE,
            select(coalesce(max(EXERCISE.PLACE), inline(0)).plus(1))
                .from(EXERCISE)
                .where(EXERCISE.COURSE_ID.eq(e.courseId())))
        .set(EXERCISE.TITLE, e.title())
        .set(EXERCISE.SUMMARY, e.summary())
        .set(EXERCISE.BRIEF, e.brief())
        .set(EXERCISE.UNIT, e.unit())
        .set(EXERCISE.STARTER, e.starter())
        .set(EXERCISE.SCALE, e.scale())
        .set(EXERCISE.PROFILE, e.profile())
        .set(EXERCISE.DUE_AT, due == null ? null : due.atOffset(ZoneOffset.UTC))
        .execute();
  }

  public Optional<Exercise> find(UUID id) {
    return db.selectFrom(EXERCISE).where(EXERCISE.ID.eq(id)).fetchOptional(ExerciseStore::read);
  }

  public List<Exercise> ofCourse(UUID course) {
    return db.selectFrom(EXERCISE)
        .where(EXERCISE.COURSE_ID.eq(course))
        .orderBy(EXERCISE.PLACE)
        .fetch(ExerciseStore::read);
  }

  private static Exercise read(ExerciseRecord r) {
    OffsetDateTime due = r.getDueAt();
    return new Exercise(
        r.getId(),
        r.getCourseId(),
        r.getTitle(),
        r.getSummary(),
        r.getBrief(),
        r.getUnit(),
        r.getStarter(),
        r.getScale(),
        r.getProfile(),
        due == null ? null : due.toInstant());
  }
}
