package fairedge.server.review;

import fairedge.server.course.Belongings;
import fairedge.server.exercise.Assignments;
import fairedge.server.review.AnswerView.NoteView;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Optional;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** The answers to what somebody handed in, as texts. */
@Component
@Order(1)
class AnswersKept implements Belongings {
  private final Submissions submissions;
  private final Assignments assignments;
  private final AnswerStore store;

  AnswersKept(Submissions submissions, Assignments assignments, AnswerStore store) {
    this.submissions = submissions;
    this.assignments = assignments;
    this.store = store;
  }

  @Override
  public void pack(Of whose, Box box) throws IOException {
    for (Submission s : submissions.of(whose.account(), whose.courses())) {
      Optional<Answer> answer = store.find(s.id()).filter(a -> a.returnedAt() != null);
      if (answer.isPresent()) {
        String title = assignments.require(s.assignmentId()).exercise().title();
        box.put(
            "answers/%s-%d.txt".formatted(s.id(), s.attempt()),
            text(title, s, answer.get()).getBytes(StandardCharsets.UTF_8));
      }
    }
  }

  private static String text(String title, Submission s, Answer answer) {
    StringBuilder text = new StringBuilder();
    text.append("%s, attempt %d%n%s%n%n".formatted(title, s.attempt(), answer.returnedAt()));
    text.append("%s%n%n%s%n".formatted(answer.verdict(), answer.word()));
    int number = 0;
    for (NoteView note : answer.notes()) {
      text.append("%n%d. %s%n".formatted(++number, note.text()));
    }
    return text.toString();
  }

  @Override
  public void erase(Of whose) {
    List<Submission> all = submissions.of(whose.account(), whose.courses());
    store.forget(all.stream().map(Submission::id).toList());
  }
}
