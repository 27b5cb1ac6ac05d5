package fairedge.core.mend;

import fairedge.core.effort.Effort;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Mending;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.function.IntConsumer;
import java.util.function.Predicate;

/**
 * Many findings mended one after the other, each on what the mend before left, so that mends that
 * touch the same faces are tried again. Made on a copy; the workpiece stays as it is.
 *
 * @param changes one list for all of them
 * @param mended the keys of what was asked for and is gone
 * @param left the keys of what stands still of the kind that was asked for
 * @param mends how many were made
 */
public record Sweep(List<Change> changes, List<String> mended, List<String> left, int mends) {
  public Sweep {
    changes = List.copyOf(changes);
    mended = List.copyOf(mended);
    left = List.copyOf(left);
  }

  /** All in one step. */
  public Change change() {
    return new Mending.MendChange(
        changes, mended.size() == 1 ? "1 finding" : mended.size() + " findings");
  }

  /**
   * Mends what is chosen, in the order of the report. Cost: a copy of the mesh, and what each mend
   * touches, with the findings that there are.
   *
   * @param which of the findings
   * @param progress told how many are dealt with
   * @throws fairedge.core.effort.Effort.Over as any long work
   */
  public static Sweep of(
      Workpiece workpiece,
      State state,
      List<Integer> hidden,
      Predicate<Assessed> which,
      IntConsumer progress) {
    Mesh copy = workpiece.mesh().copy();
    Workpiece own = workpiece.copyOn(copy);
    Mender mender = new Mender(own, state, hidden);
    Set<String> asked = keys(mender.state(), which);
    List<Change> changes = new ArrayList<>();
    Set<String> tried = new HashSet<>();
    int mends = 0;
    // What is left may be told otherwise by then, as other pairs of triangles.
    for (Set<String> next = asked; !next.isEmpty(); next = keys(mender.state(), which)) {
      next.removeAll(tried);
      Map<String, Assessed> standing = byKey(mender.state());
      for (String key : next) {
        Effort.check();
        tried.add(key);
        Assessed target = standing.get(key);
        Optional<Trial.Held> held = target == null ? Optional.empty() : mender.first(target);
        if (held.isPresent()) {
          make(own, held.get().mend(), hidden);
          changes.addAll(held.get().mend().changes());
          mends++;
          mender.goOn(held.get().state());
          renew(standing, held.get().told());
        }
        progress.accept(tried.size());
      }
      if (next.isEmpty()) {
        break;
      }
    }
    Set<String> still = byKey(mender.state()).keySet();
    return new Sweep(
        changes,
        asked.stream().filter(key -> !still.contains(key)).toList(),
        List.copyOf(keys(mender.state(), which)),
        mends);
  }

  private static void renew(Map<String, Assessed> standing, Trial.Told told) {
    told.gone().forEach(a -> standing.remove(a.finding().key()));
    told.come().forEach(a -> standing.put(a.finding().key(), a));
  }

  private static void make(Workpiece own, Mend mend, List<Integer> hidden) {
    for (Change change : mend.changes()) {
      if (!(own.apply(change, hidden) instanceof Outcome.Made)) {
        throw new IllegalStateException("a mend that was tried was refused");
      }
    }
  }

  private static Set<String> keys(State state, Predicate<Assessed> which) {
    Set<String> keys = new LinkedHashSet<>();
    state.report().findings().stream().filter(which).forEach(a -> keys.add(a.finding().key()));
    return keys;
  }

  private static Map<String, Assessed> byKey(State state) {
    Map<String, Assessed> byKey = new HashMap<>();
    state.report().findings().forEach(a -> byKey.putIfAbsent(a.finding().key(), a));
    return byKey;
  }
}
