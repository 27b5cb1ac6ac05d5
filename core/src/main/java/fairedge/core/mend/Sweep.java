package fairedge.core.mend;

import fairedge.core.effort.Effort;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.mesh.Element;
import fairedge.core.step.Change;
import fairedge.core.step.Mending;
import fairedge.core.step.Outcome;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.Predicate;
import org.jspecify.annotations.Nullable;

/**
 * Many findings mended one after the other, each on what the mend before left, so that mends that
 * touch the same faces are tried again; odd faces first, by the set of routes that costs least.
 * Made on a copy; the workpiece stays as it is.
 *
 * @param changes one list for all of them
 * @param mended the keys of what was asked for and is gone
 * @param left the keys of what stands still of the kind that was asked for
 * @param mends how many were made
 * @param routes of the odd faces that were mended together, for people; empty if there were none
 */
public record Sweep(
    List<Change> changes, List<String> mended, List<String> left, int mends, String routes) {
  public Sweep {
    changes = List.copyOf(changes);
    mended = List.copyOf(mended);
    left = List.copyOf(left);
  }

  /** Told how far a sweep is. */
  @FunctionalInterface
  public interface Progress {
    /**
     * @param dealt findings that are gone, or were tried
     * @param of those that were asked for
     */
    void at(int dealt, int of);
  }

  /** All in one step. */
  public Change change() {
    return new Mending.MendChange(
        changes, mended.size() == 1 ? "1 finding" : mended.size() + " findings");
  }

  /**
   * Mends what is chosen, in the order of the report. Cost: a copy of the mesh, and what each mend
   * touches, with the findings that there are; for routes, see {@link RouteSet}.
   *
   * @param which of the findings
   * @param progress told how far it is, after each mend; what it throws ends the work
   * @throws fairedge.core.effort.Effort.Over as any long work
   */
  public static Sweep of(
      Workpiece workpiece,
      State state,
      List<Integer> hidden,
      Predicate<Assessed> which,
      Progress progress) {
    Work work = new Work(workpiece.copyOn(workpiece.mesh().copy()), state, hidden, which, progress);
    Set<String> asked = work.asked;
    work.routes();
    work.pairs();
    work.oneByOne();
    Set<String> still = work.standing.keySet();
    return new Sweep(
        work.changes,
        asked.stream().filter(key -> !still.contains(key)).toList(),
        List.copyOf(work.keys()),
        work.mends,
        work.told);
  }

  /** So many pairs of triangles are lifted together. */
  private static final int MOST_TOGETHER = 64;

  /** A sweep as it goes. */
  private static final class Work {
    final Workpiece own;
    final Mender mender;
    final List<Integer> hidden;
    final Predicate<Assessed> which;
    final Progress progress;
    final Map<String, Assessed> standing;
    final Set<String> asked;
    final Set<String> dealt = new HashSet<>();
    final List<Change> changes = new ArrayList<>();
    final Set<String> tried = new HashSet<>();
    int mends;
    String told = "";

    Work(
        Workpiece own,
        State state,
        List<Integer> hidden,
        Predicate<Assessed> which,
        Progress progress) {
      this.own = own;
      this.mender = new Mender(own, state, hidden);
      this.hidden = hidden;
      this.which = which;
      this.progress = progress;
      this.standing = byKey(state);
      this.asked = keys();
    }

    private void dealtWith(String key) {
      if (asked.contains(key) && dealt.add(key)) {
        progress.at(dealt.size(), asked.size());
      }
    }

    Set<String> keys() {
      Set<String> keys = new LinkedHashSet<>();
      mender.state().report().findings().stream()
          .filter(which)
          .forEach(a -> keys.add(a.finding().key()));
      return keys;
    }

    /** Two odd faces and more: together they cost less than one by one. */
    void routes() {
      Map<Integer, String> odd = new TreeMap<>();
      for (Assessed a : mender.state().report().findings()) {
        if (which.test(a) && isOdd(a.finding())) {
          odd.putIfAbsent(a.finding().elements().getFirst().id(), a.finding().key());
        }
      }
      if (odd.size() < 2) {
        return;
      }
      Mender.Together together = mender.together(odd.keySet());
      int made = 0;
      for (Map.Entry<RouteSearch.Found, List<Plan>> way : together.plans().entrySet()) {
        Effort.check();
        Assessed target = atAnEnd(way.getKey(), odd);
        Optional<Trial.Held> held =
            target == null ? Optional.empty() : mender.first(way.getValue(), target);
        if (held.isPresent()) {
          make(held.get());
          made++;
        }
      }
      told = made == 0 ? "" : together.set().told(made);
    }

    /**
     * Pairs of triangles that have no corner in common are lifted together: if that brings nothing,
     * each by itself would not either.
     */
    void pairs() {
      List<Assessed> batch = new ArrayList<>();
      Set<Integer> corners = new HashSet<>();
      for (Assessed a : List.copyOf(mender.state().report().findings())) {
        if (which.test(a)
            && a.finding() instanceof SidesFinding.Triangle pair
            && pair.form() == SidesFinding.Triangle.Form.PAIR) {
          Set<Integer> its = new HashSet<>();
          pair.faces().forEach(f -> Arrays.stream(own.mesh().vertices(f)).forEach(its::add));
          if (batch.size() == MOST_TOGETHER || its.stream().anyMatch(corners::contains)) {
            lift(batch);
            batch.clear();
            corners.clear();
          }
          batch.add(a);
          corners.addAll(its);
        }
      }
      lift(batch);
    }

    private void lift(List<Assessed> pairs) {
      if (pairs.size() < 2) {
        return;
      }
      Effort.check();
      List<Integer> edges =
          pairs.stream()
              .flatMap(a -> Ground.ids(a.finding().elements(), Element.Kind.EDGE).stream())
              .toList();
      Plan all =
          Plan.of(
              "Lift %d edges: each pair of triangles becomes one quad.".formatted(edges.size()),
              new Tidying.LiftChange(edges, List.of(), false));
      Assessed first = standing.get(pairs.getFirst().finding().key());
      if (first != null) {
        mender
            .first(List.of(all), first)
            .filter(held -> isPlain(held, pairs))
            .ifPresent(held -> {
              make(held);
              mends += pairs.size() - 1;
            });
      }
    }

    private static boolean isPlain(Trial.Held held, List<Assessed> pairs) {
      Set<String> gone = new HashSet<>();
      held.told().gone().forEach(a -> gone.add(a.finding().key()));
      return held.mend().cost().found() == 0
          && pairs.stream().allMatch(a -> gone.contains(a.finding().key()));
    }

    private boolean isOdd(Finding finding) {
      return switch (finding) {
        case SidesFinding.Triangle t -> t.form() == SidesFinding.Triangle.Form.STRAY;
        case SidesFinding.Ngon n -> own.mesh().size(n.elements().getFirst().id()) % 2 != 0;
        default -> false;
      };
    }

    private @Nullable Assessed atAnEnd(RouteSearch.Found way, Map<Integer, String> odd) {
      String key = odd.getOrDefault(way.from(), odd.get(way.to()));
      return key == null ? null : standing.get(key);
    }

    void oneByOne() {
      // What is left may be told otherwise by then, as other pairs of triangles.
      for (Set<String> next = asked; !next.isEmpty(); next = keys()) {
        next = new LinkedHashSet<>(next);
        next.removeAll(tried);
        if (next.isEmpty()) {
          return;
        }
        for (String key : next) {
          Effort.check();
          tried.add(key);
          Assessed target = standing.get(key);
          if (target != null) {
            mender.first(target).ifPresent(this::make);
          }
          dealtWith(key);
        }
      }
    }

    private void make(Trial.Held held) {
      for (Change change : held.mend().changes()) {
        if (!(own.apply(change, hidden) instanceof Outcome.Made)) {
          throw new IllegalStateException("a mend that was tried was refused");
        }
      }
      changes.addAll(held.mend().changes());
      mends++;
      mender.goOn(held.state());
      for (Assessed gone : held.told().gone()) {
        standing.remove(gone.finding().key());
        dealtWith(gone.finding().key());
      }
      held.told().come().forEach(a -> standing.put(a.finding().key(), a));
    }

    private static Map<String, Assessed> byKey(State state) {
      Map<String, Assessed> byKey = new HashMap<>();
      state.report().findings().forEach(a -> byKey.putIfAbsent(a.finding().key(), a));
      return byKey;
    }
  }
}
