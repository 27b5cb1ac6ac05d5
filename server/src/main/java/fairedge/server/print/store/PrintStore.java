package fairedge.server.print.store;

import static fairedge.schema.generated.Tables.PRINT;
import static org.jooq.impl.DSL.any;

import fairedge.server.print.Print;
import fairedge.server.print.PrintView.PrintForm;
import fairedge.server.print.PrintView.PrintState;
import fairedge.server.print.Sheet;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Prints; not their files. */
@Repository
public class PrintStore {
  private final DSLContext db;

  PrintStore(DSLContext db) {
    this.db = db;
  }

  public void insert(Print p, Instant now) {
    db.insertInto(PRINT)
        .set(PRINT.ID, p.id())
        .set(PRINT.ACCOUNT_ID, p.account())
        .set(PRINT.ASSIGNMENT_ID, p.assignment())
        .set(PRINT.COURSE_ID, p.course())
        .set(PRINT.STUDENT_ID, p.student())
        .set(PRINT.FORM, p.form().name())
        .set(PRINT.SHEET, p.sheet().name())
        .set(PRINT.TOTAL, p.total())
        .set(PRINT.ASKED_AT, now.atOffset(ZoneOffset.UTC))
        .execute();
  }

  public Optional<Print> find(UUID id) {
    return db.selectFrom(PRINT)
        .where(PRINT.ID.eq(id))
        .fetchOptional(r ->
            new Print(
                r.getId(),
                r.getAccountId(),
                r.getAssignmentId(),
                r.getCourseId(),
                r.getStudentId(),
                PrintForm.valueOf(r.getForm()),
                Sheet.valueOf(r.getSheet()),
                PrintState.valueOf(r.getState()),
                r.getDone(),
                r.getTotal()));
  }

  /** How many somebody waits for. */
  public int waiting(UUID account) {
    return db.fetchCount(
        PRINT, PRINT.ACCOUNT_ID.eq(account), PRINT.STATE.eq(PrintState.waiting.name()));
  }

  /**
   * @return false where nobody wants it any more
   */
  public boolean setDone(UUID id, int done) {
    return db.update(PRINT).set(PRINT.DONE, done).where(PRINT.ID.eq(id)).execute() > 0;
  }

  /**
   * @return false where nobody wants it any more
   */
  public boolean setState(UUID id, PrintState state) {
    return db.update(PRINT).set(PRINT.STATE, state.name()).where(PRINT.ID.eq(id)).execute() > 0;
  }

  public void forget(UUID id) {
    db.deleteFrom(PRINT).where(PRINT.ID.eq(id)).execute();
  }

  public List<UUID> askedBefore(Instant time) {
    return ids(PRINT.ASKED_AT.lt(time.atOffset(ZoneOffset.UTC)));
  }

  /** What somebody asked for, or is in. */
  public List<UUID> of(UUID account, Collection<UUID> assignments) {
    return ids(
        PRINT
            .ACCOUNT_ID
            .eq(account)
            .or(PRINT.STUDENT_ID.eq(account))
            .or(PRINT.ASSIGNMENT_ID.eq(any(assignments.toArray(UUID[]::new)))));
  }

  private List<UUID> ids(Condition which) {
    return db.select(PRINT.ID).from(PRINT).where(which).fetch(PRINT.ID);
  }
}
