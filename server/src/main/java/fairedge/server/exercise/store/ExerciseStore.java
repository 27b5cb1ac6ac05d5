package fairedge.server.exercise.store;

import static fairedge.schema.generated.Tables.EXERCISE;
import static fairedge.schema.generated.Tables.EXERCISE_REFERENCE;
import static fairedge.schema.generated.Tables.EXERCISE_VERSION;
import static org.jooq.impl.DSL.select;

import fairedge.core.credit.CreditRule;
import fairedge.core.inspect.Profile;
import fairedge.core.survey.Wanted;
import fairedge.json.CreditRuleView;
import fairedge.json.ProfileView;
import fairedge.schema.generated.tables.records.ExerciseRecord;
import fairedge.schema.generated.tables.records.ExerciseVersionRecord;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Reference;
import fairedge.server.meshfile.MeshHolder;
import fairedge.server.platform.Json;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;

/** Exercises and their versions. */
@Repository
public class ExerciseStore implements MeshHolder {
  /** Of the versions of an exercise the one that holds. */
  static final Condition NEWEST =
      EXERCISE_VERSION
          .EXERCISE_ID
          .eq(EXERCISE.ID)
          .and(EXERCISE_VERSION.NUMBER.eq(EXERCISE.VERSION));

  private final DSLContext db;

  private final Json json;

  ExerciseStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /**
   * Keeps an exercise as its next version has it, and lets that hold; in the transaction at hand,
   * which has locked its draft.
   */
  public void addVersion(Exercise e, Instant now) {
    db.update(EXERCISE)
        .set(EXERCISE.TITLE, e.title())
        .set(EXERCISE.SUMMARY, e.summary())
        .set(EXERCISE.VERSION, e.version())
        .where(EXERCISE.ID.eq(e.id()))
        .execute();
    insertVersion(e, now);
  }

  /** Keeps a new exercise with its first version; in the transaction at hand. */
  public void insert(Exercise e, Instant now) {
    db.insertInto(EXERCISE)
        .set(EXERCISE.ID, e.id())
        .set(EXERCISE.OWNER_ID, e.owner())
        .set(EXERCISE.TITLE, e.title())
        .set(EXERCISE.SUMMARY, e.summary())
        .set(EXERCISE.UNIT, e.unit())
        .set(EXERCISE.STARTER, e.starter())
        .set(EXERCISE.SCALE, e.scale())
        .set(EXERCISE.VERSION, e.version())
        .set(EXERCISE.STARTER_FROM, e.title())
        .execute();
    e.references().forEach(r -> addReference(e.id(), r.bytes()));
    insertVersion(e, now);
  }

  private void insertVersion(Exercise e, Instant now) {
    db.insertInto(EXERCISE_VERSION)
        .set(EXERCISE_VERSION.EXERCISE_ID, e.id())
        .set(EXERCISE_VERSION.NUMBER, e.version())
        .set(EXERCISE_VERSION.TERMS, e.termsVersion())
        .set(EXERCISE_VERSION.TELLS, e.tells().name())
        .set(EXERCISE_VERSION.RULE, rule(e.rule()))
        .set(EXERCISE_VERSION.BRIEF, e.brief())
        .set(EXERCISE_VERSION.PROFILE, e.profile().name())
        .set(EXERCISE_VERSION.OWN_PROFILE, json.write(ProfileView.of(e.profile())))
        .set(EXERCISE_VERSION.WANTED, json.write(e.wanted()))
        .set(EXERCISE_VERSION.REFERENCE_MESHES, json.write(e.references()))
        .set(EXERCISE_VERSION.SHOWS, e.shows().name())
        .set(EXERCISE_VERSION.SHOWS_LINES, e.showsLines())
        .set(EXERCISE_VERSION.SHEET, e.sheet())
        .set(EXERCISE_VERSION.MENDS, e.mends().name())
        .set(EXERCISE_VERSION.MADE_AT, now.atOffset(ZoneOffset.UTC))
        .execute();
  }

  private @Nullable JSONB rule(CreditRule rule) {
    CreditRuleView told = CreditRuleView.of(rule);
    return told == null ? null : json.write(told);
  }

  public Optional<Exercise> find(UUID id) {
    return db.select(EXERCISE, EXERCISE_VERSION)
        .from(EXERCISE)
        .join(EXERCISE_VERSION)
        .on(NEWEST)
        .where(EXERCISE.ID.eq(id))
        .fetchOptional(r -> read(r.value1(), r.value2()));
  }

  Exercise read(ExerciseRecord e, ExerciseVersionRecord v) {
    JSONB own = v.getOwnProfile();
    JSONB rule = v.getRule();
    return new Exercise(
        e.getId(),
        e.getOwnerId(),
        e.getTitle(),
        e.getSummary(),
        e.getUnit(),
        e.getStarter(),
        e.getScale(),
        v.getNumber(),
        v.getTerms(),
        v.getBrief(),
        own == null ? Profile.named(v.getProfile()) : json.read(own, ProfileView.class).profile(),
        json.read(v.getWanted(), Wanted.class),
        Exercise.Tells.valueOf(v.getTells()),
        rule == null ? CreditRule.NONE : json.read(rule, CreditRuleView.class).rule(),
        json.read(v.getReferenceMeshes(), new TypeReference<List<Reference>>() {}),
        Exercise.Shows.valueOf(v.getShows()),
        v.getShowsLines(),
        v.getSheet(),
        Exercise.Mends.valueOf(v.getMends()));
  }

  /** Keeps a solution as long as the exercise. */
  public void addReference(UUID id, byte[] mesh) {
    db.insertInto(EXERCISE_REFERENCE)
        .set(EXERCISE_REFERENCE.EXERCISE_ID, id)
        .set(EXERCISE_REFERENCE.MESH, mesh)
        .onConflictDoNothing()
        .execute();
  }

  /** Whether an exercise knows, or knew, a solution. */
  public boolean hasReference(UUID id, byte[] mesh) {
    return db.fetchExists(
        EXERCISE_REFERENCE,
        EXERCISE_REFERENCE.EXERCISE_ID.eq(id),
        EXERCISE_REFERENCE.MESH.eq(mesh));
  }

  @Override
  public List<byte[]> needed(List<byte[]> hashes) {
    return db.select(EXERCISE.STARTER)
        .from(EXERCISE)
        .where(EXERCISE.STARTER.in(hashes))
        .union(
            select(EXERCISE_REFERENCE.MESH)
                .from(EXERCISE_REFERENCE)
                .where(EXERCISE_REFERENCE.MESH.in(hashes)))
        .fetch(r -> r.value1());
  }
}
