package fairedge.server.submission;

import fairedge.core.effort.Effort;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.Rule;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import fairedge.json.FindingView.SeverityView;
import fairedge.server.exercise.Assignments;
import fairedge.server.exercise.Exercise;
import fairedge.server.exercise.Exercises;
import fairedge.server.inspection.Inspections;
import fairedge.server.inspection.Inspections.Examined;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.store.RecheckStore;
import fairedge.server.submission.store.SubmissionStore;
import java.time.Clock;
import java.time.Duration;
import java.time.Instant;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import java.util.stream.Stream;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.context.ApplicationEventPublisher;
import org.springframework.stereotype.Service;
import org.springframework.transaction.support.TransactionTemplate;

/** Inspects what was handed in anew where other terms hold since. */
@Service
public class Rechecks {
  private static final Logger log = LoggerFactory.getLogger(Rechecks.class);

  /** A run has its exercise for so much longer than one submission may take. */
  private static final Duration SPARE = Duration.ofSeconds(30);

  /** What only the file told, which is not kept: these findings are taken over. */
  private static final Set<String> OF_THE_FILE =
      Set.of(Kind.REPEATED_CORNER.key(), Kind.UNREADABLE_FACE.key());

  private final SubmissionStore store;
  private final Submissions submissions;
  private final Exercises exercises;
  private final Assignments assignments;
  private final Inspections inspections;
  private final ApplicationEventPublisher events;
  private final RecheckStore runs;
  private final Wavings wavings;
  private final TransactionTemplate transactions;
  private final Duration longest;
  private final Clock clock;

  Rechecks(
      SubmissionStore store,
      Submissions submissions,
      Exercises exercises,
      Assignments assignments,
      Inspections inspections,
      ApplicationEventPublisher events,
      RecheckStore runs,
      Wavings wavings,
      TransactionTemplate transactions,
      @Value("${fair-edge.jobs.longest}") Duration longest,
      Clock clock) {
    this.runs = runs;
    this.wavings = wavings;
    this.transactions = transactions;
    this.longest = longest;
    this.clock = clock;
    this.store = store;
    this.submissions = submissions;
    this.exercises = exercises;
    this.assignments = assignments;
    this.inspections = inspections;
    this.events = events;
  }

  /** How far it is. */
  public record Progress(int done, int of) {}

  public Progress progress(UUID exerciseId, SignedIn account) {
    Exercise exercise = exercises.requireToRead(exerciseId, account);
    List<UUID> set = assignments.idsOfExercise(exerciseId);
    return new Progress(store.reports(set, exercise.termsVersion()), store.reports(set, null));
  }

  /**
   * Begins a run for an exercise, so that no other is made at the same time, on whichever node;
   * false if one is under way. It must be ended; that of a node that died ends by itself.
   */
  public boolean begin(UUID exercise, UUID run) {
    return runs.begin(exercise, run, clock.instant(), lease());
  }

  private Instant lease() {
    return clock.instant().plus(longest).plus(SPARE);
  }

  public void end(UUID exercise, UUID run) {
    runs.end(exercise, run);
  }

  /**
   * Inspects one submission whose report is outdated; false where there is none, or the run is not
   * this one's any more. No connection is held while it is inspected; its report comes after the
   * one that was read, or not at all.
   */
  public boolean next(UUID exerciseId, UUID run) {
    if (!runs.renew(exerciseId, run, lease())) {
      return false;
    }
    Exercise exercise = exercises.require(exerciseId);
    Optional<Submission> outdated =
        store.nextOutdated(assignments.idsOfExercise(exerciseId), exercise.termsVersion());
    outdated.ifPresent(submission -> recheck(submission, exercise));
    return outdated.isPresent();
  }

  private void recheck(Submission submission, Exercise exercise) {
    CheckView before = submissions.newest(submission);
    Examined examined = renewed(submission, exercise, before);
    CheckView now = examined.check();
    transactions.executeWithoutResult(status -> {
      if (submissions.lock(submission.id()).newest() == submission.newest()) {
        store.addReport(submission.id(), exercise.termsVersion(), examined);
        submissions.compare(submission.id());
        wavings.recount(submissions.require(submission.id()), now);
        submissions.findAfter(submission).ifPresent(after -> submissions.compare(after.id()));
        events.publishEvent(new Rechecked(submission.id()));
      }
    });
  }

  private Examined renewed(Submission submission, Exercise exercise, CheckView before) {
    Examined anew;
    try {
      anew =
          Effort.of(longest)
              .on(
                  Runtime.getRuntime().availableProcessors(),
                  () ->
                      inspections.examine(
                          submissions.mesh(submission), List.of(), exercise.terms()));
    } catch (Effort.Over over) {
      log.warn("submission {} took too long to be inspected anew", submission.id());
      return new Examined(before, null);
    } catch (RuntimeException e) {
      throw e;
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
    CheckView fresh = anew.check();
    Stream<FindingView> kept =
        before.findings().stream()
            .filter(f -> OF_THE_FILE.contains(f.kind()))
            .flatMap(f -> reassessed(f, exercise.profile()).stream());
    List<FindingView> findings =
        Stream.concat(fresh.findings().stream(), kept)
            .sorted(Comparator.comparing(f -> Kind.named(f.kind())))
            .toList();
    return new Examined(
        CheckView.of(
            fresh.figures(),
            findings,
            fresh.unlisted(),
            fresh.leftOut(),
            fresh.met(),
            fresh.pardoned()),
        anew.held());
  }

  private static Optional<FindingView> reassessed(FindingView f, Profile profile) {
    return profile.severityOf(Rule.named(f.kind())).map(s -> f.with(SeverityView.of(s)));
  }
}
