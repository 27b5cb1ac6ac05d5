package fairedge.server.review.store;

import static fairedge.schema.generated.Tables.REVIEW_LEASE;
import static org.jooq.impl.DSL.any;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.Map;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jooq.impl.DSL;
import org.springframework.stereotype.Repository;

/** Who has what open, until when. */
@Repository
public class LeaseStore {
  private final DSLContext db;

  LeaseStore(DSLContext db) {
    this.db = db;
  }

  /**
   * @return who holds it then
   */
  public UUID hold(UUID submission, UUID account, Instant now, Instant until, boolean takeOver) {
    OffsetDateTime end = until.atOffset(ZoneOffset.UTC);
    Condition free =
        takeOver
            ? DSL.trueCondition()
            : REVIEW_LEASE
                .ACCOUNT_ID
                .eq(account)
                .or(REVIEW_LEASE.UNTIL.le(now.atOffset(ZoneOffset.UTC)));
    db.insertInto(REVIEW_LEASE)
        .set(REVIEW_LEASE.SUBMISSION_ID, submission)
        .set(REVIEW_LEASE.ACCOUNT_ID, account)
        .set(REVIEW_LEASE.UNTIL, end)
        .onConflict(REVIEW_LEASE.SUBMISSION_ID)
        .doUpdate()
        .set(REVIEW_LEASE.ACCOUNT_ID, account)
        .set(REVIEW_LEASE.UNTIL, end)
        .where(free)
        .execute();
    return db.select(REVIEW_LEASE.ACCOUNT_ID)
        .from(REVIEW_LEASE)
        .where(REVIEW_LEASE.SUBMISSION_ID.eq(submission))
        .fetchOptional(REVIEW_LEASE.ACCOUNT_ID)
        .orElse(account);
  }

  public void letGo(UUID submission, UUID account) {
    db.deleteFrom(REVIEW_LEASE)
        .where(REVIEW_LEASE.SUBMISSION_ID.eq(submission), REVIEW_LEASE.ACCOUNT_ID.eq(account))
        .execute();
  }

  /** Who holds which of several now. */
  public Map<UUID, UUID> held(Collection<UUID> submissions, Instant now) {
    return db.select(REVIEW_LEASE.SUBMISSION_ID, REVIEW_LEASE.ACCOUNT_ID)
        .from(REVIEW_LEASE)
        .where(
            REVIEW_LEASE.SUBMISSION_ID.eq(any(submissions.toArray(UUID[]::new))),
            REVIEW_LEASE.UNTIL.gt(now.atOffset(ZoneOffset.UTC)))
        .fetchMap(REVIEW_LEASE.SUBMISSION_ID, REVIEW_LEASE.ACCOUNT_ID);
  }

  /** What ended long ago. */
  public int clean(Instant before) {
    return db.deleteFrom(REVIEW_LEASE)
        .where(REVIEW_LEASE.UNTIL.lt(before.atOffset(ZoneOffset.UTC)))
        .execute();
  }
}
