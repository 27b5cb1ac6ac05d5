package fairedge.server.notice;

import fairedge.server.account.Accounts;
import fairedge.server.account.Slips;
import fairedge.server.account.Slips.Slip;
import fairedge.server.course.CourseInfo;
import fairedge.server.course.Courses;
import fairedge.server.course.People;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignments;
import fairedge.server.notice.Post.Mail;
import fairedge.server.notice.store.LetterStore;
import fairedge.server.notice.store.LetterStore.News;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import java.time.Instant;
import java.time.ZoneId;
import java.time.format.DateTimeFormatter;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * Writes mail as it goes: of people no names, of answers nothing but that they are there. A link
 * leads to the page and signs nobody in.
 */
@Component
class Writing {
  private static final DateTimeFormatter WHEN =
      DateTimeFormatter.ofPattern("EEEE d MMMM, HH:mm", Locale.ENGLISH);

  private final LetterStore store;
  private final Accounts accounts;
  private final Slips slips;
  private final People people;
  private final Courses courses;
  private final Assignments assignments;
  private final Submissions submissions;
  private final String server;

  Writing(
      LetterStore store,
      Accounts accounts,
      Slips slips,
      People people,
      Courses courses,
      Assignments assignments,
      Submissions submissions,
      @Value("${fair-edge.public-address}") String server) {
    this.store = store;
    this.accounts = accounts;
    this.slips = slips;
    this.people = people;
    this.courses = courses;
    this.assignments = assignments;
    this.submissions = submissions;
    this.server = server;
  }

  /** The mail; nothing where there is nobody, no address, or nothing left to say. */
  Optional<Mail> write(Letter letter) {
    SignedIn account = accounts.people(List.of(letter.account())).get(letter.account());
    if (account == null) {
      return Optional.empty();
    }
    UUID course = letter.course();
    return course == null ? news(letter, account) : slip(account, course);
  }

  /** A slip made anew: where this one is not taken, nobody ever sees its code. */
  private Optional<Mail> slip(SignedIn account, UUID course) {
    return people
        .addressOnRoster(course, account.id())
        .map(address -> {
          CourseInfo info = courses.info(course);
          Slip slip = slips.make(account);
          return new Mail(
              address,
              "Sign-in slip for " + info.name(),
              """
              You are in the class %s in Fair Edge.

              Open %s/slip
              and type this code: %s
              Then choose a password. You sign in as: %s

              The code is good once, until %s. If it is too old, ask for a new slip.
              """
                  .formatted(
                      info.name(), server, slip.code(), slip.signIn(), when(slip.until(), info)));
        });
  }

  private Optional<Mail> news(Letter letter, SignedIn account) {
    String address = accounts.self(account).address();
    List<String> lines =
        store.newsIn(letter.id()).stream()
            .map(news -> line(news, account))
            .flatMap(Optional::stream)
            .toList();
    if (address == null || lines.isEmpty()) {
      return Optional.empty();
    }
    String subject = lines.size() == 1 ? lines.getFirst() : lines.size() + " things are new";
    return Optional.of(
        new Mail(
            address,
            "Fair Edge: " + subject,
            """
            %s

            %s/my-work

            What you get mail about is said in your account: %s/account
            """
                .formatted(
                    String.join("\n", lines.stream().map(l -> "- " + l).toList()),
                    server,
                    server)));
  }

  /** Nothing where it holds no more. */
  private Optional<String> line(News news, SignedIn account) {
    return switch (news.about()) {
      case ANSWER ->
          submissions
              .find(news.thing())
              .flatMap(s -> assignment(s.assignmentId(), account).map(a -> answered(s, a)));
      case OPENED -> assignment(news.thing(), account).map(this::opened);
      case DUE ->
          assignment(news.thing(), account)
              .filter(a -> submissions.attempts(a.id(), account.id()).isEmpty())
              .map(this::due);
    };
  }

  private Optional<Assignment> assignment(UUID id, SignedIn account) {
    return assignments.find(id).filter(a -> courses.may(account, a.courseId(), Right.READ_OWN));
  }

  private static String answered(Submission s, Assignment a) {
    return "Answered: %s, attempt %d".formatted(a.exercise().title(), s.attempt());
  }

  private String opened(Assignment a) {
    Instant due = a.dueAt();
    return "Opened: " + a.exercise().title() + (due == null ? "" : ", due " + when(due, a));
  }

  private String due(Assignment a) {
    return "Due %s: %s".formatted(when(Objects.requireNonNull(a.dueAt()), a), a.exercise().title());
  }

  private String when(Instant at, Assignment a) {
    return when(at, courses.info(a.courseId()));
  }

  /** By the clock of the class. */
  private static String when(Instant at, CourseInfo info) {
    return WHEN.format(at.atZone(ZoneId.of(info.zone())));
  }
}
