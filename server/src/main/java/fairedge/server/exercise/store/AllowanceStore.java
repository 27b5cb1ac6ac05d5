package fairedge.server.exercise.store;

import static fairedge.schema.generated.Tables.ALLOWANCE;

import fairedge.server.exercise.Allowance;
import java.time.ZoneOffset;
import java.util.List;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** What somebody has beyond what is set. */
@Repository
public class AllowanceStore {
  private final DSLContext db;

  AllowanceStore(DSLContext db) {
    this.db = db;
  }

  public List<Allowance> of(UUID assignment) {
    return db.selectFrom(ALLOWANCE)
        .where(ALLOWANCE.ASSIGNMENT_ID.eq(assignment))
        .orderBy(ALLOWANCE.ID)
        .fetch(r ->
            new Allowance(
                r.getId(),
                r.getAccountId(),
                r.getGroupId(),
                r.getDue(),
                r.getDueAt() == null ? null : r.getDueAt().toInstant(),
                r.getAttempts(),
                r.getExcused()));
  }

  public void insert(UUID assignment, Allowance a) {
    db.insertInto(ALLOWANCE)
        .set(ALLOWANCE.ID, a.id())
        .set(ALLOWANCE.ASSIGNMENT_ID, assignment)
        .set(ALLOWANCE.ACCOUNT_ID, a.account())
        .set(ALLOWANCE.GROUP_ID, a.group())
        .set(ALLOWANCE.DUE, a.due())
        .set(ALLOWANCE.DUE_AT, a.dueAt() == null ? null : a.dueAt().atOffset(ZoneOffset.UTC))
        .set(ALLOWANCE.ATTEMPTS, a.attempts())
        .set(ALLOWANCE.EXCUSED, a.excused())
        .execute();
  }

  public void forget(UUID assignment, @Nullable UUID account, @Nullable UUID group) {
    db.deleteFrom(ALLOWANCE)
        .where(
            ALLOWANCE.ASSIGNMENT_ID.eq(assignment),
            account != null ? ALLOWANCE.ACCOUNT_ID.eq(account) : ALLOWANCE.GROUP_ID.eq(group))
        .execute();
  }

  /** All of a student. */
  public void forget(UUID account) {
    db.deleteFrom(ALLOWANCE).where(ALLOWANCE.ACCOUNT_ID.eq(account)).execute();
  }
}
