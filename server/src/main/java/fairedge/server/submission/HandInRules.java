package fairedge.server.submission;

import fairedge.server.exercise.Allowances;
import fairedge.server.exercise.Allowances.Beyond;
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
    Beyond beyond = allowances.of(assignment, student);
    if (assignment.standAt(arrived, beyond.due()) == Stand.closed) {
      throw no("This exercise is closed: nothing is handed in any more.");
    }
    requireLeft(assignment, student, beyond.attempts());
  }

  /**
   * The same of attempts alone: asked again when a hand-in is kept and no other comes between,
   * since several may have been on their way.
   *
   * @throws Problem if none is left
   */
  void requireLeft(Assignment assignment, UUID student) {
    requireLeft(assignment, student, allowances.of(assignment, student).attempts());
  }

  private void requireLeft(Assignment assignment, UUID student, int more) {
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
