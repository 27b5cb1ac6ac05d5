package fairedge.server.exercise;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Wanted;
import fairedge.json.ProfileView;
import fairedge.server.course.Right;
import fairedge.server.exercise.store.ExerciseStore;
import fairedge.server.meshfile.MeshFiles;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.time.Clock;
import java.util.Map;
import java.util.UUID;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Exercises, each of its instructor's. */
@Service
public class Exercises {
  private final ExerciseStore store;
  private final Assignments assignments;
  private final MeshFiles meshes;
  private final ApplicationEventPublisher events;
  private final Clock clock;

  Exercises(
      ExerciseStore store,
      Assignments assignments,
      MeshFiles meshes,
      ApplicationEventPublisher events,
      Clock clock) {
    this.clock = clock;
    this.events = events;
    this.store = store;
    this.assignments = assignments;
    this.meshes = meshes;
  }

  /** What an instructor asks for. */
  public record Draft(String title, String summary, String brief, String unit, Profile profile) {}

  /** Makes an exercise of an instructor's. */
  @Transactional
  public UUID make(UUID owner, Draft draft, Mesh starter) {
    Tolerance tolerance = Tolerance.of(starter.bounds());
    Exercise exercise =
        new Exercise(
            UUID.randomUUID(),
            owner,
            draft.title(),
            draft.summary(),
            draft.unit(),
            meshes.keep(starter),
            tolerance.scale(),
            0,
            draft.brief(),
            draft.profile(),
            Wanted.NOTHING);
    store.insert(exercise, clock.instant());
    return exercise.id();
  }

  /**
   * Lets other kinds and numbers count, or asks something else of the shape, in a new version. What
   * was handed in is inspected anew after it: {@link TermsChanged}.
   *
   * @param version that it is made from
   */
  @Transactional
  public TermsView setTerms(
      UUID id, SignedIn account, int version, ProfileView asked, Wanted wanted) {
    Exercise exercise = requireOf(account, id);
    Exercise next = exercise.with(version + 1, profileOf(asked), wanted);
    if (!store.addVersion(next, clock.instant())) {
      throw Problem.of(
          Problem.Kind.STALE,
          "This was changed in another window meanwhile; here is how it stands now.",
          Map.of("revision", exercise.version()));
    }
    events.publishEvent(new TermsChanged(id, next.version()));
    return TermsView.of(next);
  }

  public TermsView terms(UUID id, SignedIn account) {
    return TermsView.of(requireToRead(id, account));
  }

  private static Profile profileOf(ProfileView asked) {
    try {
      return asked.profile();
    } catch (IllegalArgumentException e) {
      throw Problem.of(Problem.Kind.BAD_INPUT, String.valueOf(e.getMessage()));
    }
  }

  /** For its instructor. */
  private Exercise requireOf(SignedIn owner, UUID id) {
    Exercise exercise = require(id);
    if (!exercise.owner().equals(owner.id())) {
      throw Problem.notFound("exercise");
    }
    return exercise;
  }

  /** For its instructor, and for those of the classes where it is set. */
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
