package fairedge.server.demonstration.store;

import static fairedge.schema.generated.Tables.DEMONSTRATION;
import static fairedge.schema.generated.Tables.DEMONSTRATION_CLASS;
import static fairedge.schema.generated.Tables.DEMONSTRATION_EXERCISE;
import static fairedge.schema.generated.Tables.DEMONSTRATION_MESH;
import static fairedge.schema.generated.Tables.DEMONSTRATION_TRY;

import fairedge.server.demonstration.Demonstration;
import fairedge.server.demonstration.KeptSteps;
import fairedge.server.demonstration.KeptSteps.KeptDeed;
import fairedge.server.demonstration.KeptSteps.Played;
import fairedge.server.meshfile.MeshHolder;
import fairedge.server.platform.Json;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.HexFormat;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Demonstrations, where they are set, and what was begun with them. */
@Repository
public class DemonstrationStore implements MeshHolder {
  /** Of how {@link KeptSteps} are written. */
  private static final int FORMAT = 1;

  private final DSLContext db;
  private final Json json;

  DemonstrationStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /**
   * @return whether it is new: the same request may have made it before
   */
  @Transactional
  public boolean insert(Demonstration d, UUID clientKey, Instant now) {
    OffsetDateTime at = now.atOffset(ZoneOffset.UTC);
    int added =
        db.insertInto(DEMONSTRATION)
            .set(DEMONSTRATION.ID, d.id())
            .set(DEMONSTRATION.ACCOUNT_ID, d.owner())
            .set(DEMONSTRATION.CLIENT_KEY, clientKey)
            .set(DEMONSTRATION.TITLE, d.title())
            .set(DEMONSTRATION.ABOUT, d.about())
            .set(DEMONSTRATION.UNIT, d.unit())
            .set(DEMONSTRATION.PROFILE, d.profile())
            .set(DEMONSTRATION.STARTER, d.starter())
            .set(DEMONSTRATION.SCALE, d.scale())
            .set(DEMONSTRATION.FORMAT, FORMAT)
            .set(DEMONSTRATION.CONTENT, json.write(d.steps()))
            .set(DEMONSTRATION.MADE_AT, at)
            .set(DEMONSTRATION.EDITED_AT, at)
            .onConflict(DEMONSTRATION.CLIENT_KEY)
            .doNothing()
            .execute();
    if (added > 0) {
      keepMeshes(d);
    }
    return added > 0;
  }

  private void keepMeshes(Demonstration d) {
    List<byte[]> meshes =
        d.steps().steps().stream()
            .map(KeptDeed::played)
            .filter(Objects::nonNull)
            .map(Played::mesh)
            .distinct()
            .map(HexFormat.of()::parseHex)
            .toList();
    for (byte[] mesh : meshes) {
      db.insertInto(DEMONSTRATION_MESH)
          .set(DEMONSTRATION_MESH.DEMONSTRATION_ID, d.id())
          .set(DEMONSTRATION_MESH.MESH, mesh)
          .onConflictDoNothing()
          .execute();
    }
  }

  /**
   * @return false if it was edited meanwhile
   */
  @Transactional
  public boolean update(Demonstration d, Instant now) {
    int edited =
        db.update(DEMONSTRATION)
            .set(DEMONSTRATION.TITLE, d.title())
            .set(DEMONSTRATION.ABOUT, d.about())
            .set(DEMONSTRATION.FORMAT, FORMAT)
            .set(DEMONSTRATION.CONTENT, json.write(d.steps()))
            .set(DEMONSTRATION.EDITED_AT, now.atOffset(ZoneOffset.UTC))
            .set(DEMONSTRATION.REVISION, d.revision() + 1)
            .where(DEMONSTRATION.ID.eq(d.id()), DEMONSTRATION.REVISION.eq(d.revision()))
            .execute();
    if (edited > 0) {
      db.deleteFrom(DEMONSTRATION_MESH)
          .where(DEMONSTRATION_MESH.DEMONSTRATION_ID.eq(d.id()))
          .execute();
      keepMeshes(d);
    }
    return edited > 0;
  }

