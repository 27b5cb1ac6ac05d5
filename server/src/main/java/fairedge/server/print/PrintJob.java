package fairedge.server.print;

import fairedge.server.course.Courses;
import fairedge.server.exercise.Assignments;
import fairedge.server.meshfile.SentFiles;
import fairedge.server.platform.Job;
import fairedge.server.platform.SlowLane;
import fairedge.server.print.PrintView.PrintForm;
import fairedge.server.print.PrintView.PrintState;
import fairedge.server.print.store.PrintStore;
import fairedge.server.review.SaidAnswers;
import java.io.BufferedOutputStream;
import java.io.IOException;
import java.io.InputStream;
import java.io.OutputStream;
import java.io.UncheckedIOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/**
 * Puts answers onto paper together. A run that was broken off begins anew: it takes seconds, and
 * nothing of it is kept before it is whole.
 */
@Component
class PrintJob implements Job {
  static final String NAME = "print";
  private static final Logger log = LoggerFactory.getLogger(PrintJob.class);

  private final SaidAnswers answers;
  private final Assignments assignments;
  private final Courses courses;
  private final Press press;
  private final PrintStore store;
  private final SentFiles files;
  private final SlowLane slow;
  private final TransactionTemplate transactions;

  PrintJob(
      SaidAnswers answers,
      Assignments assignments,
      Courses courses,
      Press press,
      PrintStore store,
      SentFiles files,
      SlowLane slow,
      TransactionTemplate transactions) {
    this.answers = answers;
    this.assignments = assignments;
    this.courses = courses;
    this.press = press;
    this.store = store;
    this.files = files;
    this.slow = slow;
    this.transactions = transactions;
  }

  @Override
  public String name() {
    return NAME;
  }

  @Override
  public Ended run(String id) {
    if (!slow.enter()) {
      return Ended.LATER;
    }
    try {
      Optional<Print> print = store.find(UUID.fromString(id));
      if (print.isPresent() && print.get().state() == PrintState.waiting) {
        make(print.get());
      }
      return Ended.DONE;
    } finally {
      slow.leave();
    }
  }

  private void make(Print print) {
    try {
      Path file = Files.createTempFile("fair-edge-print", ".part");
      try {
        if (write(print, file)) {
          keep(print, file);
        }
      } finally {
        Files.deleteIfExists(file);
      }
    } catch (IOException | RuntimeException broken) {
      log.error("print {} failed", print.id(), broken);
      store.setState(print.id(), PrintState.failed);
    }
  }

  private boolean write(Print print, Path file) throws IOException {
    List<UUID> all =
        print.assignment() != null
            ? answers.lastOf(print.assignment())
            : answers.of(
                Objects.requireNonNull(print.student()),
                List.of(Objects.requireNonNull(print.course())));
    try (OutputStream out = new BufferedOutputStream(Files.newOutputStream(file))) {
      return print.form() == PrintForm.zip
          ? press.apart(all, print.sheet(), out, done -> store.setDone(print.id(), done))
          : press.together(
              title(print), all, print.sheet(), out, done -> store.setDone(print.id(), done));
    }
  }

  private String title(Print print) {
    return print.assignment() != null
        ? assignments.require(print.assignment()).exercise().title() + ", all answers"
        : courses.info(Objects.requireNonNull(print.course())).name() + ", all answers";
  }

  /** Unless nobody wants it any more. */
  private void keep(Print print, Path file) {
    transactions.executeWithoutResult(status -> {
      try (InputStream in = Files.newInputStream(file)) {
        files.keep(print.id(), in);
      } catch (IOException e) {
        throw new UncheckedIOException(e);
      }
      if (!store.setState(print.id(), PrintState.made)) {
        status.setRollbackOnly();
      }
    });
  }
}
