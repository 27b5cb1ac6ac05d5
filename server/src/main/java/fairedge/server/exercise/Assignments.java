package fairedge.server.exercise;

import fairedge.server.course.Courses;
import fairedge.server.course.Right;
import fairedge.server.exercise.Assignment.Stand;
import fairedge.server.exercise.store.AssignmentStore;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.time.Instant;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** Exercises as they are set in classes, and who may do what with them. */
@Service
public class Assignments {
  private final AssignmentStore store;
  private final Courses courses;
  private final Clock clock;

  Assignments(AssignmentStore store, Courses courses, Clock clock) {
    this.store = store;
    this.courses = courses;
    this.clock = clock;
  }

  /**
   * @throws Problem as not found, if the account may not do this in its class, or does not see it
   *     yet
   */
  public Assignment requireTo(Right right, UUID id, SignedIn account) {
    Assignment assignment = require(id);
    courses.require(account, assignment.courseId(), right);
    if (assignment.standAt(clock.instant()) == Stand.planned
        && !may(Right.READ_ALL, assignment, account)) {
      throw gone();
    }
    return assignment;
  }

  public Assignment require(UUID id) {
    return find(id).orElseThrow(Assignments::gone);
  }

  private static Problem gone() {
    return Problem.notFound("exercise");
  }

  public Optional<Assignment> find(UUID id) {
    return store.find(id);
  }

  /** What is due from one time on and before another, in whichever class. */
  public List<Assignment> dueBetween(Instant from, Instant until) {
    return store.dueBetween(from, until);
  }

  /** What opened from one time on and before another, in whichever class. */
  public List<Assignment> openedBetween(Instant from, Instant until) {
    return store.openedBetween(from, until);
  }

  /**
   * All that is set in the classes in which the account may do this, in their order; without what
   * is planned only where it does not see everything.
   */
  public List<Assignment> of(SignedIn account, Right right) {
    List<UUID> where = courses.where(account, right);
    Set<UUID> whole = Set.copyOf(courses.where(account, Right.READ_ALL));
    Instant now = clock.instant();
    return store.ofCourses(where).stream()
        .filter(a -> whole.contains(a.courseId()) || a.standAt(now) != Stand.planned)
        .sorted(Comparator.comparingInt(a -> where.indexOf(a.courseId())))
        .toList();
  }

  /** All that is set in a class, in its order. */
  public List<Assignment> ofCourse(UUID course) {
    return store.ofCourses(List.of(course));
  }

  /** By their ids, all that is set in several classes. */
  public List<UUID> idsOfCourses(Collection<UUID> courses) {
    return store.idsOfCourses(courses);
  }

  /** By their ids, wherever an exercise is set. */
  public List<UUID> idsOfExercise(UUID exercise) {
    return store.idsOfExercise(exercise);
  }

  /** Whether the account may do this in the class of an assignment. */
  public boolean may(Right right, Assignment assignment, SignedIn account) {
    return courses.may(account, assignment.courseId(), right);
  }

  /** Whether the account may do this in a class where an exercise is set. */
  boolean may(Right right, UUID exercise, SignedIn account) {
    return store.coursesOf(exercise).stream().anyMatch(c -> courses.may(account, c, right));
  }
}
