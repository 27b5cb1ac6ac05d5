package fairedge.server.submission.store;

import static fairedge.schema.generated.Tables.BUNDLED;
import static fairedge.schema.generated.Tables.UPLOAD;
import static org.jooq.impl.DSL.any;
import static org.jooq.impl.DSL.coalesce;
import static org.jooq.impl.DSL.greatest;
import static org.jooq.impl.DSL.inline;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.select;
import static org.jooq.impl.DSL.selectOne;

import fairedge.core.format.LengthUnit;
import fairedge.core.format.Meant;
import fairedge.core.format.Meant.Up;
import fairedge.server.meshfile.SentFiles;
import fairedge.server.platform.Json;
import fairedge.server.submission.UploadView.Question;
import fairedge.server.submission.UploadView.Stage;
import fairedge.server.submission.UploadView.UploadProblem;
import java.math.BigDecimal;
import java.time.Instant;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import org.springframework.transaction.annotation.Transactional;

/** Files on their way in. */
@Repository
public class UploadStore {
  private static final List<String> OVER = List.of("done", "failed", "cancelled");

  private final DSLContext db;
  private final Json json;
  private final SentFiles sent;

  UploadStore(DSLContext db, Json json, SentFiles sent) {
    this.db = db;
    this.json = json;
    this.sent = sent;
  }

  /**
   * How far a file is; its bytes are kept under its id.
   *
   * @param size of the file, in bytes
   */
  public record Upload(
      UUID id,
      UUID assignmentId,
      UUID studentId,
      UUID clientKey,
      String fileName,
      long size,
      Stage stage,
      double share,
      @Nullable UUID submissionId,
      Instant receivedAt,
      boolean asks,
      @Nullable Meant meant) {}

  /**
   * A file that comes in.
   *
   * @param id by which its bytes are kept
   * @param asks whether the student may be asked how it is meant
   * @param meant how it is meant, where that is known
   */
  public record Incoming(
      UUID id,
      UUID assignment,
      UUID student,
      UUID clientKey,
      String fileName,
      long size,
      boolean asks,
      @Nullable Meant meant) {}

  /** No one else receives files of this student until the transaction ends. */
  public void lockUploads(UUID student) {
    long key = student.getMostSignificantBits() ^ 0x75706C6F6164L;
    db.fetch("select pg_advisory_xact_lock({0})", inline(key));
  }

  public void insert(Incoming file, Instant now) {
    Meant meant = file.meant();
    db.insertInto(UPLOAD)
        .set(UPLOAD.ID, file.id())
        .set(UPLOAD.ASSIGNMENT_ID, file.assignment())
        .set(UPLOAD.STUDENT_ID, file.student())
        .set(UPLOAD.CLIENT_KEY, file.clientKey())
        .set(UPLOAD.FILE_NAME, file.fileName())
        .set(UPLOAD.SIZE, file.size())
        .set(UPLOAD.STAGE, Stage.waiting.name())
        .set(UPLOAD.ASKS, file.asks())
        .set(UPLOAD.UNIT, meant == null ? null : meant.unit().name())
        .set(UPLOAD.UP, meant == null ? null : meant.up().name())
        .set(UPLOAD.RECEIVED_AT, now.atOffset(ZoneOffset.UTC))
        .execute();
  }

  /** Whether there is any of several assignments. */
  public boolean hasAny(Collection<UUID> assignments) {
    return db.fetchExists(UPLOAD, UPLOAD.ASSIGNMENT_ID.eq(any(assignments.toArray(UUID[]::new))));
  }

  public Optional<Upload> find(UUID id) {
    return findWhere(UPLOAD.ID.eq(id));
  }

  public Optional<Upload> findByKey(UUID student, UUID clientKey) {
    return findWhere(UPLOAD.STUDENT_ID.eq(student).and(UPLOAD.CLIENT_KEY.eq(clientKey)));
  }

