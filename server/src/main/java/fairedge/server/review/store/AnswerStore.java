package fairedge.server.review.store;

import static fairedge.schema.generated.Tables.ACCOUNT;
import static fairedge.schema.generated.Tables.ANSWER;
import static fairedge.schema.generated.Tables.NOTE;

import fairedge.core.geometry.Vec3;
import fairedge.json.FindingView.ElementView;
import fairedge.server.platform.Json;
import fairedge.server.review.AnswerView;
import fairedge.server.review.AnswerView.CameraView;
import fairedge.server.review.AnswerView.NoteView;
import fairedge.server.review.AnswerView.Verdict;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jooq.JSONB;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** Answers and their notes. */
@Repository
public class AnswerStore {
  private final DSLContext db;
  private final Json json;

  AnswerStore(DSLContext db, Json json) {
    this.db = db;
    this.json = json;
  }

  public Optional<AnswerView> find(UUID submission) {
    return db.select(ANSWER.REVISION, ANSWER.WORD, ANSWER.VERDICT, ANSWER.RETURNED_AT, ACCOUNT.NAME)
        .from(ANSWER)
        .leftJoin(ACCOUNT)
        .on(ACCOUNT.ID.eq(ANSWER.RETURNED_BY))
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .fetchOptional(r -> {
          OffsetDateTime returned = r.value4();
          return new AnswerView(
              r.value1(),
              r.value2(),
              verdictOf(r.value3()),
              notes(submission),
              returned == null ? null : returned.toInstant(),
              r.value5());
        });
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
              json.read(r.getPlace(), Vec3.class),
              camera == null ? null : json.read(camera, CameraView.class));
        });
  }

  /** Begins an empty draft where there is none, and lets no one else write until we are done. */
  public void lock(UUID submission) {
    db.insertInto(ANSWER).set(ANSWER.SUBMISSION_ID, submission).onConflictDoNothing().execute();
    db.selectFrom(ANSWER).where(ANSWER.SUBMISSION_ID.eq(submission)).forUpdate().fetchSingle();
  }

  /** By which request the draft was written last; null where that is not known. */
  public @Nullable UUID keyOf(UUID submission) {
    return db.select(ANSWER.CLIENT_KEY)
        .from(ANSWER)
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .fetchOne(ANSWER.CLIENT_KEY);
  }

  /** Writes a whole draft over the one before. */
  public void write(
      UUID submission,
      String word,
      @Nullable Verdict verdict,
      List<NoteView> notes,
      @Nullable UUID clientKey) {
    db.update(ANSWER)
        .set(ANSWER.CLIENT_KEY, clientKey)
        .set(ANSWER.WORD, word)
        .set(ANSWER.VERDICT, stored(verdict))
        .set(ANSWER.REVISION, ANSWER.REVISION.plus(1))
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .execute();
    db.deleteFrom(NOTE).where(NOTE.SUBMISSION_ID.eq(submission)).execute();
    int number = 0;
    for (NoteView note : notes) {
      insert(submission, ++number, note);
    }
  }

  private void insert(UUID submission, int number, NoteView note) {
    CameraView camera = note.camera();
    db.insertInto(NOTE)
        .set(NOTE.ID, UUID.randomUUID())
        .set(NOTE.SUBMISSION_ID, submission)
        .set(NOTE.NUMBER, number)
        .set(NOTE.TEXT, note.text())
        .set(NOTE.FINDING, note.finding())
        .set(NOTE.ELEMENT_KIND, note.element().kind().name())
        .set(NOTE.ELEMENT_ID, note.element().id())
        .set(NOTE.PLACE, json.write(note.place()))
        .set(NOTE.CAMERA, camera == null ? null : json.write(camera))
        .execute();
  }

  /** Lets notes name findings by other numbers; one that has none any more is of none. */
  public void moveFindings(UUID submission, Map<Integer, Integer> numbers) {
    db.selectFrom(NOTE)
        .where(NOTE.SUBMISSION_ID.eq(submission), NOTE.FINDING.isNotNull())
        .forUpdate()
        .fetch()
        .forEach(note ->
            db.update(NOTE)
                .set(NOTE.FINDING, numbers.get(note.getFinding()))
                .where(NOTE.ID.eq(note.getId()))
                .execute());
  }

  public void markReturned(UUID submission, UUID by, Instant at) {
    db.update(ANSWER)
        .set(ANSWER.RETURNED_AT, at.atOffset(ZoneOffset.UTC))
        .set(ANSWER.RETURNED_BY, by)
        .set(ANSWER.REVISION, ANSWER.REVISION.plus(1))
        .where(ANSWER.SUBMISSION_ID.eq(submission))
        .execute();
  }
}