  public void putAway(UUID id, @Nullable Instant at) {
    db.update(DEMONSTRATION)
        .set(DEMONSTRATION.PUT_AWAY_AT, at == null ? null : at.atOffset(ZoneOffset.UTC))
        .where(DEMONSTRATION.ID.eq(id))
        .execute();
  }

  public Optional<Demonstration> find(UUID id) {
    return fetch(DEMONSTRATION.ID.eq(id)).stream().findFirst();
  }

  public Optional<Demonstration> findByKey(UUID clientKey) {
    return fetch(DEMONSTRATION.CLIENT_KEY.eq(clientKey)).stream().findFirst();
  }

  /**
   * What somebody may see, their own first.
   *
   * @param withOwn those of the account, put away or not
   * @param withShipped those that came with the application
   * @param courses those that are set in classes
   */
  public List<Demonstration> list(UUID withOwn, boolean withShipped, Collection<UUID> courses) {
    Condition set =
        DEMONSTRATION
            .ID
            .in(
                DSL.select(DEMONSTRATION_CLASS.DEMONSTRATION_ID)
                    .from(DEMONSTRATION_CLASS)
                    .where(DEMONSTRATION_CLASS.COURSE_ID.in(courses)))
            .and(DEMONSTRATION.PUT_AWAY_AT.isNull());
    Condition shipped = withShipped ? DEMONSTRATION.ACCOUNT_ID.isNull() : DSL.falseCondition();
    return fetch(DEMONSTRATION.ACCOUNT_ID.eq(withOwn).or(set).or(shipped));
  }

  /** How many an account keeps in sight. */
  public int count(UUID account) {
    return db.fetchCount(
        DEMONSTRATION,
        DEMONSTRATION.ACCOUNT_ID.eq(account).and(DEMONSTRATION.PUT_AWAY_AT.isNull()));
  }

  private List<Demonstration> fetch(Condition condition) {
    return db.selectFrom(DEMONSTRATION)
        .where(condition)
        .orderBy(
            DEMONSTRATION.ACCOUNT_ID.isNull(),
            DSL.case_().when(DEMONSTRATION.ACCOUNT_ID.isNull(), DEMONSTRATION.TITLE).else_(""),
            DEMONSTRATION.MADE_AT.desc(),
            DEMONSTRATION.ID)
        .fetch(r ->
            new Demonstration(
                r.getId(),
                r.getAccountId(),
                r.getTitle(),
                r.getAbout(),
                r.getUnit(),
                r.getProfile(),
                r.getStarter(),
                r.getScale(),
                json.read(r.getContent(), KeptSteps.class),
                r.getRevision(),
                r.getEditedAt().toInstant(),
                r.getPutAwayAt() == null ? null : r.getPutAwayAt().toInstant()));
  }

  public List<UUID> classesOf(UUID id) {
    return db.select(DEMONSTRATION_CLASS.COURSE_ID)
        .from(DEMONSTRATION_CLASS)
        .where(DEMONSTRATION_CLASS.DEMONSTRATION_ID.eq(id))
        .orderBy(DEMONSTRATION_CLASS.SET_AT)
        .fetch(DEMONSTRATION_CLASS.COURSE_ID);
  }

  public void set(UUID id, UUID course, UUID by, Instant now) {
    db.insertInto(DEMONSTRATION_CLASS)
        .set(DEMONSTRATION_CLASS.DEMONSTRATION_ID, id)
        .set(DEMONSTRATION_CLASS.COURSE_ID, course)
        .set(DEMONSTRATION_CLASS.SET_BY, by)
        .set(DEMONSTRATION_CLASS.SET_AT, now.atOffset(ZoneOffset.UTC))
        .onConflictDoNothing()
        .execute();
  }

  public void unset(UUID id, UUID course) {
    db.deleteFrom(DEMONSTRATION_CLASS)
        .where(
            DEMONSTRATION_CLASS.DEMONSTRATION_ID.eq(id), DEMONSTRATION_CLASS.COURSE_ID.eq(course))
        .execute();
  }

