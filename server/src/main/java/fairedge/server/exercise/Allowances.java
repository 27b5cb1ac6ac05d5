package fairedge.server.exercise;

import fairedge.server.course.Audit;
import fairedge.server.course.Courses;
import fairedge.server.course.Deed;
import fairedge.server.course.Right;
import fairedge.server.exercise.store.AllowanceStore;
import fairedge.server.platform.Problem;
import fairedge.server.platform.Reach;
import fairedge.server.platform.SignedIn;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.UUID;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** More time, more attempts, or excused: for a student, or for all in a group. */
@Service
public class Allowances {
  private final AllowanceStore store;
  private final Assignments assignments;
  private final Courses courses;
  private final Audit audit;

  Allowances(AllowanceStore store, Assignments assignments, Courses courses, Audit audit) {
    this.store = store;
    this.assignments = assignments;
    this.courses = courses;
    this.audit = audit;
  }

  /**
   * What is allowed.
   *
   * @param account of a student; else of a group
   */
  public record Asked(
      @Nullable UUID account,
      @Nullable UUID group,
      @Nullable LocalDateTime due,
      @Nullable Integer attempts,
      boolean excused) {}

  /** All of an assignment, for whoever may give them. */
  public List<Allowance> all(UUID assignment, SignedIn giver) {
    assignments.requireTo(Right.ALLOW, assignment, giver);
    return store.of(assignment);
  }

  /**
   * Allows somebody this, instead of what they were allowed before; allowing nothing takes it back.
   */
  @Transactional
  public List<Allowance> allow(UUID assignment, Asked asked, SignedIn giver) {
    Assignment a = assignments.requireTo(Right.ALLOW, assignment, giver);
    requireSound(a, asked);
    store.forget(assignment, asked.account(), asked.group());
    if (asked.due() != null || asked.attempts() != null || asked.excused()) {
      ZoneId zone = ZoneId.of(courses.info(a.courseId()).zone());
      LocalDateTime due = asked.due();
      store.insert(
          assignment,
          new Allowance(
              UUID.randomUUID(),
              asked.account(),
              asked.group(),
              due,
              due == null ? null : WallTime.due(due, zone),
              asked.attempts(),
              asked.excused()));
    }
    audit.write(a.courseId(), giver, Deed.ALLOWED_MORE, asked.account());
    return store.of(assignment);
  }

  private void requireSound(Assignment a, Asked asked) {
    UUID account = asked.account();
    UUID group = asked.group();
    if ((account == null) == (group == null)) {
      throw Problem.of(Problem.Kind.BAD_INPUT, "Say for which student, or for which group.");
    }
    boolean isThere =
        account != null
            ? courses.studentIds(a.courseId()).contains(account)
            : courses.hasGroup(a.courseId(), Objects.requireNonNull(group));
    if (!isThere) {
      throw Problem.notFound(account != null ? "student" : "group");
    }
    Integer attempts = asked.attempts();
    if (attempts != null && (attempts < 1 || attempts > Setting.MOST_ATTEMPTS)) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "More attempts are 1 to %d.".formatted(Setting.MOST_ATTEMPTS));
    }
    Reach.require(asked.due());
  }

  /** What a student has of both: their own and their group's, whichever is more. */
  public Beyond of(Assignment assignment, UUID student) {
    return of(assignment).of(student);
  }

  /** The same of all students of an assignment, looked up once. */
  public All of(Assignment assignment) {
    List<Allowance> all = store.of(assignment.id());
    boolean hasGroups = all.stream().anyMatch(a -> a.group() != null);
    return new All(
        assignment.dueAt(), all, hasGroups ? courses.groups(assignment.courseId()) : Map.of());
  }

  /**
   * What holds for a student.
   *
   * @param due as it is set, or later for them; null: at any time
   * @param hasMoreTime whether it is later for them
   * @param attempts beyond those that are set, or that were taken until an answer was accepted
   */
  public record Beyond(@Nullable Instant due, boolean hasMoreTime, int attempts, boolean excused) {}

  /**
   * What is allowed in an assignment.
   *
   * @param due as it is set
   * @param groups of the students, by their ids
   */
  public record All(@Nullable Instant due, List<Allowance> all, Map<UUID, UUID> groups) {
    public Beyond of(UUID student) {
      UUID group = groups.get(student);
      List<Allowance> theirs =
          all.stream()
              .filter(
                  a -> student.equals(a.account()) || a.group() != null && a.group().equals(group))
              .toList();
      Optional<Instant> later =
          theirs.stream()
              .flatMap(a -> Stream.ofNullable(a.dueAt()))
              .filter(own -> due != null && own.isAfter(due))
              .max(Instant::compareTo);
      return new Beyond(
          later.orElse(due),
          later.isPresent(),
          theirs.stream()
              .flatMap(a -> Stream.ofNullable(a.attempts()))
              .max(Integer::compare)
              .orElse(0),
          theirs.stream().anyMatch(Allowance::excused));
    }
  }
}
