package fairedge.core.form;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Chosen;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Folds panels about hinges. The held panel stays to the bit, the others hang from it; hinge
 * vertices stay shared, and lengths and areas are kept but for rounding. Round a vertex panels
 * close only if angles agree: hinges that follow get the angles that close it, on that way which
 * the signs of their guesses tell. Cost: the faces that hang together with the hinges; to look for
 * panels that pass through one another, all pairs of their faces for every two degrees.
 */
public final class Fold {
  private static final int MOST_HINGES = 500;

  /** Of more that follow it would take too long to find the angles. */
  private static final int MOST_FOLLOWING = 60;

  /** What ought to meet lies no farther apart, as a share of the model's size. */
  private static final double CLOSED = 1e-9;

  /** Signs that are not told are tried both ways, of so many hinges at most. */
  private static final int MOST_SIGNS = 4;

  /**
   * A hinge.
   *
   * @param edges in one line, between the same two panels
   * @param angle what its faces are folded by after the change, from -180 to 180 degrees: 0 flat,
   *     positive where their fronts come together; of a hinge that follows only a guess
   * @param follows whether it gets the angle with which the panels close
   */
  public record Hinge(List<Integer> edges, double angle, boolean follows) {
    public Hinge {
      edges = List.copyOf(edges);
    }
  }

  private final Site site;
  private final Mesh mesh;
  private final List<Hinge> hinges;
  private final Panels panels;
  private final FoldSolver solver;
  private final List<Remark> remarks = new ArrayList<>();

  private Fold(Site site, List<Hinge> hinges, Panels panels) {
    this.site = site;
    this.mesh = site.mesh();
    this.hinges = hinges;
    this.panels = panels;
    boolean[] follows = new boolean[hinges.size()];
    for (int i = 0; i < follows.length; i++) {
      follows[i] = hinges.get(i).follows();
    }
    this.solver = new FoldSolver(mesh, panels, follows);
  }

  /**
   * @param held a face of the panel that stays; null for that of the lowest face at the hinges
   * @throws Refusal.Raised where a hinge is none, or panels don't close, with the vertex and the
   *     gap
   */
  public static Done fold(Site site, List<Hinge> hinges, @Nullable Integer held) {
    Fold fold = of(site, hinges, held);
    TreeSet<Integer> edges = new TreeSet<>();
    hinges.forEach(hinge -> edges.addAll(hinge.edges()));
    return fold.fold(edges);
  }

  /**
   * How panels move from flat to these angles, and on the mesh as it is; nothing is changed.
   *
   * @throws Refusal.Raised as the fold itself
   */
  public static FoldMotions motions(Site site, List<Hinge> hinges, @Nullable Integer held) {
    Fold fold = of(site, hinges, held);
    FoldWay way = FoldWay.to(fold.solved(), fold.solver);
    return FoldMotions.of(
        fold.panels, way, new FoldPassing(fold.mesh, fold.panels).first(way).orElse(null));
  }

  private static Fold of(Site site, List<Hinge> hinges, @Nullable Integer held) {
    if (hinges.isEmpty() || hinges.size() > MOST_HINGES) {
      throw Refusal.because("From 1 to %d hinges fold at once.".formatted(MOST_HINGES));
    }
    if (hinges.stream().filter(Hinge::follows).count() > MOST_FOLLOWING) {
      throw Refusal.because("At most %d hinges can follow at once.".formatted(MOST_FOLLOWING));
    }
    TreeSet<Integer> known = new TreeSet<>();
    for (Hinge hinge : hinges) {
      for (int e : Asked.edges(site, hinge.edges())) {
        EdgeRuns.requireSides(site, e, false);
        if (!known.add(e)) {
          throw Refusal.because("This edge belongs to two hinges.", Element.edge(e));
        }
      }
      if (!(hinge.angle() >= -180 && hinge.angle() <= 180)) {
        throw Refusal.because("A hinge folds by -180 to 180 degrees.");
      }
    }
    if (held != null) {
      Asked.faces(site, List.of(held));
    }
    List<List<Integer>> edges = hinges.stream().map(Hinge::edges).toList();
    int stays = held == null ? Mesh.NONE : held;
    Panels panels = new Panels(site.mesh(), site.tolerance().scale(), edges, stays);
    return new Fold(site, hinges, panels);
  }

