package fairedge.server.submission.store;

import static fairedge.schema.generated.Tables.SUBMISSION_PICTURE;

import java.util.Collection;
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
   * @param report version of the report whose marks it shows
   */
  public Optional<byte[]> find(UUID submission, String size, int report) {
    return db.select(SUBMISSION_PICTURE.PNG)
        .from(SUBMISSION_PICTURE)
        .where(
            SUBMISSION_PICTURE.SUBMISSION_ID.eq(submission),
            SUBMISSION_PICTURE.SIZE.eq(size),
            SUBMISSION_PICTURE.VERSION.eq(report))
        .fetchOptional(SUBMISSION_PICTURE.PNG);
  }

  /** Those of a submission that show the marks of none of these reports. */
  public void forgetAllBut(UUID submission, Collection<Integer> reports) {
    db.deleteFrom(SUBMISSION_PICTURE)
        .where(
            SUBMISSION_PICTURE.SUBMISSION_ID.eq(submission),
            SUBMISSION_PICTURE.VERSION.notIn(reports))
        .execute();
  }

  /** All of several submissions. */
  public void forget(Collection<UUID> submissions) {
    db.deleteFrom(SUBMISSION_PICTURE)
        .where(SUBMISSION_PICTURE.SUBMISSION_ID.in(submissions))
        .execute();
  }

  public void put(UUID submission, String size, int report, byte[] png) {
    db.insertInto(SUBMISSION_PICTURE)
        .set(SUBMISSION_PICTURE.SUBMISSION_ID, submission)
        .set(SUBMISSION_PICTURE.SIZE, size)
        .set(SUBMISSION_PICTURE.PNG, png)
        .set(SUBMISSION_PICTURE.VERSION, report)
        .onConflictDoNothing()
        .execute();
  }
}
