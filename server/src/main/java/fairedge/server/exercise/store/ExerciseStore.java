package fairedge.server.exercise.store;

import static fairedge.schema.generated.Tables.EXERCISE;
import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.max;
import static org.jooq.impl.DSL.select;

import fairedge.core.inspect.Profile;
import fairedge.core.survey.Wanted;
import fairedge.json.ProfileView;
import fairedge.schema.generated.tables.records.ExerciseRecord;
import fairedge.server.exercise.Exercise;
import fairedge.server.platform.Json;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.springframework.stereotype.Repository;

@Repository
public class ExerciseStore {
  private final DSLContext db;

  private final Json json;

  ExerciseStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /** False where the terms are another revision's by now. */
  public boolean setTerms(UUID id, int revision, Profile profile, Wanted wanted) {
    return db.update(EXERCISE)
            .set(EXERCISE.PROFILE, profile.name())
            .set(EXERCISE.OWN_PROFILE, json.write(ProfileView.of(profile)))
            .set(EXERCISE.WANTED, json.write(wanted))
            .set(EXERCISE.TERMS_REVISION, revision + 1)
            .where(EXERCISE.ID.eq(id), EXERCISE.TERMS_REVISION.eq(revision))
            .execute()
        == 1;
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
        .set(EXERCISE.PROFILE, e.profile().name())
        .set(EXERCISE.WANTED, json.write(e.wanted()))
        .set(EXERCISE.DUE_AT, due == null ? null : due.atOffset(ZoneOffset.UTC))
        .execute();
  }

  public Optional<Exercise> find(UUID id) {
    return db.selectFrom(EXERCISE).where(EXERCISE.ID.eq(id)).fetchOptional(this::read);
  }

  public List<Exercise> ofCourse(UUID course) {
    return db.selectFrom(EXERCISE)
        .where(EXERCISE.COURSE_ID.eq(course))
        .orderBy(EXERCISE.PLACE)
        .fetch(this::read);
  }

  private Exercise read(ExerciseRecord r) {
    JSONB own = r.getOwnProfile();
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
        own == null ? Profile.named(r.getProfile()) : json.read(own, ProfileView.class).profile(),
        json.read(r.getWanted(), Wanted.class),
        r.getTermsRevision(),
        due == null ? null : due.toInstant());
  }
}
