package fairedge.server.bench;

import fairedge.core.demonstration.Deed;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.bench.store.WorkpieceStore.Recorded;
import fairedge.server.inspection.Terms;
import fairedge.server.platform.SignedIn;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/** What was done on workpieces, in order. */
@Service
public class Recordings {
  private final WorkpieceStore store;
  private final Workpieces workpieces;
  private final Workshop workshop;

  Recordings(WorkpieceStore store, Workpieces workpieces, Workshop workshop) {
    this.store = store;
    this.workpieces = workpieces;
    this.workshop = workshop;
  }

  /** What was done, from the starter on. */
  public record Recording(String title, String unit, Terms terms, List<Deed> deeds) {
    public Recording {
      deeds = List.copyOf(deeds);
    }
  }

  /**
   * What was done on a workpiece of one's own.
   *
   * @param whole also what was taken back, as it was; else only the steps in force
   */
  public Recording of(UUID workpiece, SignedIn account, boolean whole) {
    Head head = workpieces.require(workpiece, account);
    Task task = workshop.task(head);
    List<Recorded> all = store.recorded(workpiece);
    Map<Long, Recorded> known = new HashMap<>();
    all.forEach(step -> known.put(step.id(), step));
    List<Deed> deeds = new ArrayList<>();
    Long at = null;
    if (whole) {
      for (Recorded step : all) {
        at = walk(at, step.id(), known, deeds);
      }
    }
    walk(at, head.headStep(), known, deeds);
    return new Recording(task.view().title(), task.view().unit(), task.terms(), deeds);
  }

  /** From one state to another: back to where their lines part, and forth from there. */
  private static @Nullable Long walk(
      @Nullable Long from, @Nullable Long to, Map<Long, Recorded> known, List<Deed> deeds) {
    List<Long> line = line(to, known);
    Long at = from;
    while (at != null && !line.contains(at)) {
      deeds.add(new Deed.TakenBack());
      at = Objects.requireNonNull(known.get(at)).parent();
    }
    int next = at == null ? 0 : line.indexOf(at) + 1;
    for (Long id : line.subList(next, line.size())) {
      Recorded step = Objects.requireNonNull(known.get(id));
      deeds.add(new Deed.Made(step.change(), step.view()));
    }
    return to;
  }

  private static List<Long> line(@Nullable Long to, Map<Long, Recorded> known) {
    Deque<Long> line = new ArrayDeque<>();
    for (Long at = to; at != null; at = Objects.requireNonNull(known.get(at)).parent()) {
      line.addFirst(at);
    }
    return List.copyOf(line);
  }

  /** How many steps somebody has made on each of several practice pieces. */
  public Map<UUID, Integer> stepsOfPractice(List<UUID> pieces, SignedIn account) {
    Map<UUID, Integer> steps = new HashMap<>();
    for (UUID piece : pieces) {
      for (Head head : store.of(Owner.practice(piece), account.id())) {
        steps.merge(piece, store.steps(head.id()).size(), Integer::sum);
      }
    }
    return steps;
  }
}
