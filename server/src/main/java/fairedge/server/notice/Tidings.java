package fairedge.server.notice;

import fairedge.server.account.Accounts;
import fairedge.server.account.Accounts.Self;
import fairedge.server.course.CourseInfo;
import fairedge.server.course.Courses;
import fairedge.server.exercise.Allowances;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.notice.store.LetterStore;
import fairedge.server.notice.store.LetterStore.News;
import fairedge.server.platform.Round;
import fairedge.server.review.AnswerReturned;
import fairedge.server.submission.Submissions;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalTime;
import java.time.ZoneId;
import java.util.Collection;
import java.util.HashSet;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.UUID;
import org.springframework.modulith.events.ApplicationModuleListener;
import org.springframework.stereotype.Component;
import org.springframework.transaction.support.TransactionTemplate;

/** Gathers what is to be told by mail, and puts it into letters: one an hour for each person. */
@Component
class Tidings implements Round {
  private static final Duration EVERY = Duration.ofMinutes(1);

  /** So long news wait for more. */
  private static final Duration RIPE = Duration.ofMinutes(5);

  private static final Duration APART = Duration.ofHours(1);

  /** On the day before it is due, from then on. */
  private static final LocalTime FROM = LocalTime.NOON;

  private final LetterStore store;
  private final Letters letters;
  private final Accounts accounts;
  private final Courses courses;
  private final Assignments assignments;
  private final Allowances allowances;
  private final Submissions submissions;
  private final Post post;
  private final TransactionTemplate transaction;
  private final Clock clock;

  Tidings(
      LetterStore store,
      Letters letters,
      Accounts accounts,
      Courses courses,
      Assignments assignments,
      Allowances allowances,
      Submissions submissions,
      Post post,
      TransactionTemplate transaction,
      Clock clock) {
    this.store = store;
    this.letters = letters;
    this.accounts = accounts;
    this.courses = courses;
    this.assignments = assignments;
    this.allowances = allowances;
    this.submissions = submissions;
    this.post = post;
    this.transaction = transaction;
    this.clock = clock;
  }

  @Override
  public String name() {
    return "mail";
  }

  @Override
  public Duration every() {
    return EVERY;
  }

  @Override
  public void go() {
    if (!post.isThere()) {
      return;
    }
    Instant now = clock.instant();
    assignments.dueBetween(now, now.plus(Duration.ofDays(2))).forEach(a -> remind(a, now));
    assignments.openedBetween(now.minus(Duration.ofDays(1)), now).forEach(this::announce);
    for (UUID account : store.ripe(now.minus(RIPE), now.minus(APART))) {
      transaction.executeWithoutResult(status -> store.put(account, letters.post(account, null)));
    }
  }

  @ApplicationModuleListener
  void onReturned(AnswerReturned returned) {
    submissions
        .find(returned.submission())
        .ifPresent(s -> tell(List.of(s.studentId()), new News(About.ANSWER, s.id())));
  }

  private void announce(Assignment assignment) {
    News news = new News(About.OPENED, assignment.id());
    Set<UUID> left = new HashSet<>(courses.studentIds(assignment.courseId()));
    left.removeAll(store.told(news));
    tell(left, news);
  }

  private void remind(Assignment assignment, Instant now) {
    if (!isTime(now, Objects.requireNonNull(assignment.dueAt()), zone(assignment))) {
      return;
    }
    News news = new News(About.DUE, assignment.id());
    Set<UUID> left = new HashSet<>(courses.studentIds(assignment.courseId()));
    left.removeAll(submissions.whoHandedIn(assignment.id()));
    left.removeAll(store.told(news));
    Allowances.All allowed = allowances.of(assignment);
    // Whoever is excused or has more time is left in peace.
    left.removeIf(s -> allowed.of(s).excused() || allowed.of(s).hasMoreTime());
    tell(left, news);
  }

  private ZoneId zone(Assignment assignment) {
    CourseInfo info = courses.info(assignment.courseId());
    return ZoneId.of(info.zone());
  }

  /** Whether it is due tomorrow by the clock of the class, and noon is past there. */
  static boolean isTime(Instant now, Instant due, ZoneId zone) {
    LocalDate today = LocalDate.ofInstant(now, zone);
    return LocalDate.ofInstant(due, zone).equals(today.plusDays(1))
        && !LocalTime.ofInstant(now, zone).isBefore(FROM);
  }

  /** Whoever has an address and wants to know. */
  private void tell(Collection<UUID> whom, News news) {
    if (!post.isThere()) {
      return;
    }
    for (Self self : accounts.selves(whom).values()) {
      UUID id = self.account().id();
      if (self.address() != null && !store.unwanted(id).contains(news.about())) {
        store.add(id, news, clock.instant());
      }
    }
  }
}