  private Optional<Upload> findWhere(Condition condition) {
    return db.select(
            UPLOAD.ID,
            UPLOAD.ASSIGNMENT_ID,
            UPLOAD.STUDENT_ID,
            UPLOAD.CLIENT_KEY,
            UPLOAD.FILE_NAME,
            UPLOAD.SIZE,
            UPLOAD.STAGE,
            UPLOAD.SHARE,
            UPLOAD.SUBMISSION_ID,
            UPLOAD.RECEIVED_AT,
            UPLOAD.ASKS,
            UPLOAD.UNIT,
            UPLOAD.UP)
        .from(UPLOAD)
        .where(condition)
        .fetchOptional(r ->
            new Upload(
                r.value1(),
                r.value2(),
                r.value3(),
                r.value4(),
                r.value5(),
                r.value6(),
                Stage.valueOf(r.value7()),
                r.value8(),
                r.value9(),
                r.value10().toInstant(),
                r.value11(),
                r.value12() == null
                    ? null
                    : new Meant(LengthUnit.valueOf(r.value12()), Up.valueOf(r.value13()))));
  }

  /** How many bytes of files a student has sent since a time. */
  public long received(UUID student, Instant since) {
    return sum(UPLOAD.STUDENT_ID.eq(student), since);
  }

  /** The same of all students, for any of several assignments. */
  public long receivedFor(Collection<UUID> assignments, Instant since) {
    return sum(UPLOAD.ASSIGNMENT_ID.eq(any(assignments.toArray(UUID[]::new))), since);
  }

  private long sum(Condition whose, Instant since) {
    return db.select(coalesce(org.jooq.impl.DSL.sum(UPLOAD.SIZE), inline(BigDecimal.ZERO)))
        .from(UPLOAD)
        .where(whose, UPLOAD.RECEIVED_AT.gt(since.atOffset(ZoneOffset.UTC)))
        .fetchSingle(0, Long.class);
  }

  public int underWay(UUID student) {
    return db.fetchCount(UPLOAD, UPLOAD.STUDENT_ID.eq(student), UPLOAD.STAGE.notIn(OVER));
  }

  public UploadProblem problem(UUID id) {
    return db.select(UPLOAD.PROBLEM)
        .from(UPLOAD)
        .where(UPLOAD.ID.eq(id))
        .fetchSingle(r -> json.read(r.value1(), UploadProblem.class));
  }

  public Question question(UUID id) {
    return db.select(UPLOAD.QUESTION)
        .from(UPLOAD)
        .where(UPLOAD.ID.eq(id))
        .fetchSingle(r -> json.read(r.value1(), Question.class));
  }

  /** Lets it wait for an answer, unless it is over. */
  public void ask(UUID id, Question question) {
    db.update(UPLOAD)
        .set(UPLOAD.STAGE, Stage.asking.name())
        .set(UPLOAD.QUESTION, json.write(question))
        .where(UPLOAD.ID.eq(id), UPLOAD.STAGE.notIn(OVER))
        .execute();
  }

  /** Lets it go on with the answer; false if it does not wait for one. */
  public boolean answer(UUID id, Meant meant) {
    return db.update(UPLOAD)
            .set(UPLOAD.STAGE, Stage.waiting.name())
            .set(UPLOAD.UNIT, meant.unit().name())
            .set(UPLOAD.UP, meant.up().name())
            .set(UPLOAD.TRIES, 0)
            .where(UPLOAD.ID.eq(id), UPLOAD.STAGE.eq(Stage.asking.name()))
            .execute()
        == 1;
  }

  /** Ends what waits for an answer of a student: another file comes in its place. */
  public void cancelAsking(UUID assignment, UUID student) {
    db.update(UPLOAD)
        .set(UPLOAD.STAGE, Stage.cancelled.name())
        .where(
            UPLOAD.ASSIGNMENT_ID.eq(assignment),
            UPLOAD.STUDENT_ID.eq(student),
            UPLOAD.STAGE.eq(Stage.asking.name()))
        .returning(UPLOAD.ID)
        .fetch(UPLOAD.ID)
        .forEach(sent::forget);
  }

  /** Counts a run that was begun and has not ended: a node that dies with it leaves it counted. */
  public void countTry(UUID id) {
    db.update(UPLOAD).set(UPLOAD.TRIES, UPLOAD.TRIES.plus(1)).where(UPLOAD.ID.eq(id)).execute();
  }

  /**
   * The run has ended, or was not the only one: whatever becomes of the node says nothing of it.
   */
  public void uncountTry(UUID id) {
    db.update(UPLOAD)
        .set(UPLOAD.TRIES, greatest(UPLOAD.TRIES.minus(1), inline(0)))
        .where(UPLOAD.ID.eq(id))
        .execute();
  }

  /** How many runs of it died with their nodes. */
  public int tries(UUID id) {
    return db.select(UPLOAD.TRIES).from(UPLOAD).where(UPLOAD.ID.eq(id)).fetchSingle(UPLOAD.TRIES);
  }

