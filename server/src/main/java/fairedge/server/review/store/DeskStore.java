package fairedge.server.review.store;

import static fairedge.schema.generated.Tables.ACCOUNT;
import static fairedge.schema.generated.Tables.ANSWER;
import static fairedge.schema.generated.Tables.EXERCISE;
import static fairedge.schema.generated.Tables.MEMBERSHIP;
import static fairedge.schema.generated.Tables.SUBMISSION;
import static org.jooq.impl.DSL.notExists;
import static org.jooq.impl.DSL.selectOne;

import java.util.List;
import java.util.UUID;
import org.jooq.Condition;
import org.jooq.DSLContext;
import org.springframework.stereotype.Repository;

/** What waits at an instructor's desk, across submissions, answers and people. */
@Repository
public class DeskStore {
  private final DSLContext db;

  DeskStore(DSLContext db) {
    this.db = db;
  }

  /** A submission and whose it is; by ids, so that their modules tell the rest. */
  public record Entry(UUID submission, UUID studentId, String student, UUID exerciseId) {}

  /** Last attempts that no answer was returned to, the one that waits longest first. */
  public List<Entry> waiting(UUID instructor) {
    return lastAttempts(
        instructor,
        notExists(
            selectOne()
                .from(ANSWER)
                .where(ANSWER.SUBMISSION_ID.eq(SUBMISSION.ID), ANSWER.RETURNED_AT.isNotNull())));
  }

  /** Last attempts of all students in all exercises of the instructor's classes. */
  public List<Entry> latest(UUID instructor) {
    return lastAttempts(instructor, SUBMISSION.ID.isNotNull());
  }

  private List<Entry> lastAttempts(UUID instructor, Condition condition) {
    var later = SUBMISSION.as("later");
    return db.select(SUBMISSION.ID, ACCOUNT.ID, ACCOUNT.NAME, EXERCISE.ID)
        .from(SUBMISSION)
        .join(ACCOUNT)
        .on(ACCOUNT.ID.eq(SUBMISSION.STUDENT_ID))
        .join(EXERCISE)
        .on(EXERCISE.ID.eq(SUBMISSION.EXERCISE_ID))
        .join(MEMBERSHIP)
        .on(
            MEMBERSHIP.COURSE_ID.eq(EXERCISE.COURSE_ID),
            MEMBERSHIP.ACCOUNT_ID.eq(instructor),
            MEMBERSHIP.ROLE.eq("instructor"))
        .where(condition)
        .and(
            notExists(
                selectOne()
                    .from(later)
                    .where(
                        later.EXERCISE_ID.eq(SUBMISSION.EXERCISE_ID),
                        later.STUDENT_ID.eq(SUBMISSION.STUDENT_ID),
                        later.ATTEMPT.gt(SUBMISSION.ATTEMPT))))
        .orderBy(SUBMISSION.HANDED_IN_AT, SUBMISSION.ID)
        .fetch(r -> new Entry(r.value1(), r.value2(), r.value3(), r.value4()));
  }

  public String nameOf(UUID account) {
    return db.select(ACCOUNT.NAME)
        .from(ACCOUNT)
        .where(ACCOUNT.ID.eq(account))
        .fetchSingle(ACCOUNT.NAME);
  }

  /** How many students there are in the classes of an instructor. */
  public int students(UUID instructor) {
    var mine = MEMBERSHIP.as("mine");
    return db.fetchCount(
        db.selectDistinct(MEMBERSHIP.ACCOUNT_ID)
            .from(MEMBERSHIP)
            .join(mine)
            .on(mine.COURSE_ID.eq(MEMBERSHIP.COURSE_ID))
            .where(
                mine.ACCOUNT_ID.eq(instructor),
                mine.ROLE.eq("instructor"),
                MEMBERSHIP.ROLE.eq("student")));
  }
}
