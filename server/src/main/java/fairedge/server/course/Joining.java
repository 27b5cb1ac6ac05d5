package fairedge.server.course;

import fairedge.server.account.Accounts;
import fairedge.server.course.PeopleView.JoinView;
import fairedge.server.course.store.CourseStore;
import fairedge.server.course.store.CourseStore.Course;
import fairedge.server.course.store.CourseStore.Member;
import fairedge.server.platform.Problem;
import fairedge.server.platform.Reach;
import fairedge.server.platform.SignedIn;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.nio.charset.StandardCharsets;
import java.security.SecureRandom;
import java.time.Clock;
import java.time.LocalDate;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import java.util.UUID;
import java.util.stream.Collectors;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Joining a class by its code: three words of 2,000 (of the English list of BIP 39, an open
 * standard), good until a day or until the class is full.
 */
@Service
public class Joining {
  private static final int WORDS = 3;
  private static final SecureRandom RANDOM = new SecureRandom();
  private static final List<String> ALL = words();

  private final CourseStore store;
  private final Courses courses;
  private final Classes classes;
  private final Accounts accounts;
  private final Audit audit;
  private final Clock clock;

  Joining(
      CourseStore store,
      Courses courses,
      Classes classes,
      Accounts accounts,
      Audit audit,
      Clock clock) {
    this.store = store;
    this.courses = courses;
    this.classes = classes;
    this.accounts = accounts;
    this.audit = audit;
    this.clock = clock;
  }

  private static List<String> words() {
    try (InputStream in =
        Objects.requireNonNull(
            Joining.class.getResourceAsStream("/fairedge/words/join-words.txt"))) {
      return new String(in.readAllBytes(), StandardCharsets.UTF_8).lines().toList();
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
  }

  /** Makes a new code for a class; the one before it ends. */
  @Transactional
  public JoinView renew(
      UUID course, @Nullable LocalDate until, @Nullable Integer most, SignedIn instructor) {
    courses.require(instructor, course, Right.KEEP_ROSTER);
    if (most != null && (most < 1 || most > 10_000)) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "A class has 1 to 10,000 students.");
    }
    Reach.require(until);
    String words =
        Stream.generate(() -> ALL.get(RANDOM.nextInt(ALL.size())))
            .limit(WORDS)
            .collect(Collectors.joining(" "));
    JoinView join = new JoinView(words, until, most);
    store.setJoin(course, join);
    audit.write(course, instructor, Deed.RENEWED_JOIN_CODE, null);
    return join;
  }

  @Transactional
  public void end(UUID course, SignedIn instructor) {
    courses.require(instructor, course, Right.KEEP_ROSTER);
    store.setJoin(course, null);
    audit.write(course, instructor, Deed.ENDED_JOIN_CODE, null);
  }

  /** Which class a code opens, and whose that is; told before anything is typed. */
  public record Invitation(String course, List<String> instructors) {}

  public Invitation invitation(String words) {
    Course course = requireOpen(words);
    List<UUID> ids =
        store.members(course.id()).stream()
            .filter(m -> m.role() == Role.INSTRUCTOR)
            .map(Member::account)
            .toList();
    return new Invitation(
        course.info().name(),
        accounts.people(ids).values().stream().map(SignedIn::name).sorted().toList());
  }

  /** Makes an account for a newcomer, in the class of a code. */
  @Transactional
  public SignedIn join(String words, String name, String signIn, String password) {
    Course course = lockOpen(words);
    SignedIn newcomer = accounts.create(name, signIn, password);
    takeIn(course, newcomer);
    return newcomer;
  }

  /** Lets somebody who has an account into the class of a code; nothing where they are in it. */
  @Transactional
  public void join(String words, SignedIn account) {
    Course course = lockOpen(words);
    if (store.findMember(course.id(), account.id()).isEmpty()) {
      takeIn(course, account);
    }
  }

  private void takeIn(Course course, SignedIn account) {
    store.join(
        new Member(course.id(), account.id(), Role.STUDENT, "join-code", true, null, null),
        clock.instant());
    audit.write(course.id(), account, Deed.JOINED, account.id());
  }

  private Course lockOpen(String words) {
    store.lock(requireOpen(words).id());
    return requireOpen(words);
  }

  private Course requireOpen(String typed) {
    Course course =
        store
            .findByWords(plain(typed))
            .filter(c -> c.putAwayAt() == null)
            .orElseThrow(() ->
                Problem.of(
                    Problem.Kind.NOT_FOUND,
                    "No class has this code. It is three words; your instructor may have made a"
                        + " new one."));
    JoinView join = Objects.requireNonNull(course.join());
    LocalDate today = classes.today(course.info());
    if (isOver(join.until(), today) || isOver(course.info().lastDay(), today)) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "This code has ended: your instructor makes a new one.");
    }
    if (join.most() != null
        && store.idsOf(List.of(course.id()), Role.STUDENT).size() >= join.most()) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "This class is full: your instructor can let more students in by this code.");
    }
    return course;
  }

  private static boolean isOver(@Nullable LocalDate last, LocalDate today) {
    return last != null && today.isAfter(last);
  }

  /** As it is kept, however it was typed. */
  static String plain(String typed) {
    return String.join(
        " ", typed.toLowerCase(Locale.ROOT).replaceAll("[^a-z]+", " ").strip().split(" "));
  }
}
