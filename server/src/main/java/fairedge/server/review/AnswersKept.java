package fairedge.server.review;

import fairedge.server.course.Belongings;
import fairedge.server.exercise.Assignments;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.review.store.PhraseStore;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.io.IOException;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;

/** The answers to what somebody handed in, as texts. */
@Component
@Order(1)
class AnswersKept implements Belongings {
  private final Submissions submissions;
  private final Assignments assignments;
  private final AnswerStore store;
  private final Threads threads;
  private final PhraseStore phrases;

  AnswersKept(
      Submissions submissions,
      Assignments assignments,
      AnswerStore store,
      Threads threads,
      PhraseStore phrases) {
    this.threads = threads;
    this.phrases = phrases;
    this.submissions = submissions;
    this.assignments = assignments;
    this.store = store;
  }

  @Override
  public void pack(Of whose, Box box) throws IOException {
    List<Submission> all = submissions.of(whose.account(), whose.courses());
    for (Submission s : all) {
      List<Saying> said = store.sayings(s.id());
      if (!said.isEmpty()) {
        String title = assignments.require(s.assignmentId()).exercise().title();
        box.put(
            "answers/%s-%d.txt".formatted(s.id(), s.attempt()),
            text(title, s, said).getBytes(StandardCharsets.UTF_8));
      }
    }
  }

  private String text(String title, Submission s, List<Saying> said) {
    StringBuilder text = new StringBuilder();
    text.append("%s, attempt %d%n".formatted(title, s.attempt()));
    for (Saying saying : said) {
      text.append("%n%s%n".formatted(saying.outAt()));
      text.append("%s%n%n%s%n".formatted(saying.words().verdict(), saying.words().word()));
      int number = 0;
      for (NoteView note : threads.threaded(s.id(), saying.words().notes())) {
        text.append("%n%d. %s%n".formatted(++number, note.text()));
        if (note.thread() != null && note.thread().reply() != null) {
          text.append("   > %s%n".formatted(note.thread().reply()));
        }
      }
    }
    return text.toString();
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
