package fairedge.server.submission;

import fairedge.server.bench.Answered;
import fairedge.server.submission.store.SubmissionStore;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Tells the bench whether a student has had an answer. */
@Component
class AnswersOut implements Answered {
  private final SubmissionStore store;

  AnswersOut(SubmissionStore store) {
    this.store = store;
  }

  @Override
  public boolean isAnswered(UUID assignment, UUID student) {
    return store.isAnswered(assignment, student);
  }
}
