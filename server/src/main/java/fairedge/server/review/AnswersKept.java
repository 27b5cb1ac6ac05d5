package fairedge.server.review;

import fairedge.server.course.Belongings;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.review.store.PhraseStore;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.util.List;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** The answers to what somebody handed in; onto paper they are put by a module above. */
@Component
@Order(1)
class AnswersKept implements Belongings {
  private final Submissions submissions;
  private final AnswerStore store;
  private final PhraseStore phrases;

  AnswersKept(Submissions submissions, AnswerStore store, PhraseStore phrases) {
    this.submissions = submissions;
    this.store = store;
    this.phrases = phrases;
  }

  @Override
  public void pack(Of whose, Box box) {
    // Answers go along as documents: fairedge.server.print.
  }

  @Override
  public void erase(Of whose) {
    List<Submission> all = submissions.of(whose.account(), whose.courses());
    store.forget(all.stream().map(Submission::id).toList());
  }

  @Override
  public void eraseAccount(UUID account) {
    phrases.forget(account);
  }
}
