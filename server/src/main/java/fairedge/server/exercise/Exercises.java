package fairedge.server.exercise;

import fairedge.core.credit.CreditRule;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Wanted;
import fairedge.server.course.Right;
import fairedge.server.exercise.store.ExerciseStore;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.util.List;
import java.util.UUID;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Exercises as they hold, each of its instructor's. */
@Service
public class Exercises {
  private final ExerciseStore store;
  private final Assignments assignments;
  private final MeshFiles meshes;
  private final Clock clock;

  Exercises(ExerciseStore store, Assignments assignments, MeshFiles meshes, Clock clock) {
    this.clock = clock;
    this.store = store;
    this.assignments = assignments;
    this.meshes = meshes;
  }

  /** What is asked in an exercise that is made at once. */
  public record Asked(
      String title,
      String summary,
      String brief,
      String unit,
      Profile profile,
      Wanted wanted,
      CreditRule rule) {}

  /** Makes an exercise of an instructor's that is ready; for a sample class. */
  @Transactional
  public UUID make(UUID owner, Asked asked, Mesh starter, List<Mesh> solutions) {
    List<Reference> references =
        solutions.stream().map(m -> Reference.of(meshes.keep(m), "made step by step")).toList();
    Exercise exercise =
        new Exercise(
            UUID.randomUUID(),
            owner,
            asked.title(),
            asked.summary(),
            asked.unit(),
            meshes.keep(starter),
            Tolerance.of(starter.bounds()).scale(),
            0,
            0,
            asked.brief(),
            asked.profile(),
            asked.wanted(),
            Exercise.Tells.all,
            asked.rule(),
            references,
            Exercise.Shows.withAnswer,
            true,
            null,
            Exercise.Mends.inPractice);
    store.insert(exercise, clock.instant());
    return exercise.id();
  }

  /** For its instructor, and for those who see everybody in a class where it is set. */
  public Exercise requireToRead(UUID id, SignedIn account) {
    Exercise exercise = require(id);
    if (!exercise.owner().equals(account.id()) && !assignments.may(Right.READ_ALL, id, account)) {
      throw Problem.notFound("exercise");
    }
    return exercise;
  }

  public Exercise require(UUID id) {
    return store.find(id).orElseThrow(() -> Problem.notFound("exercise"));
  }
}
