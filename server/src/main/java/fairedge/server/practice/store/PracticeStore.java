package fairedge.server.practice.store;

import static fairedge.schema.generated.Tables.PRACTICE;
import static org.jooq.impl.DSL.inline;

import fairedge.server.practice.Practice;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jooq.SelectField;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Practice pieces. */
@Repository
public class PracticeStore {
  /** All but the picture. */
  private static final SelectField<?>[] TOLD = {
    PRACTICE.ID,
    PRACTICE.ACCOUNT_ID,
    PRACTICE.TITLE,
    PRACTICE.UNIT,
    PRACTICE.STARTER,
    PRACTICE.SCALE,
    PRACTICE.PROFILE,
    PRACTICE.BEGUN_AT,
    PRACTICE.PUT_AWAY_AT
  };

  private final DSLContext db;

  PracticeStore(DSLContext db) {
    this.db = db;
  }

  /** No one else begins a piece for this account until the transaction ends. */
  public void lockPractice(UUID account) {
    long key = account.getMostSignificantBits() ^ 0x707261637469L;
    db.fetch("select pg_advisory_xact_lock({0})", inline(key));
  }

  public void insert(Practice p, UUID clientKey, byte[] picture) {
    db.insertInto(PRACTICE)
        .set(PRACTICE.ID, p.id())
        .set(PRACTICE.ACCOUNT_ID, p.accountId())
        .set(PRACTICE.CLIENT_KEY, clientKey)
        .set(PRACTICE.TITLE, p.title())
        .set(PRACTICE.UNIT, p.unit())
        .set(PRACTICE.STARTER, p.starter())
        .set(PRACTICE.SCALE, p.scale())
        .set(PRACTICE.PROFILE, p.profile())
        .set(PRACTICE.PICTURE, picture)
        .set(PRACTICE.BEGUN_AT, p.begunAt().atOffset(ZoneOffset.UTC))
        .execute();
  }

  public Optional<Practice> find(UUID id) {
    return findWhere(PRACTICE.ID.eq(id));
  }

  public Optional<Practice> findByKey(UUID clientKey) {
    return findWhere(PRACTICE.CLIENT_KEY.eq(clientKey));
  }

  private Optional<Practice> findWhere(Condition condition) {
    return db.select(TOLD).from(PRACTICE).where(condition).fetchOptional(PracticeStore::read);
  }

  public Optional<byte[]> picture(UUID id) {
    return db.select(PRACTICE.PICTURE)
        .from(PRACTICE)
        .where(PRACTICE.ID.eq(id))
        .fetchOptional(PRACTICE.PICTURE);
  }

  /** The pieces of an account that are not put away, the last begun first. */
  public List<Practice> inSight(UUID account) {
    return db.select(TOLD)
        .from(PRACTICE)
        .where(PRACTICE.ACCOUNT_ID.eq(account), PRACTICE.PUT_AWAY_AT.isNull())
        .orderBy(PRACTICE.BEGUN_AT.desc(), PRACTICE.ID)
        .fetch(PracticeStore::read);
  }

  public void putAway(UUID id, @Nullable Instant at) {
    db.update(PRACTICE)
        .set(PRACTICE.PUT_AWAY_AT, at == null ? null : at.atOffset(ZoneOffset.UTC))
        .where(PRACTICE.ID.eq(id))
        .execute();
  }

  private static Practice read(Record r) {
    OffsetDateTime putAway = r.get(PRACTICE.PUT_AWAY_AT);
    return new Practice(
        r.get(PRACTICE.ID),
        r.get(PRACTICE.ACCOUNT_ID),
        r.get(PRACTICE.TITLE),
        r.get(PRACTICE.UNIT),
        r.get(PRACTICE.STARTER),
        r.get(PRACTICE.SCALE),
        r.get(PRACTICE.PROFILE),
        r.get(PRACTICE.BEGUN_AT).toInstant(),
        putAway == null ? null : putAway.toInstant());
  }
}
