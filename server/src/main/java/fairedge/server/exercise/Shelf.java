package fairedge.server.exercise;

import fairedge.server.account.Accounts;
import fairedge.server.course.Courses;
import fairedge.server.course.Membership;
import fairedge.server.course.Right;
import fairedge.server.exercise.store.DraftStore;
import fairedge.server.exercise.store.DraftStore.Written;
import fairedge.server.platform.SignedIn;
import java.util.ArrayList;
import java.util.Comparator;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** The exercises that somebody teaches with: their own, and those of their classes. */
@Service
public class Shelf {
  private final DraftStore drafts;
  private final Assignments assignments;
  private final Timetable timetable;
  private final Courses courses;
  private final Accounts accounts;

  Shelf(
      DraftStore drafts,
      Assignments assignments,
      Timetable timetable,
      Courses courses,
      Accounts accounts) {
    this.drafts = drafts;
    this.assignments = assignments;
    this.timetable = timetable;
    this.courses = courses;
    this.accounts = accounts;
  }

  /** What an exercise is. */
  public enum ExerciseState {
    draft,
    ready,
    away
  }

  /** Where an exercise is set. */
  public record SetIn(AssignmentView assignment, String course) {}

  /**
   * An exercise in the list.
   *
   * @param owner whose it is; null: one's own
   * @param profile what counts, by name
   * @param hasStarter whether there is a picture of it
   * @param set where, class by class
   */
  public record ExerciseRow(
      UUID id,
      String title,
      String summary,
      @Nullable String owner,
      ExerciseState state,
      String profile,
      boolean hasStarter,
      List<SetIn> set) {}

  /** One's own, the newest first; then those of others. */
  public List<ExerciseRow> of(SignedIn account) {
    Map<UUID, String> names =
        courses.of(account).stream()
            .collect(Collectors.toMap(Membership::courseId, Membership::courseName));
    List<Assignment> set = assignments.of(account, Right.READ_ALL);
    Map<UUID, List<SetIn>> where = new LinkedHashMap<>();
    timetable
        .views(set)
        .forEach(v ->
            where
                .computeIfAbsent(v.exercise().id(), e -> new ArrayList<>())
                .add(new SetIn(v, names.getOrDefault(v.course(), ""))));
    List<ExerciseRow> rows = new ArrayList<>();
    for (Written w : drafts.of(account.id())) {
      rows.add(own(w, where.getOrDefault(w.id(), List.of())));
    }
    set.stream()
        .map(Assignment::exercise)
        .filter(e -> !e.owner().equals(account.id()))
        .collect(Collectors.toMap(Exercise::id, e -> e, (first, again) -> first))
        .values()
        .stream()
        .sorted(Comparator.comparing(Exercise::title).thenComparing(Exercise::id))
        .forEach(e -> rows.add(other(e, where.getOrDefault(e.id(), List.of()))));
    return rows;
  }

  private static ExerciseRow own(Written w, List<SetIn> set) {
    Draft draft = w.draft();
    return new ExerciseRow(
        w.id(),
        draft == null ? w.title() : draft.title(),
        draft == null ? w.summary() : draft.summary(),
        null,
        w.isPutAway()
            ? ExerciseState.away
            : w.version() == null ? ExerciseState.draft : ExerciseState.ready,
        draft != null
            ? draft.profile().name()
            : set.isEmpty() ? "" : set.getFirst().assignment().exercise().profile(),
        w.starter() != null,
        set);
  }

  private ExerciseRow other(Exercise e, List<SetIn> set) {
    SignedIn owner = accounts.people(List.of(e.owner())).get(e.owner());
    return new ExerciseRow(
        e.id(),
        e.title(),
        e.summary(),
        owner == null ? "Somebody" : owner.name(),
        ExerciseState.ready,
        e.profile().name(),
        true,
        set);
  }
}
