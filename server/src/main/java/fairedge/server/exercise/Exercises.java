package fairedge.server.exercise;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Wanted;
import fairedge.json.ProfileView;
import fairedge.server.course.Courses;
import fairedge.server.course.Role;
import fairedge.server.exercise.store.ExerciseStore;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.time.Instant;
import java.util.List;
import java.util.Map;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Exercises and who may see them. */
@Service
public class Exercises {
  private final ExerciseStore store;
  private final Courses courses;
  private final MeshFiles meshes;
  private final ApplicationEventPublisher events;

  Exercises(
      ExerciseStore store, Courses courses, MeshFiles meshes, ApplicationEventPublisher events) {
    this.events = events;
    this.store = store;
    this.courses = courses;
    this.meshes = meshes;
  }

  /** What an instructor sets. */
  public record Draft(
      String title,
      String summary,
      String brief,
      String unit,
      Profile profile,
      @Nullable Instant dueAt) {}

  public UUID set(UUID courseId, Draft draft, Mesh starter) {
    Tolerance tolerance = Tolerance.of(starter.bounds());
    Exercise exercise =
        new Exercise(
            UUID.randomUUID(),
            courseId,
            draft.title(),
            draft.summary(),
            draft.brief(),
            draft.unit(),
            meshes.keep(starter),
            tolerance.scale(),
            draft.profile(),
            Wanted.NOTHING,
            0,
            draft.dueAt());
    store.insert(exercise);
    return exercise.id();
  }

  /**
   * Lets other kinds and numbers count, or asks something else of the shape. What was handed in is
   * inspected anew after it: {@link TermsChanged}.
   *
   * @param revision of the terms that are replaced
   */
  @Transactional
  public TermsView setTerms(
      UUID id, SignedIn account, int revision, ProfileView asked, Wanted wanted) {
    Exercise exercise = requireForInstructor(id, account);
    Profile profile = profileOf(asked);
    if (!store.setTerms(id, revision, profile, wanted)) {
      throw Problem.of(
          Problem.Kind.STALE,
          "This was changed in another window meanwhile; here is how it stands now.",
          Map.of("revision", exercise.termsRevision()));
    }
    events.publishEvent(new TermsChanged(id));
    return TermsView.of(require(id));
  }

  public TermsView terms(UUID id, SignedIn account) {
    return TermsView.of(requireForInstructor(id, account));
  }

  private static Profile profileOf(ProfileView asked) {
    try {
      return asked.profile();
    } catch (IllegalArgumentException e) {
      throw Problem.of(Problem.Kind.BAD_INPUT, String.valueOf(e.getMessage()));
    }
  }

  /** For a student of its class. */
  public Exercise requireForStudent(UUID id, SignedIn account) {
    Exercise exercise = require(id);
    courses.require(account, exercise.courseId(), Role.STUDENT);
    return exercise;
  }

  /** For an instructor of its class. */
  public Exercise requireForInstructor(UUID id, SignedIn account) {
    Exercise exercise = require(id);
    courses.require(account, exercise.courseId(), Role.INSTRUCTOR);
    return exercise;
  }

  public Exercise require(UUID id) {
    return store.find(id).orElseThrow(() -> Problem.notFound("exercise"));
  }

  /** All exercises of the classes in which the account has this role, in their order. */
  public List<Exercise> of(SignedIn account, Role role) {
    return courses.of(account).stream()
        .filter(m -> m.role() == role)
        .flatMap(m -> store.ofCourse(m.courseId()).stream())
        .toList();
  }
}
