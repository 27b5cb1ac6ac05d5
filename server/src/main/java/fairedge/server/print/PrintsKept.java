package fairedge.server.print;

import fairedge.server.course.Belongings;
import fairedge.server.exercise.Assignments;
import fairedge.server.platform.Cleaning;
import fairedge.server.print.store.PrintStore;
import fairedge.server.review.SaidAnswers;
import java.io.IOException;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.springframework.core.annotation.Order;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * The life of prints: they go after a day, and with whoever is in them. A student's own answers are
 * put onto paper among everything that is theirs.
 */
@Component
@Order(0)
class PrintsKept implements Cleaning, Belongings {
  private static final Duration KEPT = Duration.ofDays(1);

  private final Prints prints;
  private final PrintStore store;
  private final Press press;
  private final SaidAnswers answers;
  private final Assignments assignments;
  private final TransactionTemplate transactions;

  PrintsKept(
      Prints prints,
      PrintStore store,
      Press press,
      SaidAnswers answers,
      Assignments assignments,
      TransactionTemplate transactions) {
    this.prints = prints;
    this.store = store;
    this.press = press;
    this.answers = answers;
    this.assignments = assignments;
    this.transactions = transactions;
  }

  @Override
  public String what() {
    return "prints of the day before";
  }

  @Override
  public int clean(Instant now) {
    List<UUID> old = store.askedBefore(now.minus(KEPT));
    old.forEach(id -> transactions.executeWithoutResult(status -> prints.forget(id)));
    return old.size();
  }

  @Override
  public void pack(Of whose, Box box) throws IOException {
    for (UUID id : answers.of(whose.account(), whose.courses())) {
      SaidAnswers.Said said = answers.find(id).orElseThrow();
      box.put(
          "answers/%s-%d.pdf".formatted(id, said.submission().attempt()),
          press.one(said, Sheet.a4));
    }
  }

  @Override
  public void erase(Of whose) {
    store.of(whose.account(), assignments.idsOfCourses(whose.courses())).forEach(prints::forget);
  }
}
