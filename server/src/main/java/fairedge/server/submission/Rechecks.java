package fairedge.server.submission;

import fairedge.core.inspect.Kind;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Rule;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import fairedge.json.FindingView.SeverityView;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Exercises;
import fairedge.server.inspection.Inspections;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.store.PictureStore;
import fairedge.server.submission.store.SubmissionStore;
import java.util.Comparator;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** Inspects what was handed in anew where other terms hold since. */
@Service
public class Rechecks {
  /** What only the file told, which is not kept: these findings are taken over. */
  private static final Set<String> OF_THE_FILE =
      Set.of(Kind.REPEATED_CORNER.key(), Kind.UNREADABLE_FACE.key());

  private final SubmissionStore store;
  private final PictureStore pictures;
  private final Submissions submissions;
  private final Exercises exercises;
  private final Inspections inspections;
  private final ApplicationEventPublisher events;

  Rechecks(
      SubmissionStore store,
      PictureStore pictures,
      Submissions submissions,
      Exercises exercises,
      Inspections inspections,
      ApplicationEventPublisher events) {
    this.store = store;
    this.pictures = pictures;
    this.submissions = submissions;
    this.exercises = exercises;
    this.inspections = inspections;
    this.events = events;
  }

  /** How far it is. */
  public record Progress(int done, int of) {}

  public Progress progress(UUID exerciseId, SignedIn account) {
    Exercise exercise = exercises.requireForInstructor(exerciseId, account);
    return new Progress(
        store.reports(exerciseId, exercise.termsRevision()), store.reports(exerciseId, null));
  }

  /** Inspects one submission whose report is outdated; false where there is none. */
  @Transactional
  public boolean next(UUID exerciseId) {
    Exercise exercise = exercises.require(exerciseId);
    Optional<Submission> outdated = store.nextOutdated(exerciseId, exercise.termsRevision());
    outdated.ifPresent(submission -> recheck(submission, exercise));
    return outdated.isPresent();
  }

  private void recheck(Submission submission, Exercise exercise) {
    CheckView before = store.check(submission.id());
    CheckView fresh =
        inspections.inspect(submissions.mesh(submission), List.of(), exercise.terms());
    Stream<FindingView> kept =
        before.findings().stream()
            .filter(f -> OF_THE_FILE.contains(f.kind()))
            .flatMap(f -> reassessed(f, exercise.profile()).stream());
    List<FindingView> findings =
        Stream.concat(fresh.findings().stream(), kept)
            .sorted(Comparator.comparing(f -> Kind.named(f.kind())))
            .toList();
    store.replace(
        submission.id(),
        CheckView.of(fresh.figures(), findings, fresh.unlisted()),
        exercise.termsRevision());
    pictures.forget(submission.id());
    events.publishEvent(new Rechecked(submission.id(), followed(before.findings(), findings)));
  }

  private static Optional<FindingView> reassessed(FindingView f, Profile profile) {
    return profile.severityOf(Rule.named(f.kind())).map(s -> f.with(SeverityView.of(s)));
  }

  private static Map<Integer, Integer> followed(List<FindingView> before, List<FindingView> now) {
    Map<String, Integer> places = new HashMap<>();
    for (int i = 0; i < now.size(); i++) {
      places.putIfAbsent(now.get(i).key(), i);
    }
    Map<Integer, Integer> followed = new HashMap<>();
    for (int i = 0; i < before.size(); i++) {
      Integer place = places.get(before.get(i).key());
      if (place != null) {
        followed.put(i, place);
      }
    }
    return followed;
  }
}
