package fairedge.server.exercise;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.mesh.Mesh;
import fairedge.server.course.Courses;
import fairedge.server.course.Role;
import fairedge.server.exercise.store.ExerciseStore;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** Exercises and who may see them. */
@Service
public class Exercises {
  private final ExerciseStore store;
  private final Courses courses;
  private final MeshFiles meshes;

  Exercises(ExerciseStore store, Courses courses, MeshFiles meshes) {
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
            draft.profile().name(),
            draft.dueAt());
    store.insert(exercise);
    return exercise.id();
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
