package fairedge.core.mend;

import fairedge.core.flow.Fans;
import fairedge.core.geometry.Polygon;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Curviest;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Optional;
import java.util.Set;
import java.util.TreeMap;
import java.util.function.IntPredicate;
import org.jspecify.annotations.Nullable;

/**
 * Tries plans: makes the changes on a scratch journal, inspects what was touched, and takes all
 * back. A plan holds if its finding is gone and none as severe has come anywhere, and if the
 * surface did not move farther than it may.
 */
final class Trial {
  /** What moves by less, as a share of S, does not move. */
  private static final double STILL = 1e-9;

  /** What moves the surface by more, as a share of S, is no mend but another form. */
  private static final double MOST_MOVED = 0.02;

  private final Workpiece workpiece;
  private State state;

  private final List<Integer> hidden;
  private final Curviest curviest;

  /**
   * @param curviest where the form bends most
   */
  Trial(Workpiece workpiece, State state, List<Integer> hidden, Curviest curviest) {
    this.workpiece = workpiece;
    this.state = state;
    this.hidden = hidden;
    this.curviest = curviest;
  }

  /** From now on tries on what was made of the workpiece since. */
  void goOn(State next) {
    state = next;
  }

  /**
   * What a plan that holds came to, and by what it is put in order.
   *
   * @param poles how many it makes, those where the form bends most twice
   * @param off by how much corners are from right angles, on the mean
   * @param state as it is when the mend is made
   */
  record Held(Mend mend, Told told, int poles, double off, State state) {}

  /** As the mesh lies while the changes are in force. */
  private record After(
      List<Change> changes,
      State state,
      ElementSet touched,
      BitSet around,
      SurfaceMove.Lie lie,
      Map<Integer, Integer> poles,
      int[] counts,
      double off) {}

  Optional<Held> of(Plan plan, Assessed target) {
    Mesh mesh = workpiece.mesh();
    int[] ends = {mesh.vertexEnd(), mesh.edgeEnd(), mesh.faceEnd()};
    Optional<After> tried =
        workpiece.rehearse(
            course(plan),
            hidden,
            (now, changes, touched) -> after(plan, now, changes, touched, ends));
    return tried.flatMap(after -> held(plan, target, after));
  }

  private static Workpiece.Course course(Plan plan) {
    Deque<Plan.Step> steps = new ArrayDeque<>(plan.steps());
    Deque<Change> next = new ArrayDeque<>();
    return (mesh, made) -> {
      while (next.isEmpty() && !steps.isEmpty()) {
        next.addAll(steps.remove().next(mesh, made));
      }
      return Optional.ofNullable(next.poll());
    };
  }

  private After after(Plan plan, Mesh now, List<Change> changes, ElementSet touched, int[] ends) {
    State next = state.after(workpiece, now, touched);
    SurfaceMove.Lie lie =
        plan.surface() == Plan.Surface.STAYS
            ? SurfaceMove.Lie.of(now, touched)
            : SurfaceMove.Lie.NOTHING;
    BitSet around = around(now, touched);
    return new After(
        changes,
        next,
        touched,
        around,
        lie,
        polesAt(now, around),
        counts(now, touched, ends),
        off(now, touched.faces()));
  }

  private Optional<Held> held(Plan plan, Assessed target, After after) {
    Told told = told(target, after.state().report());
    if (told == null) {
      return Optional.empty();
    }
    double moved = SurfaceMove.between(workpiece.mesh(), after.touched(), after.lie());
    double still = STILL * workpiece.tolerance().scale();
    if (moved > MOST_MOVED * workpiece.tolerance().scale()) {
      return Optional.empty();
    }
    Map<Integer, Integer> before = polesAt(workpiece.mesh(), after.around());
    Map<Integer, Integer> made = new TreeMap<>();
    int poles = 0;
    for (Map.Entry<Integer, Integer> pole : after.poles().entrySet()) {
      if (!pole.getValue().equals(before.get(pole.getKey()))) {
        made.merge(pole.getValue(), 1, Integer::sum);
      }
      poles += weight(pole.getKey());
    }
    for (int v : before.keySet()) {
      poles -= weight(v);
    }
    int[] n = after.counts();
    Cost cost =
        new Cost(
            n[4],
            n[5],
            n[0],
            n[1],
            n[2],
            n[3],
            made,
            moved > still ? moved : 0,
            told.must(),
            told.should(),
            told.remark());
    String does = plan.does();
    if (moved > still) {
      does =
          does.substring(0, does.length() - 1)
              + String.format(Locale.ROOT, "; moves the surface by %.3g.", moved);
    }
    List<String> cures = told.cured().stream().map(a -> a.finding().key()).toList();
    Mend mend = new Mend(after.changes(), does, cures, cost, "");
    return Optional.of(new Held(mend, told, poles, after.off(), after.state()));
  }

  private int weight(int v) {
    return curviest.has(v) ? 2 : 1;
  }

  /**
   * What findings go and come.
   *
   * @param gone findings that are not told any more, in whatever form
   * @param come findings that are told otherwise than before, or for the first time
   */
  record Told(
      List<Assessed> cured,
      int must,
      int should,
      int remark,
      List<Assessed> gone,
      List<Assessed> come) {
    int cured(Severity severity) {
      return (int) cured.stream().filter(a -> a.severity() == severity).count();
    }
  }

