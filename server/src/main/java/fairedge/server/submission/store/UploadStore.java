package fairedge.server.submission.store;

import static fairedge.schema.generated.Tables.UPLOAD;
import static org.jooq.impl.DSL.inline;

import fairedge.server.platform.Json;
import fairedge.server.submission.UploadView.Stage;
import fairedge.server.submission.UploadView.UploadProblem;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Files on their way in. */
@Repository
public class UploadStore {
  private static final List<String> OVER = List.of("done", "failed", "cancelled");

  private final DSLContext db;
  private final Json json;

  UploadStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  /** How far a file is; its bytes apart. */
  public record Upload(
      UUID id,
      UUID exerciseId,
      UUID studentId,
      UUID clientKey,
      String fileName,
      Stage stage,
      double share,
      @Nullable UUID submissionId,
      Instant receivedAt) {}

  /** No one else receives files of this student until the transaction ends. */
  public void lockUploads(UUID student) {
    long key = student.getMostSignificantBits() ^ 0x75706C6F6164L;
    db.fetch("select pg_advisory_xact_lock({0})", inline(key));
  }

  public void insert(
      UUID id,
      UUID exercise,
      UUID student,
      UUID clientKey,
      String fileName,
      byte[] bytes,
      Instant now) {
    db.insertInto(UPLOAD)
        .set(UPLOAD.ID, id)
        .set(UPLOAD.EXERCISE_ID, exercise)
        .set(UPLOAD.STUDENT_ID, student)
        .set(UPLOAD.CLIENT_KEY, clientKey)
        .set(UPLOAD.FILE_NAME, fileName)
        .set(UPLOAD.SIZE, (long) bytes.length)
        .set(UPLOAD.BYTES, bytes)
        .set(UPLOAD.STAGE, Stage.waiting.name())
        .set(UPLOAD.RECEIVED_AT, now.atOffset(ZoneOffset.UTC))
        .execute();
  }

  public Optional<Upload> find(UUID id) {
    return findWhere(UPLOAD.ID.eq(id));
  }

  public Optional<Upload> findByKey(UUID clientKey) {
    return findWhere(UPLOAD.CLIENT_KEY.eq(clientKey));
  }

  private Optional<Upload> findWhere(Condition condition) {
    return db.select(
            UPLOAD.ID,
            UPLOAD.EXERCISE_ID,
            UPLOAD.STUDENT_ID,
            UPLOAD.CLIENT_KEY,
            UPLOAD.FILE_NAME,
            UPLOAD.STAGE,
            UPLOAD.SHARE,
            UPLOAD.SUBMISSION_ID,
            UPLOAD.RECEIVED_AT)
        .from(UPLOAD)
        .where(condition)
        .fetchOptional(r ->
            new Upload(
                r.value1(),
                r.value2(),
                r.value3(),
                r.value4(),
                r.value5(),
                Stage.valueOf(r.value6()),
                r.value7(),
                r.value8(),
                r.value9().toInstant()));
  }

  public int underWay(UUID student) {
    return db.fetchCount(UPLOAD, UPLOAD.STUDENT_ID.eq(student), UPLOAD.STAGE.notIn(OVER));
  }

  /** The file itself, while it is kept. */
  public Optional<byte[]> bytes(UUID id) {
    return db.select(UPLOAD.BYTES)
        .from(UPLOAD)
        .where(UPLOAD.ID.eq(id), UPLOAD.BYTES.isNotNull())
        .fetchOptional(UPLOAD.BYTES);
  }

  public UploadProblem problem(UUID id) {
    return db.select(UPLOAD.PROBLEM)
        .from(UPLOAD)
        .where(UPLOAD.ID.eq(id))
        .fetchSingle(r -> json.read(r.value1(), UploadProblem.class));
  }

  /** Counts a try; how many there were, this one with them. */
  public int countTry(UUID id) {
    return db.update(UPLOAD)
        .set(UPLOAD.TRIES, UPLOAD.TRIES.plus(1))
        .where(UPLOAD.ID.eq(id))
        .returning(UPLOAD.TRIES)
        .fetchSingle(UPLOAD.TRIES);
  }

  /** Says how far it is; false if it is over, and shall go no further. */
  public boolean goOn(UUID id, Stage stage, double share) {
    return db.update(UPLOAD)
            .set(UPLOAD.STAGE, stage.name())
            .set(UPLOAD.SHARE, share)
            .where(UPLOAD.ID.eq(id), UPLOAD.STAGE.notIn(OVER))
            .execute()
        == 1;
  }

  public void fail(UUID id, UploadProblem problem) {
    db.update(UPLOAD)
        .set(UPLOAD.STAGE, Stage.failed.name())
        .set(UPLOAD.PROBLEM, json.write(problem))
        .setNull(UPLOAD.BYTES)
        .where(UPLOAD.ID.eq(id), UPLOAD.STAGE.notIn(OVER))
        .execute();
  }

  public void cancel(UUID id) {
    db.update(UPLOAD)
        .set(UPLOAD.STAGE, Stage.cancelled.name())
        .setNull(UPLOAD.BYTES)
        .where(UPLOAD.ID.eq(id), UPLOAD.STAGE.notIn(OVER))
        .execute();
  }

  /** Ends it in a submission; false if it was over before. */
  public boolean finish(UUID id, UUID submission) {
    return db.update(UPLOAD)
            .set(UPLOAD.STAGE, Stage.done.name())
            .set(UPLOAD.SHARE, 1.0)
            .set(UPLOAD.SUBMISSION_ID, submission)
            .setNull(UPLOAD.BYTES)
            .where(UPLOAD.ID.eq(id), UPLOAD.STAGE.notIn(OVER))
            .execute()
        == 1;
  }
}
