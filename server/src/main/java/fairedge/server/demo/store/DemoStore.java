package fairedge.server.demo.store;

import static fairedge.schema.generated.Tables.ANSWER;
import static fairedge.schema.generated.Tables.SUBMISSION;
import static fairedge.schema.generated.Tables.UPLOAD;

import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Lets what the demonstration did just now have been done some days ago. */
@Repository
public class DemoStore {
  private final DSLContext db;

  DemoStore(DSLContext db) {
    this.db = db;
  }

  private static OffsetDateTime time(Instant instant) {
    return instant.atOffset(ZoneOffset.UTC);
  }

  public void handedInAt(UUID submission, Instant at) {
    db.update(SUBMISSION)
        .set(SUBMISSION.HANDED_IN_AT, time(at))
        .where(SUBMISSION.ID.eq(submission))
        .execute();
  }

  public void returnedAt(UUID submission, Instant at) {
    db.update(ANSWER)
        .set(ANSWER.RETURNED_AT, time(at))
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .execute();
  }

  public void receivedAt(UUID upload, Instant at) {
    db.update(UPLOAD).set(UPLOAD.RECEIVED_AT, time(at)).where(UPLOAD.ID.eq(upload)).execute();
  }
}
