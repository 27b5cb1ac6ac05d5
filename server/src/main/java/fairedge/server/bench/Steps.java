package fairedge.server.bench;

import java.time.Instant;
import java.util.ArrayList;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * The steps of a workpiece, seen from where it stands.
 *
 * @param inForce from the starter to where it stands
 * @param beside taken back, or of another branch, in the order in which they were made
 * @param canBeMadeAgain whether a step was made after where it stands, to be made again
 * @param keptAt when the last one was kept
 */
record Steps(
    List<StepView> inForce,
    List<StepView> beside,
    boolean canBeMadeAgain,
    @Nullable Instant keptAt) {

  /**
   * @param all in the order in which they were made
   * @param head the step that it stands at; null: the starter
   */
  static Steps seenFrom(@Nullable Long head, List<StepView> all) {
    Map<Long, StepView> byId = new HashMap<>();
    all.forEach(step -> byId.put(step.id(), step));
    List<StepView> line = new ArrayList<>();
    for (Long at = head; at != null; at = line.getLast().parent()) {
      line.add(Objects.requireNonNull(byId.get(at)));
    }
    Collections.reverse(line);
    Set<Long> inForce = line.stream().map(StepView::id).collect(Collectors.toSet());
    return new Steps(
        line,
        all.stream().filter(step -> !inForce.contains(step.id())).toList(),
        all.stream().anyMatch(step -> Objects.equals(step.parent(), head)),
        all.isEmpty() ? null : all.getLast().madeAt());
  }
}
