package fairedge.server.notice.store;

import static fairedge.schema.generated.Tables.OUTBOX;

import fairedge.server.notice.Outbox.OutboxMail;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** The mail of the demo. */
@Repository
public class OutboxStore {
  private static final int MOST = 200;

  private final DSLContext db;

  OutboxStore(DSLContext db) {
    this.db = db;
  }

  public void insert(Instant at, String address, String subject, String body) {
    db.insertInto(OUTBOX)
        .set(OUTBOX.SENT_AT, at.atOffset(ZoneOffset.UTC))
        .set(OUTBOX.ADDRESS, address)
        .set(OUTBOX.SUBJECT, subject)
        .set(OUTBOX.BODY, body)
        .execute();
  }

  /** The newest first. */
  public List<OutboxMail> newest() {
    return db.selectFrom(OUTBOX)
        .orderBy(OUTBOX.ID.desc())
        .limit(MOST)
        .fetch(r ->
            new OutboxMail(
                r.getId(), r.getSentAt().toInstant(), r.getAddress(), r.getSubject(), r.getBody()));
  }

  /** All that went to an address. */
  public void forget(String address) {
    db.deleteFrom(OUTBOX).where(OUTBOX.ADDRESS.eq(address)).execute();
  }
}