  private Done fold(TreeSet<Integer> edges) {
    double[] angles = solved();
    tellWhatPasses(angles);
    Map<Integer, Rigid> motions = panels.motions(angles);
    Map<Integer, Vec3> places = new TreeMap<>();
    for (int panel : panels.inOrder()) {
      Rigid motion = motions.getOrDefault(panel, Rigid.NONE);
      for (int v : panels.vertices(panel)) {
        // What a panel nearer to the held one has is not moved by those that hang from it.
        places.putIfAbsent(v, motion.place(mesh.position(v)));
      }
    }
    places.forEach((v, to) -> {
      if (!to.equals(mesh.position(v))) {
        site.edit().moveVertex(v, to);
      }
    });
    return new Done(List.of(), remarks, 0, new Chosen(List.of(), List.copyOf(edges), List.of()));
  }

  private void tellWhatPasses(double[] angles) {
    FoldPassing passing = new FoldPassing(mesh, panels);
    if (passing.isTooMuch()) {
      remarks.add(
          Remark.of("It is not looked whether so many panels pass through one another.", null));
      return;
    }
    FoldWay way = FoldWay.to(angles, solver);
    passing
        .first(way)
        .ifPresent(crossing -> {
          String text =
              String.format(
                  Locale.ROOT,
                  "Panels pass through one another from %.0f\u00b0 on.",
                  way.at(crossing.stop()));
          for (int f : crossing.faces()) {
            remarks.add(new Remark(text, Element.face(f), mesh.polygon(f).middle(), null));
          }
        });
  }

  private double[] solved() {
    double[] asked = hinges.stream().mapToDouble(Hinge::angle).toArray();
    double most = CLOSED * site.tolerance().scale();
    double[] found = asked;
    FoldSolver.Gap gap = solver.gap(asked);
    for (double[] guess : guesses(asked)) {
      double[] solved = solver.solved(guess);
      FoldSolver.Gap left = solver.gap(solved);
      if (left.width() <= most && missed(solved) == null) {
        tell(solved);
        return solved;
      }
      gap = left.width() < gap.width() ? left : gap;
      found = solved;
    }
    if (gap.width() > most) {
      throw Refusal.because(
          String.format(
              Locale.ROOT,
              "With these angles the panels don't close here: they are %.4g apart. Let one hinge"
                  + " here lead, and the others follow.",
              gap.width()),
          Element.vertex(gap.vertex()));
    }
    Panels.Line missed = missed(found);
    if (missed != null) {
      throw Refusal.because(
          String.format(
              Locale.ROOT,
              "The panels close with another angle at this hinge: by %.4g degrees more.",
              solver.missed(found, missed)),
          Element.vertex(missed.ends()[0]));
    }
    return found;
  }

  private Panels.@Nullable Line missed(double[] angles) {
    return panels.lines().stream()
        .filter(panels::closes)
        .filter(line -> Math.abs(solver.missed(angles, line)) > 1e-6)
        .findFirst()
        .orElse(null);
  }

  /** The typed angles; where a hinge that follows has none, with both signs. */
  private List<double[]> guesses(double[] asked) {
    List<Integer> open = new ArrayList<>();
    double lead = 0;
    for (int i = 0; i < asked.length; i++) {
      if (!hinges.get(i).follows()) {
        lead = Math.max(lead, Math.abs(asked[i]));
      } else if (asked[i] == 0) {
        open.add(i);
      }
    }
    List<double[]> guesses = new ArrayList<>();
    if (open.isEmpty() || lead == 0) {
      guesses.add(asked.clone());
      return guesses;
    }
    int signs = Math.min(open.size(), MOST_SIGNS);
    for (int way = 0; way < 1 << signs; way++) {
      double[] guess = asked.clone();
      for (int k = 0; k < open.size(); k++) {
        guess[open.get(k)] = k < signs && (way >> k & 1) == 1 ? -lead : lead;
      }
      guesses.add(guess);
    }
    return guesses;
  }

  private void tell(double[] angles) {
    for (int i = 0; i < angles.length; i++) {
      if (hinges.get(i).follows()) {
        int e = hinges.get(i).edges().getFirst();
        remarks.add(
            new Remark(
                String.format(Locale.ROOT, "A hinge that follows folds by %.2f\u00b0.", angles[i]),
                Element.edge(e),
                mesh.along(e, 0.5),
                null));
      }
    }
  }
}
