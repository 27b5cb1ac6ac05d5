package fairedge.server.insight;

import fairedge.core.credit.Lateness;
import fairedge.core.insight.Progress;
import fairedge.server.exercise.Allowances;
import fairedge.server.exercise.Assignment;
import fairedge.server.submission.History;
import fairedge.server.submission.Tried;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What happened in a class over a term, read once: who is there, what is set, what was handed in.
 *
 * @param assignments in the order of the class, without what is planned
 * @param attempts all of them, those of each student in an assignment one after the other
 * @param begun who has made a step, by assignment
 */
record TermBook(
    UUID course,
    ZoneId zone,
    Instant now,
    List<Student> students,
    List<Assignment> assignments,
    List<Tried> attempts,
    Map<UUID, Set<UUID>> begun,
    Map<UUID, Allowances.All> allowed,
    Map<Place, List<Tried>> byPlace) {

  /** A student who is in the class and not put away. */
  record Student(UUID id, String name, @Nullable UUID group) {}

  /** A student in an assignment. */
  record Place(UUID assignment, UUID student) {}

  static Map<Place, List<Tried>> byPlace(List<Tried> attempts) {
    Map<Place, List<Tried>> by = new HashMap<>();
    int from = 0;
    for (int i = 1; i <= attempts.size(); i++) {
      Tried first = attempts.get(from);
      if (i == attempts.size()
          || !attempts.get(i).student().equals(first.student())
          || !attempts.get(i).assignment().equals(first.assignment())) {
        by.put(new Place(first.assignment(), first.student()), attempts.subList(from, i));
        from = i;
      }
    }
    return by;
  }

  /** In their order; none where nothing was handed in. */
  List<Tried> of(Assignment assignment, Student student) {
    return byPlace.getOrDefault(new Place(assignment.id(), student.id()), List.of());
  }

  Optional<Tried> last(Assignment assignment, Student student) {
    List<Tried> all = of(assignment, student);
    return all.isEmpty() ? Optional.empty() : Optional.of(all.getLast());
  }

  /** The attempt that counts. */
  Optional<Tried> counting(Assignment assignment, Student student) {
    return History.counting(assignment, of(assignment, student));
  }

  Allowances.Beyond allowed(Assignment assignment, Student student) {
    return Objects.requireNonNull(allowed.get(assignment.id())).of(student.id());
  }

  Progress progress(Assignment assignment, Student student) {
    Allowances.Beyond allowed = allowed(assignment, student);
    return Progress.of(
        last(assignment, student).map(TermBook::lastOf).orElse(null),
        allowed.excused(),
        begun.getOrDefault(assignment.id(), Set.of()).contains(student.id()),
        allowed.due() != null && now.isAfter(allowed.due()));
  }

  private static Progress.Last lastOf(Tried t) {
    if (!t.isAnswered()) {
      return Progress.Last.WAITS;
    }
    return t.isAccepted() ? Progress.Last.ACCEPTED : Progress.Last.TRY_AGAIN;
  }

  boolean isLate(Assignment assignment, Student student, Tried attempt) {
    Instant due = allowed(assignment, student).due();
    return due != null && Lateness.days(due, attempt.handedInAt(), zone) > 0;
  }
}
