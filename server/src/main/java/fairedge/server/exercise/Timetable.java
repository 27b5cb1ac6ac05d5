package fairedge.server.exercise;

import fairedge.server.course.Audit;
import fairedge.server.course.ClassZoneChanged;
import fairedge.server.course.Courses;
import fairedge.server.course.Deed;
import fairedge.server.course.Right;
import fairedge.server.exercise.store.AssignmentStore;
import fairedge.server.platform.Problem;
import fairedge.server.platform.Reach;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;
import java.util.HashSet;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Sets exercises in classes: which, when, in which order. */
@Service
public class Timetable {
  private static final int LONGEST_HEADING = 80;

  private final AssignmentStore store;
  private final Assignments assignments;
  private final Exercises exercises;
  private final Courses courses;
  private final List<Begun> begun;
  private final Audit audit;
  private final Clock clock;

  Timetable(
      AssignmentStore store,
      Assignments assignments,
      Exercises exercises,
      Courses courses,
      List<Begun> begun,
      Audit audit,
      Clock clock) {
    this.store = store;
    this.assignments = assignments;
    this.exercises = exercises;
    this.courses = courses;
    this.begun = begun;
    this.audit = audit;
    this.clock = clock;
  }

  /**
   * Sets an exercise of one's own in a class of one's own, after what is set there.
   *
   * @throws Problem if it was never made ready
   */
  @Transactional
  public UUID set(UUID exercise, UUID course, Setting asked, SignedIn account) {
    courses.require(account, course, Right.SET);
    Exercise ready = exercises.requireToRead(exercise, account);
    if (!ready.owner().equals(account.id())) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "This exercise is somebody else's: copy it, and set the copy.");
    }
    audit.write(course, account, Deed.SET_EXERCISE, null);
    return set(exercise, course, asked);
  }

  /** The same for a sample class. */
  @Transactional
  public UUID set(UUID exercise, UUID course, Setting asked) {
    Setting setting = sound(asked);
    ZoneId zone = zone(course);
    UUID id = UUID.randomUUID();
    store.insert(
        id,
        course,
        exercise,
        setting,
        opening(setting.opens(), zone),
        due(setting.due(), zone),
        clock.instant());
    return id;
  }

  private ZoneId zone(UUID course) {
    return ZoneId.of(courses.info(course).zone());
  }

  private static @Nullable Instant opening(@Nullable LocalDateTime time, ZoneId zone) {
    return time == null ? null : WallTime.opening(time, zone);
  }

  private static @Nullable Instant due(@Nullable LocalDateTime time, ZoneId zone) {
    return time == null ? null : WallTime.due(time, zone);
  }

  /** Says something else of how an exercise is set. */
  @Transactional
  public AssignmentView change(UUID id, Setting asked, SignedIn account) {
    Assignment assignment = assignments.requireTo(Right.SET, id, account);
    keep(id, sound(asked), zone(assignment.courseId()));
    audit.write(assignment.courseId(), account, Deed.CHANGED_SETTING, null);
    return view(id);
  }

  private void keep(UUID id, Setting setting, ZoneId zone) {
    store.set(id, setting, opening(setting.opens(), zone), due(setting.due(), zone));
  }

  /** An assignment as it is told. */
  public AssignmentView view(UUID id) {
    return view(assignments.require(id));
  }

  public AssignmentView view(Assignment assignment) {
    return views(List.of(assignment)).getFirst();
  }

  /** Several as they are told. */
  public List<AssignmentView> views(List<Assignment> all) {
    Instant now = clock.instant();
    return all.stream().map(a -> AssignmentView.of(a, zone(a.courseId()), now)).toList();
  }

  /**
   * Takes an exercise out of a class, where nobody has begun.
   *
   * @throws Problem if somebody has
   */
  @Transactional
  public void remove(UUID id, SignedIn account) {
    Assignment assignment = assignments.requireTo(Right.SET, id, account);
    if (begun.stream().anyMatch(b -> b.hasBegun(List.of(id)))) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "Students have begun with it, and their work hangs on it: close it instead.");
    }
    store.remove(id);
    audit.write(assignment.courseId(), account, Deed.UNSET_EXERCISE, null);
  }

  /**
   * Puts what is set in a class into another order.
   *
   * @param order all of them
   */
  @Transactional
  public void order(UUID course, List<UUID> order, SignedIn account) {
    courses.require(account, course, Right.SET);
    List<Assignment> now = assignments.ofCourse(course);
    List<UUID> known = now.stream().map(Assignment::id).toList();
    if (order.size() != known.size() || !new HashSet<>(order).containsAll(known)) {
      throw Problem.of(Problem.Kind.STALE, "Something was set or taken out meanwhile: look again.");
    }
    for (int i = 0; i < order.size(); i++) {
      store.setPlace(order.get(i), i + 1);
    }
  }

  /** Another clock on the wall moves what is still to come. */
  @EventListener
  void onZoneChanged(ClassZoneChanged changed) {
    Instant now = clock.instant();
    ZoneId zone = ZoneId.of(changed.zone());
    for (Assignment a : assignments.ofCourse(changed.course())) {
      store.set(
          a.id(),
          a.setting(),
          moved(a.opensAt(), opening(a.setting().opens(), zone), now),
          moved(a.dueAt(), due(a.setting().due(), zone), now));
    }
  }

  private static @Nullable Instant moved(
      @Nullable Instant from, @Nullable Instant to, Instant now) {
    return from == null || from.isBefore(now) ? from : to;
  }

  private static Setting sound(Setting asked) {
    String heading = asked.heading() == null ? "" : asked.heading().strip();
    require(
        heading.length() <= LONGEST_HEADING,
        "A heading has %d letters at the most.".formatted(LONGEST_HEADING));
    Integer attempts = asked.attempts();
    require(
        attempts == null || attempts >= 1 && attempts <= Setting.MOST_ATTEMPTS,
        "Attempts are 1 to %d, or any number.".formatted(Setting.MOST_ATTEMPTS));
    Reach.require(asked.opens());
    Reach.require(asked.due());
    LocalDateTime opens = asked.opens();
    LocalDateTime due = asked.due();
    require(
        opens == null || due == null || opens.isBefore(due), "It would be due before it opens.");
    return new Setting(
        heading.isEmpty() ? null : heading,
        opens,
        due,
        asked.late(),
        attempts,
        asked.handIn(),
        asked.overruled());
  }

  private static void require(boolean holds, String told) {
    if (!holds) {
      throw Problem.of(Problem.Kind.BAD_INPUT, told);
    }
  }
}
