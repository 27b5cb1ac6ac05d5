package fairedge.server.notice;

import fairedge.server.account.Accounts;
import fairedge.server.course.Courses;
import fairedge.server.course.People;
import fairedge.server.course.Right;
import fairedge.server.notice.store.LetterStore;
import fairedge.server.platform.JobQueue;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Sign-in slips by mail, and which mail did not arrive. */
@Service
public class Letters {
  /** So long whoever teaches is told of mail that did not arrive. */
  private static final Duration TOLD = Duration.ofDays(14);

  private final LetterStore store;
  private final People people;
  private final Courses courses;
  private final Accounts accounts;
  private final JobQueue jobs;
  private final Post post;
  private final Clock clock;

  Letters(
      LetterStore store,
      People people,
      Courses courses,
      Accounts accounts,
      JobQueue jobs,
      Post post,
      Clock clock) {
    this.store = store;
    this.people = people;
    this.courses = courses;
    this.accounts = accounts;
    this.jobs = jobs;
    this.post = post;
    this.clock = clock;
  }

  /**
   * Sends new slips to the addresses that the roster has; whoever they are for is signed out
   * everywhere. Codes are made as the mails go.
   *
   * @throws Problem if no mail is sent here, or the roster has no address of somebody
   */
  @Transactional
  public void sendSlips(UUID course, List<UUID> accounts, SignedIn giver) {
    courses.require(giver, course, Right.GIVE_SLIPS);
    if (!post.isThere()) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "This server sends no mail: print the slips.");
    }
    for (SignedIn account : people.slipsToSend(course, accounts, giver)) {
      post(account.id(), course);
    }
  }

  /** Lets a mail go as soon as it can. */
  UUID post(UUID account, @Nullable UUID course) {
    UUID id = UUID.randomUUID();
    store.insert(id, account, course, clock.instant());
    jobs.add(LetterJob.NAME, id.toString(), JobQueue.Rank.SOON);
    return id;
  }

  /**
   * A mail that did not arrive yet, or not for sure.
   *
   * @param isSlip a sign-in slip; else news
   * @param state waiting (not taken so far), refused, or unknown
   */
  public record LetterView(
      UUID id,
      UUID account,
      String name,
      boolean isSlip,
      String state,
      int tries,
      Instant madeAt) {}

  /**
   * How mail to a class does.
   *
   * @param isSent whether any mail is sent here
   */
  public record MailView(boolean isSent, List<LetterView> troubled) {}

  /** For whoever may give slips. What is on its way for the first time is no trouble. */
  public MailView of(UUID course, SignedIn asking) {
    courses.require(asking, course, Right.GIVE_SLIPS);
    List<UUID> members = courses.memberIds(course);
    List<Letter> letters =
        store.notTaken(course, members, clock.instant().minus(TOLD)).stream()
            .filter(l -> !(l.state() == Letter.State.WAITING && l.tries() == 0))
            .filter(l -> l.state() != Letter.State.GOING)
            .toList();
    Map<UUID, SignedIn> names =
        accounts.people(letters.stream().map(Letter::account).distinct().toList());
    return new MailView(
        post.isThere(),
        letters.stream()
            .flatMap(l -> Optional.ofNullable(names.get(l.account())).map(a -> view(l, a)).stream())
            .toList());
  }

  private static LetterView view(Letter letter, SignedIn account) {
    return new LetterView(
        letter.id(),
        letter.account(),
        account.name(),
        letter.course() != null,
        letter.state().key(),
        letter.tries(),
        letter.madeAt());
  }
}
