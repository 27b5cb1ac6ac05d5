package fairedge.server.review.store;

import static fairedge.schema.generated.Tables.ANSWER;
import static fairedge.schema.generated.Tables.NOTE;
import static fairedge.schema.generated.Tables.NOTE_OUTCOME;
import static org.jooq.impl.DSL.any;
import static org.jooq.impl.DSL.count;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.selectOne;

import fairedge.server.review.Cures.Followed;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** What became of what notes that were made of phrases spoke of. */
@Repository
public class OutcomeStore {
  private final DSLContext db;

  OutcomeStore(DSLContext db) {
    this.db = db;
  }

  /**
   * Of several hand-ins some with notes that are out and whose outcome is not known yet. What is
   * being amended waits until it is out again.
   */
  public List<UUID> open(Collection<UUID> submissions, int most) {
    return db.selectDistinct(NOTE.SUBMISSION_ID)
        .from(NOTE)
        .join(ANSWER)
        .on(ANSWER.SUBMISSION_ID.eq(NOTE.SUBMISSION_ID), ANSWER.IS_OUT.isTrue())
        .where(
            NOTE.SUBMISSION_ID.eq(any(submissions.toArray(UUID[]::new))),
            NOTE.PHRASE_ID.isNotNull(),
            NOTE.FINDING.isNotNull(),
            notExists(
                selectOne()
                    .from(NOTE_OUTCOME)
                    .where(
                        NOTE_OUTCOME.SUBMISSION_ID.eq(NOTE.SUBMISSION_ID),
                        NOTE_OUTCOME.NOTE_ID.eq(NOTE.ID))))
        .limit(most)
        .fetch(NOTE.SUBMISSION_ID);
  }

  /** Keeps what became of a note; the first that is known holds. */
  public void keep(UUID submission, UUID note, UUID course, UUID phrase, boolean isCured) {
    db.insertInto(NOTE_OUTCOME)
        .set(NOTE_OUTCOME.SUBMISSION_ID, submission)
        .set(NOTE_OUTCOME.NOTE_ID, note)
        .set(NOTE_OUTCOME.COURSE_ID, course)
        .set(NOTE_OUTCOME.PHRASE_ID, phrase)
        .set(NOTE_OUTCOME.IS_CURED, isCured)
        .onConflictDoNothing()
        .execute();
  }

  /** How often phrases were followed by another attempt in a class, and by a cure. */
  public Map<UUID, Followed> of(UUID course) {
    var cured = count().filterWhere(NOTE_OUTCOME.IS_CURED);
    return db.select(NOTE_OUTCOME.PHRASE_ID, count(), cured)
        .from(NOTE_OUTCOME)
        .where(NOTE_OUTCOME.COURSE_ID.eq(course))
        .groupBy(NOTE_OUTCOME.PHRASE_ID)
        .fetchMap(NOTE_OUTCOME.PHRASE_ID, r -> new Followed(r.value2(), r.value3()));
  }

  /** Two phrases became one. */
  public void merge(UUID phrase, UUID into) {
    db.update(NOTE_OUTCOME)
        .set(NOTE_OUTCOME.PHRASE_ID, into)
        .where(NOTE_OUTCOME.PHRASE_ID.eq(phrase))
        .execute();
  }
}