  /** Null where the finding stays, or one as severe comes. */
  private @Nullable Told told(Assessed target, Report now) {
    Difference difference = Difference.of(state.report().findings(), now.findings());
    List<Assessed> come = difference.come();
    Map<String, Severity> later = new HashMap<>();
    come.forEach(a -> later.merge(a.finding().key(), a.severity(), Trial::worse));
    if (difference.gone().stream().noneMatch(a -> a.finding() == target.finding())
        || later.containsKey(target.finding().key())) {
      return null;
    }
    Set<String> known = new HashSet<>();
    List<Assessed> gone = new ArrayList<>();
    for (Assessed a : difference.gone()) {
      String key = a.finding().key();
      known.add(key);
      Severity then = later.get(key);
      if (then == null) {
        gone.add(a);
      } else if (then.compareTo(a.severity()) < 0 && then.compareTo(target.severity()) <= 0) {
        return null;
      }
    }
    List<Assessed> cured = new ArrayList<>(gone);
    int[] brought = new int[Severity.values().length];
    for (Assessed a : come) {
      if (!known.contains(a.finding().key()) && !takesPlaceOf(cured, a, target)) {
        if (a.severity().compareTo(target.severity()) <= 0) {
          return null;
        }
        brought[a.severity().ordinal()]++;
      }
    }
    return new Told(cured, brought[0], brought[1], brought[2], gone, come);
  }

  private static Severity worse(Severity a, Severity b) {
    return a.compareTo(b) < 0 ? a : b;
  }

  /**
   * Whether a finding is one of before under other elements: of the same rule and no more severe,
   * about the whole mesh or with an element in common. That one counts as gone no more.
   */
  private static boolean takesPlaceOf(List<Assessed> gone, Assessed now, Assessed target) {
    for (int i = 0; i < gone.size(); i++) {
      Assessed before = gone.get(i);
      if (before != target
          && before.finding().rule() == now.finding().rule()
          && before.severity().compareTo(now.severity()) <= 0
          && isSame(before.finding(), now.finding())) {
        gone.remove(i);
        return true;
      }
    }
    return false;
  }

  private static boolean isSame(Finding before, Finding now) {
    if (before.where().isWhole() || now.where().isWhole()) {
      return before.where().isWhole() == now.where().isWhole();
    }
    Set<Element> elements = new HashSet<>(before.elements());
    return now.elements().stream().anyMatch(elements::contains);
  }

  /** Vertices at which something may have changed: those touched, and the corners of such faces. */
  private static BitSet around(Mesh now, ElementSet touched) {
    BitSet around = (BitSet) touched.vertices().clone();
    touched.edges().stream()
        .filter(now::hasEdge)
        .forEach(e -> {
          around.set(now.first(e));
          around.set(now.second(e));
        });
    touched.faces().stream()
        .filter(now::hasFace)
        .forEach(f -> Arrays.stream(now.vertices(f)).forEach(around::set));
    return around;
  }

  /** Inner vertices among some that are no fours, with their valences. */
  private static Map<Integer, Integer> polesAt(Mesh mesh, BitSet vertices) {
    Map<Integer, Integer> poles = new TreeMap<>();
    vertices.stream()
        .filter(mesh::hasVertex)
        .forEach(v -> {
          int valence = innerValence(mesh, v);
          if (valence != 4) {
            poles.put(v, valence);
          }
        });
    return poles;
  }

  /** 4 for one that is not inside a surface. */
  private static int innerValence(Mesh mesh, int v) {
    int valence = 0;
    for (int e : mesh.edgesAt(v)) {
      int uses = mesh.uses(e);
      if (uses == 1 || uses > 2) {
        return 4;
      }
      valence += uses == 2 ? 1 : 0;
    }
    return valence == 0 || Fans.at(mesh, v).count() > 1 ? 4 : valence;
  }

  /** Vertices, edges, faces: made and gone. */
  private static int[] counts(Mesh now, ElementSet touched, int[] ends) {
    return new int[] {
      count(touched.vertices(), v -> v >= ends[0] && now.hasVertex(v)),
      count(touched.vertices(), v -> v < ends[0] && !now.hasVertex(v)),
      count(touched.edges(), e -> e >= ends[1] && now.hasEdge(e)),
      count(touched.edges(), e -> e < ends[1] && !now.hasEdge(e)),
      count(touched.faces(), f -> f >= ends[2] && now.hasFace(f)),
      count(touched.faces(), f -> f < ends[2] && !now.hasFace(f))
    };
  }

  private static int count(BitSet set, IntPredicate which) {
    return (int) set.stream().filter(which).count();
  }

  private static double off(Mesh mesh, BitSet faces) {
    double sum = 0;
    int corners = 0;
    for (int f = faces.nextSetBit(0); f >= 0; f = faces.nextSetBit(f + 1)) {
      if (mesh.hasFace(f) && mesh.isMeasurable(f)) {
        Polygon shape = mesh.polygon(f);
        for (int i = 0; i < shape.size(); i++) {
          sum += Math.abs(shape.angleAt(i) - 90);
          corners++;
        }
      }
    }
    return corners == 0 ? 0 : sum / corners;
  }
}
