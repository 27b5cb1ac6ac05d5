package fairedge.server.submission;

import fairedge.server.exercise.Allowance;
import fairedge.server.exercise.Allowances;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignment.Stand;
import fairedge.server.exercise.Setting.HandInBy;
import fairedge.server.platform.Problem;
import fairedge.server.submission.store.SubmissionStore;
import java.time.Instant;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Whether a student may hand in: what is set decides, and what this student has beyond it. */
@Component
class HandInRules {
  private final SubmissionStore store;
  private final Allowances allowances;

  HandInRules(SubmissionStore store, Allowances allowances) {
    this.store = store;
    this.allowances = allowances;
  }

  /**
   * @param by bench or file
   * @param arrived when it came in, whenever it is read
   * @throws Problem saying why not
   */
  void require(Assignment assignment, UUID student, HandInBy by, Instant arrived) {
    HandInBy way = assignment.setting().handIn();
    if (way != HandInBy.both && way != by) {
      throw no(
          way == HandInBy.bench
              ? "This is handed in from the bench, not as a file."
              : "This is handed in as a file, not from the bench.");
    }
    Allowance beyond = allowances.of(assignment, student);
    Instant due = beyond.dueAt() != null ? beyond.dueAt() : assignment.dueAt();
    if (assignment.standAt(arrived, due) == Stand.closed) {
      throw no("This exercise is closed: nothing is handed in any more.");
    }
    int more = beyond.attempts() == null ? 0 : beyond.attempts();
    int used = store.attemptsOf(assignment.id(), student);
    Integer most = assignment.setting().attempts();
    if (most != null && used >= most + more) {
      throw no(
          most + more == 1
              ? "You have handed in once, which is all that is asked."
              : "You have handed in %d times, which is all that is asked.".formatted(used));
    }
    store
        .acceptedAttempt(assignment.id(), student)
        .ifPresent(accepted -> {
          if (used >= accepted + more) {
            throw no("This is accepted: no more is asked. Your instructor can open it again.");
          }
        });
  }

  private static Problem no(String why) {
    return Problem.of(Problem.Kind.BAD_INPUT, why);
  }
}
