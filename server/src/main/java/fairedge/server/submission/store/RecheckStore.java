package fairedge.server.submission.store;

import static fairedge.schema.generated.Tables.RECHECK_RUN;

import java.time.Instant;
import java.time.ZoneOffset;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Which run inspects the hand-ins of an exercise anew: a lease that ends by itself. */
@Repository
public class RecheckStore {
  private final DSLContext db;

  RecheckStore(DSLContext db) {
    this.db = db;
  }

  /** False if another run has it. */
  public boolean begin(UUID exercise, UUID run, Instant now, Instant until) {
    return db.insertInto(RECHECK_RUN)
            .set(RECHECK_RUN.EXERCISE_ID, exercise)
            .set(RECHECK_RUN.RUN, run)
            .set(RECHECK_RUN.UNTIL, until.atOffset(ZoneOffset.UTC))
            .onConflict(RECHECK_RUN.EXERCISE_ID)
            .doUpdate()
            .set(RECHECK_RUN.RUN, run)
            .set(RECHECK_RUN.UNTIL, until.atOffset(ZoneOffset.UTC))
            .where(RECHECK_RUN.UNTIL.lt(now.atOffset(ZoneOffset.UTC)))
            .execute()
        == 1;
  }

  /** False if the run has it no more. */
  public boolean renew(UUID exercise, UUID run, Instant until) {
    return db.update(RECHECK_RUN)
            .set(RECHECK_RUN.UNTIL, until.atOffset(ZoneOffset.UTC))
            .where(RECHECK_RUN.EXERCISE_ID.eq(exercise), RECHECK_RUN.RUN.eq(run))
            .execute()
        == 1;
  }

  public void end(UUID exercise, UUID run) {
    db.deleteFrom(RECHECK_RUN)
        .where(RECHECK_RUN.EXERCISE_ID.eq(exercise), RECHECK_RUN.RUN.eq(run))
        .execute();
  }
}
