package fairedge.server.insight;

import fairedge.server.bench.UnderWay;
import fairedge.server.course.Courses;
import fairedge.server.course.Member;
import fairedge.server.exercise.Allowances;
import fairedge.server.exercise.Assignment;
import fairedge.server.exercise.Assignment.Stand;
import fairedge.server.exercise.Assignments;
import fairedge.server.insight.TermBook.Student;
import fairedge.server.submission.History;
import fairedge.server.submission.Tried;
import java.time.Clock;
import java.time.Instant;
import java.time.ZoneId;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Component;

/** Reads what happened in a class over a term; whoever asks decides who may know. */
@Component
class TermBooks {
  private final Courses courses;
  private final Assignments assignments;
  private final Allowances allowances;
  private final History history;
  private final UnderWay underWay;
  private final Clock clock;

  TermBooks(
      Courses courses,
      Assignments assignments,
      Allowances allowances,
      History history,
      UnderWay underWay,
      Clock clock) {
    this.courses = courses;
    this.assignments = assignments;
    this.allowances = allowances;
    this.history = history;
    this.underWay = underWay;
    this.clock = clock;
  }

  /**
   * @param group whose students it is about; null: all
   */
  TermBook of(UUID course, @Nullable UUID group) {
    Map<UUID, UUID> groups = courses.groups(course);
    return read(course, groups, s -> group == null || group.equals(groups.get(s.id())));
  }

  /** About one student alone, whether put away or not. */
  TermBook of(UUID course, Member student) {
    Instant now = clock.instant();
    List<Assignment> set = set(course, now);
    List<UUID> ids = set.stream().map(Assignment::id).toList();
    List<Tried> attempts =
        history.all(ids).stream().filter(t -> t.student().equals(student.id())).toList();
    return book(
        course, now, List.of(new Student(student.id(), student.name(), null)), set, attempts);
  }

  private TermBook read(UUID course, Map<UUID, UUID> groups, Predicate<Member> isAsked) {
    Instant now = clock.instant();
    List<Student> students =
        courses.students(course).stream()
            .filter(isAsked)
            .map(m -> new Student(m.id(), m.name(), groups.get(m.id())))
            .toList();
    List<Assignment> set = set(course, now);
    return book(course, now, students, set, history.all(set.stream().map(Assignment::id).toList()));
  }

  /** What is planned nobody has begun. */
  private List<Assignment> set(UUID course, Instant now) {
    return assignments.ofCourse(course).stream()
        .filter(a -> a.standAt(now) != Stand.planned)
        .toList();
  }

  private TermBook book(
      UUID course,
      Instant now,
      List<Student> students,
      List<Assignment> set,
      List<Tried> attempts) {
    List<UUID> ids = set.stream().map(Assignment::id).toList();
    Map<UUID, Allowances.All> allowed = new HashMap<>();
    set.forEach(a -> allowed.put(a.id(), allowances.of(a)));
    return new TermBook(
        course,
        ZoneId.of(courses.info(course).zone()),
        now,
        students,
        set,
        attempts,
        underWay.begun(ids),
        allowed,
        TermBook.byPlace(attempts));
  }
}