  public List<UUID> exercisesOf(UUID id) {
    return db.select(DEMONSTRATION_EXERCISE.EXERCISE_ID)
        .from(DEMONSTRATION_EXERCISE)
        .where(DEMONSTRATION_EXERCISE.DEMONSTRATION_ID.eq(id))
        .orderBy(DEMONSTRATION_EXERCISE.EXERCISE_ID)
        .fetch(DEMONSTRATION_EXERCISE.EXERCISE_ID);
  }

  /** Those beside the brief of an exercise. */
  public List<Demonstration> ofExercise(UUID exercise) {
    return fetch(
        DEMONSTRATION
            .ID
            .in(
                DSL.select(DEMONSTRATION_EXERCISE.DEMONSTRATION_ID)
                    .from(DEMONSTRATION_EXERCISE)
                    .where(DEMONSTRATION_EXERCISE.EXERCISE_ID.eq(exercise)))
            .and(DEMONSTRATION.PUT_AWAY_AT.isNull()));
  }

  public void link(UUID id, UUID exercise) {
    db.insertInto(DEMONSTRATION_EXERCISE)
        .set(DEMONSTRATION_EXERCISE.DEMONSTRATION_ID, id)
        .set(DEMONSTRATION_EXERCISE.EXERCISE_ID, exercise)
        .onConflictDoNothing()
        .execute();
  }

  public void unlink(UUID id, UUID exercise) {
    db.deleteFrom(DEMONSTRATION_EXERCISE)
        .where(
            DEMONSTRATION_EXERCISE.DEMONSTRATION_ID.eq(id),
            DEMONSTRATION_EXERCISE.EXERCISE_ID.eq(exercise))
        .execute();
  }

  /** A practice piece that was begun with a state. */
  public record Try(UUID practice, int frame, Instant begunAt) {}

  public void keepTry(UUID id, UUID account, UUID practice, int frame, Instant now) {
    db.insertInto(DEMONSTRATION_TRY)
        .set(DEMONSTRATION_TRY.PRACTICE_ID, practice)
        .set(DEMONSTRATION_TRY.DEMONSTRATION_ID, id)
        .set(DEMONSTRATION_TRY.ACCOUNT_ID, account)
        .set(DEMONSTRATION_TRY.FRAME, frame)
        .set(DEMONSTRATION_TRY.BEGUN_AT, now.atOffset(ZoneOffset.UTC))
        .onConflictDoNothing()
        .execute();
  }

  /** The last one first. */
  public List<Try> tries(UUID id, UUID account, int most) {
    return db.selectFrom(DEMONSTRATION_TRY)
        .where(DEMONSTRATION_TRY.DEMONSTRATION_ID.eq(id), DEMONSTRATION_TRY.ACCOUNT_ID.eq(account))
        .orderBy(DEMONSTRATION_TRY.BEGUN_AT.desc())
        .limit(most)
        .fetch(r -> new Try(r.getPracticeId(), r.getFrame(), r.getBegunAt().toInstant()));
  }

  /** Lets go of what somebody began, and of what is theirs. */
  public void forgetOf(UUID account) {
    db.deleteFrom(DEMONSTRATION_TRY).where(DEMONSTRATION_TRY.ACCOUNT_ID.eq(account)).execute();
    db.deleteFrom(DEMONSTRATION).where(DEMONSTRATION.ACCOUNT_ID.eq(account)).execute();
  }

  @Override
  public List<byte[]> needed(List<byte[]> hashes) {
    return Stream.concat(
            db
                .selectDistinct(DEMONSTRATION_MESH.MESH)
                .from(DEMONSTRATION_MESH)
                .where(DEMONSTRATION_MESH.MESH.in(hashes))
                .fetch(DEMONSTRATION_MESH.MESH)
                .stream(),
            db
                .selectDistinct(DEMONSTRATION.STARTER)
                .from(DEMONSTRATION)
                .where(DEMONSTRATION.STARTER.in(hashes))
                .fetch(DEMONSTRATION.STARTER)
                .stream())
        .toList();
  }
}
