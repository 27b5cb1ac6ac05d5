package fairedge.server.account.store;

import static fairedge.schema.generated.Tables.SET_UP_CODE;
import static fairedge.schema.generated.Tables.TICKET;
import static org.jooq.impl.DSL.any;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** One-time codes, as hashes. */
@Repository
public class TicketStore {
  private final DSLContext db;

  TicketStore(DSLContext db) {
    this.db = db;
  }

  public void insert(UUID id, UUID account, byte[] hash, Instant now, Instant until) {
    db.insertInto(TICKET)
        .set(TICKET.ID, id)
        .set(TICKET.ACCOUNT_ID, account)
        .set(TICKET.CODE_HASH, hash)
        .set(TICKET.MADE_AT, now.atOffset(ZoneOffset.UTC))
        .set(TICKET.UNTIL, until.atOffset(ZoneOffset.UTC))
        .execute();
  }

  /** Ends the open one of an account. */
  public void end(UUID account, Instant now) {
    db.update(TICKET)
        .set(TICKET.USED_AT, now.atOffset(ZoneOffset.UTC))
        .where(TICKET.ACCOUNT_ID.eq(account), TICKET.USED_AT.isNull())
        .execute();
  }

  public Optional<UUID> findOpen(byte[] hash, Instant now) {
    return db.select(TICKET.ACCOUNT_ID)
        .from(TICKET)
        .where(
            TICKET.CODE_HASH.eq(hash),
            TICKET.USED_AT.isNull(),
            TICKET.UNTIL.gt(now.atOffset(ZoneOffset.UTC)))
        .fetchOptional(TICKET.ACCOUNT_ID);
  }

  /** False where somebody was faster. */
  public boolean use(byte[] hash, Instant now) {
    return db.update(TICKET)
            .set(TICKET.USED_AT, now.atOffset(ZoneOffset.UTC))
            .where(TICKET.CODE_HASH.eq(hash), TICKET.USED_AT.isNull())
            .execute()
        == 1;
  }

  public Map<UUID, Instant> open(Collection<UUID> accounts, Instant now) {
    return db.select(TICKET.ACCOUNT_ID, TICKET.UNTIL)
        .from(TICKET)
        .where(
            TICKET.ACCOUNT_ID.eq(any(accounts.toArray(UUID[]::new))),
            TICKET.USED_AT.isNull(),
            TICKET.UNTIL.gt(now.atOffset(ZoneOffset.UTC)))
        .fetchMap(TICKET.ACCOUNT_ID, r -> r.value2().toInstant());
  }

  /** All of an account. */
  public void forget(UUID account) {
    db.deleteFrom(TICKET).where(TICKET.ACCOUNT_ID.eq(account)).execute();
  }

  /** From now on this code sets the server up, and no other. */
  public void setUpBy(byte[] hash, Instant until) {
    db.insertInto(SET_UP_CODE)
        .set(SET_UP_CODE.CODE_HASH, hash)
        .set(SET_UP_CODE.UNTIL, until.atOffset(ZoneOffset.UTC))
        .onConflict(SET_UP_CODE.IS_THE_ONE)
        .doUpdate()
        .set(SET_UP_CODE.CODE_HASH, hash)
        .set(SET_UP_CODE.UNTIL, until.atOffset(ZoneOffset.UTC))
        .execute();
  }

  /** Takes the set-up code, for nobody to take it again; false if it is another or too old. */
  public boolean takeSetUp(byte[] hash, Instant now) {
    return db.deleteFrom(SET_UP_CODE)
            .where(
                SET_UP_CODE.CODE_HASH.eq(hash), SET_UP_CODE.UNTIL.gt(now.atOffset(ZoneOffset.UTC)))
            .execute()
        == 1;
  }
}
