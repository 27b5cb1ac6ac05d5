package fairedge.server.exercise.store;

import static fairedge.schema.generated.Tables.EXERCISE;
import static fairedge.schema.generated.Tables.EXERCISE_DRAFT;
import static org.jooq.impl.DSL.inline;

import fairedge.schema.generated.tables.records.ExerciseDraftRecord;
import fairedge.schema.generated.tables.records.ExerciseRecord;
import fairedge.server.exercise.Draft;
import fairedge.server.platform.Json;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record2;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Exercises as they are written. */
@Repository
public class DraftStore {
  private final DSLContext db;
  private final Json json;

  DraftStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /**
   * An exercise as it is written.
   *
   * @param revision of its draft; 0 where none was ever kept
   * @param version that holds; null: none
   * @param starter hash of its mesh; null: none
   * @param draft null where none was ever kept
   */
  public record Written(
      UUID id,
      UUID owner,
      long revision,
      @Nullable Integer version,
      String title,
      String summary,
      String unit,
      byte @Nullable [] starter,
      @Nullable Double scale,
      @Nullable String starterFrom,
      boolean isPutAway,
      @Nullable Draft draft,
      @Nullable Instant keptAt) {}

  public void insert(UUID id, UUID owner, Draft draft, Instant now) {
    db.insertInto(EXERCISE)
        .set(EXERCISE.ID, id)
        .set(EXERCISE.OWNER_ID, owner)
        .set(EXERCISE.TITLE, draft.title())
        .set(EXERCISE.SUMMARY, draft.summary())
        .set(EXERCISE.UNIT, "mm")
        .set(EXERCISE.MADE_AT, now.atOffset(ZoneOffset.UTC))
        .execute();
    keep(id, 1, draft, now);
  }

  public void keep(UUID id, long revision, Draft draft, Instant now) {
    db.insertInto(EXERCISE_DRAFT)
        .set(EXERCISE_DRAFT.EXERCISE_ID, id)
        .set(EXERCISE_DRAFT.REVISION, revision)
        .set(EXERCISE_DRAFT.CONTENT, json.write(draft))
        .set(EXERCISE_DRAFT.KEPT_AT, now.atOffset(ZoneOffset.UTC))
        .onConflict(EXERCISE_DRAFT.EXERCISE_ID)
        .doUpdate()
        .setAllToExcluded()
        .execute();
  }

  /** The starter of another exercise; nothing where that has none. */
  public void setStarter(UUID id, Written from) {
    if (from.starter() != null && from.scale() != null) {
      String where = from.starterFrom() == null ? from.title() : from.starterFrom();
      setStarter(id, from.starter(), from.scale(), from.unit(), where);
    }
  }

  public void setStarter(UUID id, byte[] hash, double scale, String unit, String from) {
    db.update(EXERCISE)
        .set(EXERCISE.STARTER, hash)
        .set(EXERCISE.SCALE, scale)
        .set(EXERCISE.UNIT, unit)
        .set(EXERCISE.STARTER_FROM, from)
        .where(EXERCISE.ID.eq(id))
        .execute();
  }

  public void putAway(UUID id, @Nullable Instant at) {
    db.update(EXERCISE)
        .set(EXERCISE.PUT_AWAY_AT, at == null ? null : at.atOffset(ZoneOffset.UTC))
        .where(EXERCISE.ID.eq(id))
        .execute();
  }

  /** Nobody else writes on it until the transaction ends. */
  public Optional<Written> lock(UUID id) {
    db.fetch(
        "select pg_advisory_xact_lock({0})", inline(id.getMostSignificantBits() ^ 0x64726166746CL));
    return find(id);
  }

  public Optional<Written> find(UUID id) {
    return where(EXERCISE.ID.eq(id)).stream().findFirst();
  }

  /** All of somebody's, the newest first. */
  public List<Written> of(UUID owner) {
    return where(EXERCISE.OWNER_ID.eq(owner));
  }

  private List<Written> where(Condition condition) {
    return db.select(EXERCISE, EXERCISE_DRAFT)
        .from(EXERCISE)
        .leftJoin(EXERCISE_DRAFT)
        .on(EXERCISE_DRAFT.EXERCISE_ID.eq(EXERCISE.ID))
        .where(condition)
        .orderBy(EXERCISE.MADE_AT.desc(), EXERCISE.ID)
        .fetch(this::read);
  }

  private Written read(Record2<ExerciseRecord, ExerciseDraftRecord> r) {
    ExerciseRecord e = r.value1();
    @Nullable ExerciseDraftRecord d = r.value2();
    boolean isKept = d != null && d.getExerciseId() != null;
    return new Written(
        e.getId(),
        e.getOwnerId(),
        isKept ? d.getRevision() : 0,
        e.getVersion(),
        e.getTitle(),
        e.getSummary(),
        e.getUnit(),
        e.getStarter(),
        e.getScale(),
        e.getStarterFrom(),
        e.getPutAwayAt() != null,
        isKept ? json.read(d.getContent(), Draft.class) : null,
        isKept ? d.getKeptAt().toInstant() : null);
  }
}
