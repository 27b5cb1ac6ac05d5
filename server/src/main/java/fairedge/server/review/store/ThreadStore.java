package fairedge.server.review.store;

import static fairedge.schema.generated.Tables.NOTE_THREAD;
import static org.jooq.impl.DSL.count;

import fairedge.schema.generated.tables.records.NoteThreadRecord;
import fairedge.server.review.NoteView.ThreadView;
import java.time.Instant;
import java.time.OffsetDateTime;
import java.time.ZoneOffset;
import java.util.Collection;
import java.util.Map;
import java.util.UUID;
import org.jooq.DSLContext;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Repository;

/** What students make of notes. */
@Repository
public class ThreadStore {
  private final DSLContext db;

  ThreadStore(DSLContext db) {
    this.db = db;
  }

  /** By the notes' ids. */
  public Map<UUID, ThreadView> of(UUID submission) {
    return db.selectFrom(NOTE_THREAD)
        .where(NOTE_THREAD.SUBMISSION_ID.eq(submission))
        .fetchMap(NOTE_THREAD.NOTE_ID, ThreadStore::read);
  }

  private static ThreadView read(NoteThreadRecord r) {
    return new ThreadView(
        instant(r.getSeenAt()), r.getReply(), instant(r.getRepliedAt()), r.getReadAt() != null);
  }

  private static @Nullable Instant instant(@Nullable OffsetDateTime at) {
    return at == null ? null : at.toInstant();
  }

  public void setSeen(UUID submission, UUID note, @Nullable Instant at) {
    OffsetDateTime seen = at == null ? null : at.atOffset(ZoneOffset.UTC);
    db.insertInto(NOTE_THREAD)
        .set(NOTE_THREAD.SUBMISSION_ID, submission)
        .set(NOTE_THREAD.NOTE_ID, note)
        .set(NOTE_THREAD.SEEN_AT, seen)
        .onConflict(NOTE_THREAD.SUBMISSION_ID, NOTE_THREAD.NOTE_ID)
        .doUpdate()
        .set(NOTE_THREAD.SEEN_AT, seen)
        .execute();
  }

  /**
   * @return false where there is a reply already
   */
  public boolean reply(UUID submission, UUID note, String text, Instant at) {
    OffsetDateTime now = at.atOffset(ZoneOffset.UTC);
    return db.insertInto(NOTE_THREAD)
            .set(NOTE_THREAD.SUBMISSION_ID, submission)
            .set(NOTE_THREAD.NOTE_ID, note)
            .set(NOTE_THREAD.SEEN_AT, now)
            .set(NOTE_THREAD.REPLY, text)
            .set(NOTE_THREAD.REPLIED_AT, now)
            .onConflict(NOTE_THREAD.SUBMISSION_ID, NOTE_THREAD.NOTE_ID)
            .doUpdate()
            .set(NOTE_THREAD.REPLY, text)
            .set(NOTE_THREAD.REPLIED_AT, now)
            .where(NOTE_THREAD.REPLY.isNull())
            .execute()
        > 0;
  }

  public void markRead(Collection<UUID> submissions, Instant at) {
    db.update(NOTE_THREAD)
        .set(NOTE_THREAD.READ_AT, at.atOffset(ZoneOffset.UTC))
        .where(
            NOTE_THREAD.SUBMISSION_ID.in(submissions),
            NOTE_THREAD.REPLY.isNotNull(),
            NOTE_THREAD.READ_AT.isNull())
        .execute();
  }

  /** How many replies nobody has read yet, by submission. */
  public Map<UUID, Integer> unread() {
    return db.select(NOTE_THREAD.SUBMISSION_ID, count())
        .from(NOTE_THREAD)
        .where(NOTE_THREAD.REPLIED_AT.isNotNull(), NOTE_THREAD.READ_AT.isNull())
        .groupBy(NOTE_THREAD.SUBMISSION_ID)
        .fetchMap(NOTE_THREAD.SUBMISSION_ID, count());
  }
}