  /** Whether it shall go no further. */
  public boolean isOver(UUID id) {
    return db.fetchExists(UPLOAD, UPLOAD.ID.eq(id).and(UPLOAD.STAGE.in(OVER)));
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

  @Transactional
  public void fail(UUID id, UploadProblem problem) {
    if (failAndKeep(id, problem)) {
      sent.forget(id);
    }
  }

  /** The same; its bytes are kept for a look at what is wrong with it. False if it was over. */
  public boolean failAndKeep(UUID id, UploadProblem problem) {
    return db.update(UPLOAD)
            .set(UPLOAD.STAGE, Stage.failed.name())
            .set(UPLOAD.PROBLEM, json.write(problem))
            .where(UPLOAD.ID.eq(id), UPLOAD.STAGE.notIn(OVER))
            .execute()
        == 1;
  }

  /** Lets go of the bytes of files that had failed before a time. */
  @Transactional
  public int forgetBytesBefore(Instant time) {
    List<UUID> kept =
        db
            .select(UPLOAD.ID)
            .from(UPLOAD)
            .where(
                UPLOAD.STAGE.eq(Stage.failed.name()),
                UPLOAD.RECEIVED_AT.lt(time.atOffset(ZoneOffset.UTC)))
            .fetch(UPLOAD.ID)
            .stream()
            .filter(sent::has)
            .toList();
    kept.forEach(sent::forget);
    return kept.size();
  }

  /** Lets go of uploads that came to nothing before a time; their bytes went before. */
  public int forgetFailedBefore(Instant time) {
    return db.deleteFrom(UPLOAD)
        .where(
            UPLOAD.STAGE.in(Stage.failed.name(), Stage.cancelled.name()),
            UPLOAD.RECEIVED_AT.lt(time.atOffset(ZoneOffset.UTC)),
            notExists(selectOne().from(BUNDLED).where(BUNDLED.UPLOAD_ID.eq(UPLOAD.ID))))
        .execute();
  }

  /** The file of a submission is one of nothing any more. */
  public void forgetOf(UUID submission) {
    db.update(BUNDLED)
        .setNull(BUNDLED.UPLOAD_ID)
        .where(
            BUNDLED.UPLOAD_ID.in(
                select(UPLOAD.ID).from(UPLOAD).where(UPLOAD.SUBMISSION_ID.eq(submission))))
        .execute();
    db.deleteFrom(UPLOAD).where(UPLOAD.SUBMISSION_ID.eq(submission)).execute();
  }

  /** Lets go of all files of a student for several assignments, however far they are. */
  @Transactional
  public void forget(UUID student, Collection<UUID> assignments) {
    Condition theirs =
        UPLOAD
            .STUDENT_ID
            .eq(student)
            .and(UPLOAD.ASSIGNMENT_ID.eq(any(assignments.toArray(UUID[]::new))));
    db.select(UPLOAD.ID).from(UPLOAD).where(theirs).fetch(UPLOAD.ID).forEach(sent::forget);
    db.deleteFrom(BUNDLED)
        .where(BUNDLED.UPLOAD_ID.in(select(UPLOAD.ID).from(UPLOAD).where(theirs)))
        .execute();
    db.update(BUNDLED).setNull(BUNDLED.STUDENT_ID).where(BUNDLED.STUDENT_ID.eq(student)).execute();
    db.deleteFrom(UPLOAD).where(theirs).execute();
  }

  @Transactional
  public void cancel(UUID id) {
    int cancelled =
        db.update(UPLOAD)
            .set(UPLOAD.STAGE, Stage.cancelled.name())
            .where(UPLOAD.ID.eq(id), UPLOAD.STAGE.notIn(OVER))
            .execute();
    if (cancelled == 1) {
      sent.forget(id);
    }
  }

  /** Ends it in a submission; false if it was over before. */
  @Transactional
  public boolean finish(UUID id, UUID submission) {
    int finished =
        db.update(UPLOAD)
            .set(UPLOAD.STAGE, Stage.done.name())
            .set(UPLOAD.SHARE, 1.0)
            .set(UPLOAD.SUBMISSION_ID, submission)
            .where(UPLOAD.ID.eq(id), UPLOAD.STAGE.notIn(OVER))
            .execute();
    if (finished == 1) {
      sent.forget(id);
    }
    return finished == 1;
  }
}
