package fairedge.server.review;

import fairedge.core.compare.Comparison;
import fairedge.core.insight.Estimate;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import fairedge.server.exercise.Assignments;
import fairedge.server.platform.SignedIn;
import fairedge.server.review.store.AnswerStore;
import fairedge.server.review.store.OutcomeStore;
import fairedge.server.submission.Submission;
import fairedge.server.submission.Submissions;
import fairedge.server.submission.Tried;
import java.util.Comparator;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Optional;
import java.util.Set;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * Which phrases were followed by a cure: a note that was made of one, about a finding, went out;
 * another attempt came after it; and in that the finding is gone. Told by comparing the two reports
 * once, when somebody first asks; what was found out stays.
 */
@Service
public class Cures {
  /** So many pairs of reports are compared at a time. */
  private static final int AT_A_TIME = 60;

  /** Of fewer uses nothing is told. */
  private static final int LEAST_USES = 5;

  private final OutcomeStore store;
  private final AnswerStore answers;
  private final Submissions submissions;
  private final Assignments assignments;
  private final Phrases phrases;

  Cures(
      OutcomeStore store,
      AnswerStore answers,
      Submissions submissions,
      Assignments assignments,
      Phrases phrases) {
    this.store = store;
    this.answers = answers;
    this.submissions = submissions;
    this.assignments = assignments;
    this.phrases = phrases;
  }

  /** How often a phrase was followed by another attempt, and by a cure. */
  public record Followed(int attempts, int cured) {}

  /** A phrase and how often what it spoke of was gone afterwards. */
  public record Cure(Phrase phrase, int cured, Estimate share) {}

  /**
   * Finds out what became of some of the notes in a class whose outcome is not known yet.
   *
   * @param all the attempts in the class, those of a student one after the other
   * @return whether all is known now
   */
  @Transactional
  public boolean follow(UUID course, List<Tried> all) {
    Map<UUID, UUID> next = new HashMap<>();
    for (int i = 1; i < all.size(); i++) {
      Tried before = all.get(i - 1);
      Tried now = all.get(i);
      if (before.student().equals(now.student())
          && before.assignment().equals(now.assignment())
          && before.answeredAt() != null
          && before.answeredAt().isBefore(now.handedInAt())) {
        next.put(before.id(), now.id());
      }
    }
    List<UUID> open = store.open(next.keySet(), AT_A_TIME);
    open.forEach(id -> follow(course, id, Objects.requireNonNull(next.get(id))));
    return open.size() < AT_A_TIME;
  }

  private void follow(UUID course, UUID id, UUID nextId) {
    Saying saying = answers.lastSayings(List.of(id)).get(id);
    Optional<Submission> next = submissions.find(nextId);
    Optional<CheckView> then =
        saying == null ? Optional.empty() : submissions.findReport(id, saying.report());
    if (saying == null || next.isEmpty() || then.isEmpty()) {
      return;
    }
    Set<Integer> gone = gone(then.get(), next.get());
    for (NoteView note : saying.words().notes()) {
      UUID phrase = note.phrase();
      Integer finding = note.finding();
      if (phrase != null && finding != null) {
        store.keep(id, note.id(), course, phrase, gone.contains(finding));
      }
    }
  }

  private Set<Integer> gone(CheckView then, Submission next) {
    return new HashSet<>(
        Comparison.of(
                then.findings().stream().map(FindingView::spot).toList(),
                submissions.newest(next).findings().stream().map(FindingView::spot).toList(),
                assignments.require(next.assignmentId()).exercise().tolerance())
            .gone());
  }

  /** What is known of the phrases that somebody may read, the surest cures first. */
  public List<Cure> of(UUID course, SignedIn reader) {
    Map<UUID, Followed> followed = store.of(course);
    return phrases.of(reader).stream()
        .flatMap(phrase -> cure(phrase, followed.get(phrase.id())).stream())
        .sorted(
            Comparator.comparingDouble((Cure c) -> c.share().low())
                .reversed()
                .thenComparing(c -> c.phrase().id()))
        .toList();
  }

  private static Optional<Cure> cure(Phrase phrase, @Nullable Followed followed) {
    return followed == null || followed.attempts() < LEAST_USES
        ? Optional.empty()
        : Optional.of(
            new Cure(
                phrase, followed.cured(), Estimate.ofShare(followed.cured(), followed.attempts())));
  }
}
