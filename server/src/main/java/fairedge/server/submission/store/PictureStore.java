package fairedge.server.submission.store;

import static fairedge.schema.generated.Tables.SUBMISSION_PICTURE;

import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** Pictures of submissions, by the name of their size. */
@Repository
public class PictureStore {
  private final DSLContext db;

  PictureStore(DSLContext db) {
    this.db = db;
  }

  /**
   * @param report of which revision the report is whose marks it shows
   */
  public Optional<byte[]> find(UUID submission, String size, int report) {
    return db.select(SUBMISSION_PICTURE.PNG)
        .from(SUBMISSION_PICTURE)
        .where(
            SUBMISSION_PICTURE.SUBMISSION_ID.eq(submission),
            SUBMISSION_PICTURE.SIZE.eq(size),
            SUBMISSION_PICTURE.TERMS_REVISION.eq(report))
        .fetchOptional(SUBMISSION_PICTURE.PNG);
  }

  /** Those of a submission, whose marks are others now. */
  public void forget(UUID submission) {
    db.deleteFrom(SUBMISSION_PICTURE)
        .where(SUBMISSION_PICTURE.SUBMISSION_ID.eq(submission))
        .execute();
  }

  public void put(UUID submission, String size, int report, byte[] png) {
    db.insertInto(SUBMISSION_PICTURE)
        .set(SUBMISSION_PICTURE.SUBMISSION_ID, submission)
        .set(SUBMISSION_PICTURE.SIZE, size)
        .set(SUBMISSION_PICTURE.PNG, png)
        .set(SUBMISSION_PICTURE.TERMS_REVISION, report)
        .onConflict(SUBMISSION_PICTURE.SUBMISSION_ID, SUBMISSION_PICTURE.SIZE)
        .doUpdate()
        .set(SUBMISSION_PICTURE.PNG, png)
        .set(SUBMISSION_PICTURE.TERMS_REVISION, report)
        .execute();
  }
}
