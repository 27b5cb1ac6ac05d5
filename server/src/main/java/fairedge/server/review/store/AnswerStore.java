package fairedge.server.review.store;

import static fairedge.schema.generated.Tables.ANSWER;
import static fairedge.schema.generated.Tables.NOTE;
import static fairedge.schema.generated.Tables.NOTE_THREAD;
import static fairedge.schema.generated.Tables.REVIEW_LEASE;
import static fairedge.schema.generated.Tables.SAYING;
import static org.jooq.impl.DSL.any;
import static org.jooq.impl.DSL.when;

import fairedge.core.credit.Judged;
import fairedge.json.CreditsView;
import fairedge.json.FindingView.ElementView;
import fairedge.schema.generated.tables.records.AnswerRecord;
import fairedge.schema.generated.tables.records.SayingRecord;
import fairedge.server.platform.Json;
import fairedge.server.review.Answer;
import fairedge.server.review.AnswerView.Phase;
import fairedge.server.review.AnswerView.Verdict;
import fairedge.server.review.NoteView;
import fairedge.server.review.NoteView.CameraView;
import fairedge.server.review.NoteView.NoteKind;
import fairedge.server.review.Saying;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;
import tools.jackson.core.type.TypeReference;

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

  private Answer read(AnswerRecord r, List<NoteView> notes) {
    OffsetDateTime returned = r.getReturnedAt();
    return new Answer(
        r.getRevision(),
        r.getReportVersion(),
        r.getClientKey(),
        new Answer.Words(r.getWord(), verdictOf(r.getVerdict()), notes, judged(r)),
        r.getReadyAt() != null,
        r.getWrittenBy(),
        r.getSaid(),
        returned == null ? null : returned.toInstant(),
        r.getReturnedBy(),
        r.getIsOut());
  }

  private Judged judged(AnswerRecord r) {
    return new Judged(
        json.read(r.getSeen(), new TypeReference<Map<String, String>>() {}),
        json.read(r.getByHand(), new TypeReference<Map<String, Judged.ByHand>>() {}));
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
          JSONB mend = r.getMend();
          return new NoteView(
              r.getId(),
              NoteKind.valueOf(r.getKind()),
              r.getText(),
              r.getFinding(),
              new ElementView(ElementView.Kind.valueOf(r.getElementKind()), r.getElementId(), null),
              json.read(r.getPlace(), KeptPlace.class).told(),
              camera == null ? null : json.read(camera, KeptPlace.Camera.class).told(),
              KeptNote.told(
                  json.read(r.getStrokes(), new TypeReference<List<List<KeptPlace>>>() {})),
              r.getPhraseId(),
              mend == null ? null : json.read(mend, KeptNote.KeptMend.class).told(),
              null);
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
  public void write(UUID submission, Answer answer, UUID by) {
    Answer.Words words = answer.words();
    db.update(ANSWER)
        .set(ANSWER.CLIENT_KEY, answer.clientKey())
        .set(ANSWER.WORD, words.word())
        .set(ANSWER.VERDICT, stored(words.verdict()))
        .set(ANSWER.SEEN, json.write(words.judged().seen()))
        .set(ANSWER.BY_HAND, json.write(words.judged().byHand()))
        .set(ANSWER.READY_AT, (OffsetDateTime) null)
        .set(ANSWER.WRITTEN_BY, by)
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
    for (NoteView note : answer.words().notes()) {
      insert(submission, ++number, note);
    }
  }

  private void insert(UUID submission, int number, NoteView note) {
    CameraView camera = note.camera();
    KeptNote.KeptMend mend = KeptNote.KeptMend.of(note.mend());
    db.insertInto(NOTE)
        .set(NOTE.ID, note.id())
        .set(NOTE.KIND, note.kind().name())
        .set(NOTE.STROKES, json.write(KeptNote.kept(note.strokes())))
        .set(NOTE.PHRASE_ID, note.phrase())
        .set(NOTE.FORMAT, FORMAT)
        .set(NOTE.SUBMISSION_ID, submission)
        .set(NOTE.NUMBER, number)
        .set(NOTE.TEXT, note.text())
        .set(NOTE.FINDING, note.finding())
        .set(NOTE.ELEMENT_KIND, note.element().kind().name())
        .set(NOTE.ELEMENT_ID, note.element().id())
        .set(NOTE.PLACE, json.write(KeptPlace.of(note.place())))
        .set(NOTE.CAMERA, camera == null ? null : json.write(KeptPlace.Camera.of(camera)))
        .set(NOTE.MEND, mend == null ? null : json.write(mend))
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

  /** Keeps it ready to go out with others, or not; the next revision. */
  public void setReady(UUID submission, @Nullable Instant at) {
    db.update(ANSWER)
        .set(ANSWER.READY_AT, at == null ? null : at.atOffset(ZoneOffset.UTC))
        .set(ANSWER.REVISION, ANSWER.REVISION.plus(1))
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .execute();
  }

  /** It goes out at a time; the next revision. */
  public void setGoing(UUID submission, UUID by, Instant at) {
    db.update(ANSWER)
        .set(ANSWER.RETURNED_AT, at.atOffset(ZoneOffset.UTC))
        .set(ANSWER.RETURNED_BY, by)
        .set(ANSWER.REVISION, ANSWER.REVISION.plus(1))
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .execute();
  }

  /** It is written again: called back before its time, or to be amended. The next revision. */
  public void setWritten(UUID submission) {
    db.update(ANSWER)
        .set(ANSWER.IS_OUT, false)
        .set(ANSWER.RETURNED_AT, (OffsetDateTime) null)
        .set(ANSWER.RETURNED_BY, (UUID) null)
        .set(ANSWER.READY_AT, (OffsetDateTime) null)
        .set(ANSWER.REVISION, ANSWER.REVISION.plus(1))
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .execute();
  }

  /** It is out; where it says something new, nobody has read that yet. */
  public void setOut(UUID submission, int said) {
    var isNews = ANSWER.SAID.ne(said);
    db.update(ANSWER)
        .set(ANSWER.READ_AT, when(isNews, (OffsetDateTime) null).otherwise(ANSWER.READ_AT))
        .set(ANSWER.IS_OUT, true)
        .set(ANSWER.SAID, said)
        .set(ANSWER.READY_AT, (OffsetDateTime) null)
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .execute();
  }

  /** What was to go out by now and did not yet, in the order of its time. */
  public List<UUID> due(Instant now) {
    return db.select(ANSWER.SUBMISSION_ID)
        .from(ANSWER)
        .where(ANSWER.RETURNED_AT.le(now.atOffset(ZoneOffset.UTC)), ANSWER.IS_OUT.isFalse())
        .orderBy(ANSWER.RETURNED_AT)
        .fetch(ANSWER.SUBMISSION_ID);
  }

  /** How far the answer to a submission is, and who wrote in it last. */
  public record Stand(Phase phase, @Nullable UUID writtenBy) {}

  /** How far the answers to several are; none where nobody began. */
  public Map<UUID, Stand> stands(Collection<UUID> submissions) {
    return db.select(
            ANSWER.SUBMISSION_ID,
            ANSWER.RETURNED_AT,
            ANSWER.IS_OUT,
            ANSWER.READY_AT,
            ANSWER.WRITTEN_BY)
        .from(ANSWER)
        .where(ANSWER.SUBMISSION_ID.eq(any(submissions.toArray(UUID[]::new))))
        .fetchMap(
            ANSWER.SUBMISSION_ID,
            r ->
                new Stand(
                    Phase.of(
                        r.get(ANSWER.READY_AT) != null,
                        r.get(ANSWER.RETURNED_AT) != null,
                        r.get(ANSWER.IS_OUT)),
                    r.get(ANSWER.WRITTEN_BY)));
  }

  /** Of several those that are on their way out, and when they will be. */
  public Map<UUID, Instant> goingAt(Collection<UUID> submissions) {
    return db.select(ANSWER.SUBMISSION_ID, ANSWER.RETURNED_AT)
        .from(ANSWER)
        .where(
            ANSWER.SUBMISSION_ID.eq(any(submissions.toArray(UUID[]::new))),
            ANSWER.RETURNED_AT.isNotNull(),
            ANSWER.IS_OUT.isFalse())
        .fetchMap(ANSWER.SUBMISSION_ID, r -> r.value2().toInstant());
  }

  /** Which were out once and are written again. */
  public List<UUID> amending() {
    return db.select(ANSWER.SUBMISSION_ID)
        .from(ANSWER)
        .where(ANSWER.SAID.gt(0), ANSWER.IS_OUT.isFalse())
        .fetch(ANSWER.SUBMISSION_ID);
  }

  /** Lets go of the answers to several submissions; in the transaction at hand. */
  public void forget(Collection<UUID> submissions) {
    db.deleteFrom(NOTE_THREAD).where(NOTE_THREAD.SUBMISSION_ID.in(submissions)).execute();
    db.deleteFrom(REVIEW_LEASE).where(REVIEW_LEASE.SUBMISSION_ID.in(submissions)).execute();
    db.deleteFrom(SAYING).where(SAYING.SUBMISSION_ID.in(submissions)).execute();
    db.deleteFrom(NOTE).where(NOTE.SUBMISSION_ID.in(submissions)).execute();
    db.deleteFrom(ANSWER).where(ANSWER.SUBMISSION_ID.in(submissions)).execute();
  }

  /** What an answer said each time, the first first. */
  public List<Saying> sayings(UUID submission) {
    return db.selectFrom(SAYING)
        .where(SAYING.SUBMISSION_ID.eq(submission))
        .orderBy(SAYING.NUMBER)
        .fetch(this::saying);
  }

  /** What the answers to several say now. */
  public Map<UUID, Saying> lastSayings(Collection<UUID> submissions) {
    return db.selectDistinct(SAYING)
        .on(SAYING.SUBMISSION_ID)
        .from(SAYING)
        .where(SAYING.SUBMISSION_ID.eq(any(submissions.toArray(UUID[]::new))))
        .orderBy(SAYING.SUBMISSION_ID, SAYING.NUMBER.desc())
        .fetchMap(r -> r.value1().getSubmissionId(), r -> saying(r.value1()));
  }

  private Saying saying(SayingRecord r) {
    KeptSaying kept = json.read(r.getContent(), KeptSaying.class);
    return new Saying(
        r.getNumber(),
        r.getOutAt().toInstant(),
        r.getSaidBy(),
        r.getReportVersion(),
        new Answer.Words(
            kept.word(),
            verdictOf(kept.verdict()),
            kept.notes().stream().map(KeptNote::told).toList(),
            new Judged(kept.seen(), kept.byHand())),
        kept.credits(),
        kept.waved());
  }

  /** What is kept of what was said. */
  private record KeptSaying(
      String word,
      String verdict,
      @Nullable CreditsView credits,
      List<Saying.WavedNote> waved,
      List<KeptNote> notes,
      Map<String, String> seen,
      Map<String, Judged.ByHand> byHand) {}

  /** Keeps what an answer says now. */
  public void say(UUID submission, Saying s) {
    Answer.Words words = s.words();
    db.insertInto(SAYING)
        .set(SAYING.SUBMISSION_ID, submission)
        .set(SAYING.NUMBER, s.number())
        .set(SAYING.OUT_AT, s.outAt().atOffset(ZoneOffset.UTC))
        .set(SAYING.SAID_BY, s.by())
        .set(SAYING.REPORT_VERSION, s.report())
        .set(SAYING.FORMAT, FORMAT)
        .set(
            SAYING.CONTENT,
            json.write(
                new KeptSaying(
                    words.word(),
                    Objects.requireNonNull(stored(words.verdict())),
                    s.credits(),
                    s.waved(),
                    words.notes().stream().map(KeptNote::of).toList(),
                    words.judged().seen(),
                    words.judged().byHand())))
        .execute();
  }
}
