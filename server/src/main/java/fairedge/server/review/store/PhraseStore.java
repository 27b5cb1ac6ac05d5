package fairedge.server.review.store;

import static fairedge.schema.generated.Tables.PHRASE;

import fairedge.server.review.NoteView.NoteKind;
import fairedge.server.review.Phrase;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.Record;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Remarks that are kept to be used again. */
@Repository
public class PhraseStore {
  private final DSLContext db;

  PhraseStore(DSLContext db) {
    this.db = db;
  }

  /** Those of somebody's own, and those shared in some classes that are not put away; by use. */
  public List<Phrase> of(UUID account, Collection<UUID> courses) {
    return db.selectFrom(PHRASE)
        .where(
            PHRASE
                .ACCOUNT_ID
                .eq(account)
                .or(PHRASE.COURSE_ID.in(courses).and(PHRASE.PUT_AWAY_AT.isNull())))
        .orderBy(PHRASE.USES.desc(), PHRASE.MADE_AT.desc(), PHRASE.ID)
        .fetch(r -> read(r, account));
  }

  private static Phrase read(Record r, UUID account) {
    return new Phrase(
        r.get(PHRASE.ID),
        r.get(PHRASE.COURSE_ID),
        r.get(PHRASE.KIND),
        NoteKind.valueOf(r.get(PHRASE.NOTE_KIND)),
        r.get(PHRASE.TEXT),
        r.get(PHRASE.USES),
        account.equals(r.get(PHRASE.ACCOUNT_ID)),
        r.get(PHRASE.PUT_AWAY_AT) != null);
  }

  /** One of somebody's own, which nobody else changes until the transaction ends. */
  public Optional<Phrase> lockMine(UUID id, UUID account) {
    return db.selectFrom(PHRASE)
        .where(PHRASE.ID.eq(id), PHRASE.ACCOUNT_ID.eq(account))
        .forUpdate()
        .fetchOptional(r -> read(r, account));
  }

  public int count(UUID account) {
    return db.fetchCount(PHRASE, PHRASE.ACCOUNT_ID.eq(account));
  }

  public void insert(Phrase p, UUID account, Instant now) {
    db.insertInto(PHRASE)
        .set(PHRASE.ID, p.id())
        .set(PHRASE.ACCOUNT_ID, account)
        .set(PHRASE.COURSE_ID, p.course())
        .set(PHRASE.KIND, p.kind())
        .set(PHRASE.NOTE_KIND, p.noteKind().name())
        .set(PHRASE.TEXT, p.text())
        .set(PHRASE.MADE_AT, now.atOffset(ZoneOffset.UTC))
        .execute();
  }

  public void update(Phrase p, @Nullable Instant putAway) {
    db.update(PHRASE)
        .set(PHRASE.COURSE_ID, p.course())
        .set(PHRASE.KIND, p.kind())
        .set(PHRASE.NOTE_KIND, p.noteKind().name())
        .set(PHRASE.TEXT, p.text())
        .set(PHRASE.USES, p.uses())
        .set(
            PHRASE.PUT_AWAY_AT,
            putAway == null ? (OffsetDateTime) null : putAway.atOffset(ZoneOffset.UTC))
        .where(PHRASE.ID.eq(p.id()))
        .execute();
  }

  public void delete(UUID id) {
    db.deleteFrom(PHRASE).where(PHRASE.ID.eq(id)).execute();
  }

  /** Notes that were made of them went out; one that is named twice counts twice. */
  public void count(List<UUID> used) {
    for (UUID id : used) {
      db.update(PHRASE).set(PHRASE.USES, PHRASE.USES.plus(1)).where(PHRASE.ID.eq(id)).execute();
    }
  }

  public void forget(UUID account) {
    db.deleteFrom(PHRASE).where(PHRASE.ACCOUNT_ID.eq(account)).execute();
  }
}
