package fairedge.server.submission;

import fairedge.core.credit.Attempts;
import fairedge.core.insight.Skill;
import fairedge.core.inspect.finding.Kind;
import fairedge.server.exercise.Assignment;
import fairedge.server.submission.store.HistoryStore;
import java.math.BigDecimal;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.UUID;
import org.springframework.stereotype.Service;

/** What was handed in over a term; whoever asks decides who may know. */
@Service
public class History {
  private final HistoryStore store;

  History(HistoryStore store) {
    this.store = store;
  }

  /** How often something was found that must be mended, or that should. */
  public record KindCount(Kind kind, boolean isMust, int count) {}

  /** All attempts in several assignments, those of each student one after the other. */
  public List<Tried> all(Collection<UUID> assignments) {
    return store.all(assignments);
  }

  /** What counts in the reports of several that are shown, but for remarks; by submission. */
  public Map<UUID, List<KindCount>> kinds(Collection<UUID> ids) {
    return store.kinds(ids);
  }

  /** What the reports of several tell of skills. */
  public Map<UUID, Skill.Shown> shown(Collection<UUID> ids) {
    return store.shown(ids);
  }

  /**
   * Of the attempts of a student in an assignment the one that counts; none where none is answered.
   *
   * @param attempts in their order
   */
  public static Optional<Tried> counting(Assignment assignment, List<Tried> attempts) {
    List<Attempts.Answered> answered =
        attempts.stream()
            .filter(Tried::isAnswered)
            .map(t ->
                new Attempts.Answered(
                    t.attempt(), BigDecimal.valueOf(t.credits() == null ? 0 : t.credits())))
            .toList();
    return Attempts.counting(answered, assignment.exercise().rule().counts())
        .flatMap(a -> attempts.stream().filter(t -> t.attempt() == a.number()).findFirst());
  }
}
