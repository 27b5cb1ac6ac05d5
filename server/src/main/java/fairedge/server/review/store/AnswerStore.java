package fairedge.server.review.store;

import static fairedge.schema.generated.Tables.ANSWER;
import static fairedge.schema.generated.Tables.NOTE;

import fairedge.json.CreditsView;
import fairedge.json.FindingView.ElementView;
import fairedge.schema.generated.tables.records.AnswerRecord;
import fairedge.server.platform.Json;
import fairedge.server.review.Answer;
import fairedge.server.review.AnswerView.CameraView;
import fairedge.server.review.AnswerView.NoteView;
import fairedge.server.review.AnswerView.Verdict;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Answers and their notes. */
@Repository
public class AnswerStore {
  /** The form in which places and cameras of notes are written. */
  private static final int FORMAT = 1;

  private final DSLContext db;
  private final Json json;

  AnswerStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  public Optional<Answer> find(UUID submission) {
    return db.selectFrom(ANSWER)
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .fetchOptional(r -> read(r, notes(submission)));
  }

  private static Answer read(AnswerRecord r, List<NoteView> notes) {
    OffsetDateTime returned = r.getReturnedAt();
    return new Answer(
        r.getRevision(),
        r.getReportVersion(),
        r.getClientKey(),
        r.getWord(),
        verdictOf(r.getVerdict()),
        notes,
        returned == null ? null : returned.toInstant(),
        r.getReturnedBy());
  }

  private static @Nullable Verdict verdictOf(@Nullable String stored) {
    return stored == null ? null : "accepted".equals(stored) ? Verdict.accepted : Verdict.tryAgain;
  }

  private static @Nullable String stored(@Nullable Verdict verdict) {
    return verdict == null ? null : verdict == Verdict.accepted ? "accepted" : "try-again";
  }

  private List<NoteView> notes(UUID submission) {
    return db.selectFrom(NOTE)
        .where(NOTE.SUBMISSION_ID.eq(submission))
        .orderBy(NOTE.NUMBER)
        .fetch(r -> {
          JSONB camera = r.getCamera();
          return new NoteView(
              r.getText(),
              r.getFinding(),
              new ElementView(ElementView.Kind.valueOf(r.getElementKind()), r.getElementId(), null),
              json.read(r.getPlace(), KeptPlace.class).told(),
              camera == null ? null : json.read(camera, KeptPlace.Camera.class).told());
        });
  }

  /**
   * Begins an empty draft where there is none, and lets no one else write until we are done.
   *
   * @param report version of the newest report
   */
  public Answer lock(UUID submission, int report) {
    db.insertInto(ANSWER)
        .set(ANSWER.SUBMISSION_ID, submission)
        .set(ANSWER.REPORT_VERSION, report)
        .onConflictDoNothing()
        .execute();
    return findLocked(submission).orElseThrow();
  }

  /** An answer that is there, for no one else to write until we are done. */
  public Optional<Answer> findLocked(UUID submission) {
    return db.selectFrom(ANSWER)
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .forUpdate()
        .fetchOptional(r -> read(r, notes(submission)));
  }

  /** Writes a whole draft over the one before, and goes on to the next revision. */
  public void write(UUID submission, Answer answer) {
    db.update(ANSWER)
        .set(ANSWER.CLIENT_KEY, answer.clientKey())
        .set(ANSWER.WORD, answer.word())
        .set(ANSWER.VERDICT, stored(answer.verdict()))
        .set(ANSWER.REVISION, ANSWER.REVISION.plus(1))
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .execute();
    writeNotes(submission, answer);
  }

  /** Writes the notes alone, as they are in another report. */
  public void writeNotes(UUID submission, Answer answer) {
    db.update(ANSWER)
        .set(ANSWER.REPORT_VERSION, answer.report())
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .execute();
    db.deleteFrom(NOTE).where(NOTE.SUBMISSION_ID.eq(submission)).execute();
    int number = 0;
    for (NoteView note : answer.notes()) {
      insert(submission, ++number, note);
    }
  }

  private void insert(UUID submission, int number, NoteView note) {
    CameraView camera = note.camera();
    db.insertInto(NOTE)
        .set(NOTE.ID, UUID.randomUUID())
        .set(NOTE.FORMAT, FORMAT)
        .set(NOTE.SUBMISSION_ID, submission)
        .set(NOTE.NUMBER, number)
        .set(NOTE.TEXT, note.text())
        .set(NOTE.FINDING, note.finding())
        .set(NOTE.ELEMENT_KIND, note.element().kind().name())
        .set(NOTE.ELEMENT_ID, note.element().id())
        .set(NOTE.PLACE, json.write(KeptPlace.of(note.place())))
        .set(NOTE.CAMERA, camera == null ? null : json.write(KeptPlace.Camera.of(camera)))
        .execute();
  }

  /** Its student has read an answer; the first time counts. */
  public void markRead(UUID submission, Instant at) {
    db.update(ANSWER)
        .set(ANSWER.READ_AT, at.atOffset(ZoneOffset.UTC))
        .where(ANSWER.SUBMISSION_ID.eq(submission), ANSWER.READ_AT.isNull())
        .execute();
  }

  public boolean isRead(UUID submission) {
    return db.fetchExists(ANSWER, ANSWER.SUBMISSION_ID.eq(submission), ANSWER.READ_AT.isNotNull());
  }

  /** What an answer that is out gave. */
  public Optional<CreditsView> credits(UUID submission) {
    return db.select(ANSWER.CREDITS)
        .from(ANSWER)
        .where(ANSWER.SUBMISSION_ID.eq(submission), ANSWER.CREDITS.isNotNull())
        .fetchOptional(r -> json.read(r.value1(), CreditsView.class));
  }

  /** Lets go of the answers to several submissions; in the transaction at hand. */
  public void forget(Collection<UUID> submissions) {
    db.deleteFrom(NOTE).where(NOTE.SUBMISSION_ID.in(submissions)).execute();
    db.deleteFrom(ANSWER).where(ANSWER.SUBMISSION_ID.in(submissions)).execute();
  }

  /**
   * @param credits what it gives; null: its exercise gives none
   */
  public void markReturned(UUID submission, UUID by, Instant at, @Nullable CreditsView credits) {
    db.update(ANSWER)
        .set(ANSWER.CREDITS, credits == null ? null : json.write(credits))
        .set(ANSWER.RETURNED_AT, at.atOffset(ZoneOffset.UTC))
        .set(ANSWER.RETURNED_BY, by)
        .set(ANSWER.REVISION, ANSWER.REVISION.plus(1))
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .execute();
  }
}
