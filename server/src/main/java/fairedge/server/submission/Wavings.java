package fairedge.server.submission;

import fairedge.core.compare.Comparison;
import fairedge.core.geometry.Tolerance;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import fairedge.server.exercise.Assignments;
import fairedge.server.platform.Problem;
import fairedge.server.submission.store.SubmissionStore;
import fairedge.server.submission.store.WavingStore;
import java.time.Clock;
import java.util.ArrayDeque;
import java.util.Collection;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Queue;
import java.util.TreeMap;
import java.util.UUID;
import org.springframework.stereotype.Component;

/**
 * Findings waved through: out of counts and credits, in this attempt and at that place in the next
 * ones. Matched as findings are between attempts, one to one; what is about the whole mesh by its
 * kind.
 */
@Component
public class Wavings {
  /** So many a student has in an assignment at the most. */
  private static final int MOST = 1000;

  private final WavingStore store;
  private final SubmissionStore submissions;
  private final Assignments assignments;
  private final Clock clock;

  Wavings(WavingStore store, SubmissionStore submissions, Assignments assignments, Clock clock) {
    this.store = store;
    this.submissions = submissions;
    this.assignments = assignments;
    this.clock = clock;
  }

  /** Which findings of a report of a hand-in don't count, by their place in the list. */
  public Map<Integer, Waving> of(Submission s, CheckView check) {
    List<Waving> all =
        store.of(s.assignmentId(), s.studentId()).stream()
            .filter(w -> w.firstAttempt() <= s.attempt())
            .toList();
    return all.isEmpty() ? Map.of() : matched(all, check, tolerance(s));
  }

  private Tolerance tolerance(Submission s) {
    return assignments.require(s.assignmentId()).exercise().tolerance();
  }

  /** Cost: n log n in both. */
  static Map<Integer, Waving> matched(List<Waving> all, CheckView check, Tolerance tolerance) {
    List<FindingView> findings = check.findings();
    Map<Integer, Waving> waved = new TreeMap<>();
    List<Integer> match =
        Comparison.of(
                all.stream().map(Waving::spot).toList(),
                findings.stream().map(FindingView::spot).toList(),
                tolerance)
            .match();
    Map<String, Queue<Waving>> ofTheWhole = new HashMap<>();
    all.stream()
        .filter(w -> w.place() == null)
        .forEach(w -> ofTheWhole.computeIfAbsent(w.kind(), k -> new ArrayDeque<>()).add(w));
    for (int i = 0; i < findings.size(); i++) {
      FindingView f = findings.get(i);
      Queue<Waving> whole = ofTheWhole.get(f.kind());
      if (match.get(i) >= 0) {
        waved.put(i, all.get(match.get(i)));
      } else if (f.elements().isEmpty() && whole != null && !whole.isEmpty()) {
        waved.put(i, whole.remove());
      }
    }
    return waved;
  }

  /**
   * Waves findings of the newest report through; those that are already stay as they are. In the
   * transaction at hand, which holds the submission.
   *
   * @param keys of the findings
   */
  public void wave(Submission s, UUID by, Collection<String> keys, String reason) {
    CheckView check = submissions.check(s.id(), s.newest()).orElseThrow();
    Map<Integer, Waving> waved = of(s, check);
    if (store.count(s.assignmentId(), s.studentId()) + keys.size() > MOST) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "More than %d findings are waved through here: switch the kind off in what counts."
              .formatted(MOST));
    }
    Map<String, Integer> byKey = new HashMap<>();
    for (int i = 0; i < check.findings().size(); i++) {
      byKey.putIfAbsent(check.findings().get(i).key(), i);
    }
    for (String key : new HashSet<>(keys)) {
      Integer at = byKey.get(key);
      if (at == null) {
        throw Problem.of(
            Problem.Kind.STALE, "It was inspected anew since: this finding is not there any more.");
      }
      if (!waved.containsKey(at)) {
        insert(s, check.findings().get(at), by, reason);
      }
    }
    recount(s, check);
  }

  private void insert(Submission s, FindingView f, UUID by, String reason) {
    boolean isOfTheWhole = f.elements().isEmpty() || !f.place().isFinite();
    store.insert(
        new Waving(
            UUID.randomUUID(),
            s.assignmentId(),
            s.studentId(),
            f.kind(),
            isOfTheWhole ? null : f.place(),
            f.reach(),
            reason,
            by,
            clock.instant(),
            s.attempt()));
  }

  /** Lets some count again; in the transaction at hand. */
  public void countAgain(Submission s, Collection<UUID> ids) {
    store.delete(s.assignmentId(), s.studentId(), ids);
    recount(s, submissions.check(s.id(), s.newest()).orElseThrow());
  }

  /** Keeps with the newest report how many of each kind don't count; in the transaction at hand. */
  void recount(Submission s, CheckView check) {
    submissions.setWaved(s.id(), s.newest(), check, of(s, check).keySet());
  }
}
