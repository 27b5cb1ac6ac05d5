package fairedge.core.lens;

import fairedge.core.geometry.Bending;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.vertices.TouchingFinder;
import fairedge.core.lens.LensPicture.Spot;
import fairedge.core.lens.LensPicture.Tone;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.FaceShapes;
import fairedge.core.survey.Pairs;
import fairedge.core.survey.Places;
import fairedge.core.survey.Say;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.IntToDoubleFunction;

/**
 * Whether a mesh has what it needs to be bent, twisted or tapered. Its vertices go where the bend
 * takes them, its edges stay straight; so it fails where
 *
 * <ul>
 *   <li>a face <em>folds</em>: it looks away by over 90 degrees from where the surface there comes
 *       to look, one of its corners turns back that did not, it lies wholly or partly beyond what
 *       the bend turns about, or it turns against a neighbour by over {@value #FOLD} degrees and
 *       did not;
 *   <li>there are <em>too few sections</em>: a face turns from one end to the other by over the
 *       limit, so it cuts a corner that the form ought to go round;
 *   <li>an edge is <em>stretched</em> or pressed together by over the limit;
 *   <li>the surface <em>gapes</em>: a vertex that lay on an edge it is no end of ({@link
 *       TouchingFinder}) comes to lie farther from it than the weld distance.
 * </ul>
 *
 * Cost: the corners, and that of the search for touching vertices.
 */
final class BendLook {
  private static final double FOLD = 170;
  private static final double TURNS_BACK = 1;
  private static final double AWAY = 90;
  private static final double MOST = 1e9;

  /** How far from a face's middle its change is measured, of S. */
  private static final double REACH = 1e-5;

  private final Subject subject;
  private final Mesh mesh;
  private final BendTrial trial;
  private final Bending bending;
  private final Mesh bent;
  private final FaceShapes shapes;

  private BendLook(Subject subject, BendTrial trial) {
    this.subject = subject;
    this.mesh = subject.mesh();
    this.trial = trial;
    this.bending =
        Bending.of(mesh.bounds(), trial.way(), trial.along(), trial.towards(), trial.amount());
    this.bent = mesh.moved(bending::place);
    this.shapes = new FaceShapes(bent, 0);
  }

  static Bent of(Subject subject, BendTrial trial) {
    BendLook look = new BendLook(subject, trial);
    return new Bent(look.bent, look.picture());
  }

  private LensPicture picture() {
    BitSet folded = folded();
    double[] turns = ofFaces(this::turn);
    double[] stretches = ofEdges(this::stretch);
    BitSet coarse = over(turns, trial.mostTurn());
    BitSet stretched = over(stretches, trial.mostStretch());
    List<Spot> gaps = gaps();
    List<Spot> spots = new ArrayList<>(gaps);
    if (!coarse.isEmpty()) {
      int f = largest(turns, coarse);
      String text = Say.words("%.0f\u00b0", turns[f]);
      spots.add(spot(Places.onFace(bent, f), text, "The face that turns most"));
    }
    if (!stretched.isEmpty()) {
      int e = largest(stretches, stretched);
      String words = "The edge whose length changes most";
      spots.add(spot(Places.onEdge(bent, e), change(e), words));
    }
    String sentence =
        sentence(folded.cardinality(), coarse.cardinality(), stretched.cardinality(), gaps.size());
    coarse.andNot(folded);
    return new LensPicture(
        sentence,
        List.of(
            new Tone("coarse", "Turns by " + mostAtOnce(), false, ids(coarse)),
            new Tone("fold", "Folds", false, ids(folded))),
        List.of(new Tone("stretched", "Length changes by " + most(), false, ids(stretched))),
        List.copyOf(spots));
  }

  private String change(int e) {
    double before = mesh.length(e);
    double after = bent.length(e);
    double share = Math.abs(after / before - 1);
    return share < 10
        ? Say.words("%s%.0f %%", after > before ? "+" : "-", 100 * share)
        : "over +1000 %";
  }

  private String most() {
    return Say.words("over %.0f %%", 100 * trial.mostStretch());
  }

  private String mostAtOnce() {
    return Say.words("over %s\u00b0 at once", Say.number(trial.mostTurn()));
  }

  private String sentence(int folded, int coarse, int stretched, int gaps) {
    List<String> parts = new ArrayList<>();
    if (folded > 0) {
      parts.add(Say.count(folded, "face folds", "faces fold"));
    }
    if (coarse > 0) {
      parts.add(
          Say.count(coarse, "face turns", "faces turn")
              + " by "
              + mostAtOnce()
              + ": too few sections");
    }
    if (stretched > 0) {
      parts.add(Say.count(stretched, "edge changes", "edges change") + " length by " + most());
    }
    if (gaps > 0) {
      parts.add("the surface gapes at " + Say.count(gaps, "vertex", "vertices"));
    }
    if (parts.isEmpty()) {
      return "Nothing folds or gapes, no face turns by "
          + mostAtOnce()
          + ", no edge changes length by "
          + most()
          + ".";
    }
    String told = String.join("; ", parts);
    return Character.toUpperCase(told.charAt(0)) + told.substring(1) + ".";
  }

  private double[] ofEdges(IntToDoubleFunction measure) {
    double[] measures = new double[mesh.edgeEnd()];
    Blocks.each(
        measures.length,
        e -> {
          if (mesh.hasEdge(e) && mesh.hasPlace(mesh.first(e)) && mesh.hasPlace(mesh.second(e))) {
            measures[e] = measure.applyAsDouble(e);
          }
        });
    return measures;
  }

  private double[] ofFaces(IntToDoubleFunction measure) {
    double[] measures = new double[mesh.faceEnd()];
    Blocks.each(
        measures.length,
        f -> {
          if (mesh.hasFace(f) && mesh.isMeasurable(f)) {
            measures[f] = measure.applyAsDouble(f);
          }
        });
    return measures;
  }

  /** By how much two places of a face are turned against each other, at most. */
  private double turn(int f) {
    double least = Double.POSITIVE_INFINITY;
    double most = Double.NEGATIVE_INFINITY;
    for (int v : mesh.vertices(f)) {
      double turn = bending.turn(mesh.position(v));
      least = Math.min(least, turn);
      most = Math.max(most, turn);
    }
    return most - least;
  }

  /** The share by which the longer of before and after is longer. */
  private double stretch(int e) {
    double before = mesh.length(e);
    double after = bent.length(e);
    double shorter = Math.min(before, after);
    return shorter > 0 ? Math.max(before, after) / shorter - 1 : before == after ? 0 : MOST;
  }

  private static BitSet over(double[] measures, double most) {
    BitSet over = new BitSet();
    for (int i = 0; i < measures.length; i++) {
      // What is equal but for rounding is not over.
      over.set(i, measures[i] > most * (1 + 1e-9) + 1e-9);
    }
    return over;
  }

  private static int[] ids(BitSet set) {
    return set.stream().toArray();
  }

  private static int largest(double[] measures, BitSet among) {
    int largest = among.nextSetBit(0);
    for (int i = largest; i >= 0; i = among.nextSetBit(i + 1)) {
      largest = measures[i] > measures[largest] ? i : largest;
    }
    return largest;
  }

  private static Spot spot(Vec3 at, String text, String words) {
    return new Spot(Mesh.NONE, at, text, false, words, true);
  }

  private BitSet folded() {
    BitSet folded = new BitSet();
    Blocks.collect(
            mesh.faceEnd(),
            (int f, Consumer<Integer> found) -> {
              if (mesh.hasFace(f) && subject.shapes().hasFront(f) && isFolded(f)) {
                found.accept(f);
              }
            })
        .forEach(folded::set);
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (subject.topology().uses(e) == 2) {
        int[] faces = mesh.facesOn(e);
        // One face may have both sides.
        int last = faces[faces.length - 1];
        boolean turns =
            between(shapes, faces[0], last) > FOLD
                && between(subject.shapes(), faces[0], last) <= FOLD;
        folded.set(faces[0], folded.get(faces[0]) || turns);
        folded.set(last, folded.get(last) || turns);
      }
    }
    return folded;
  }

  private static double between(FaceShapes shapes, int f, int g) {
    return shapes.newell(f).angleTo(shapes.newell(g));
  }

  private boolean isFolded(int f) {
    Vec3 front = subject.shapes().newell(f);
    double reach = REACH * subject.tolerance().scale();
    Vec3 carried = bending.normal(mesh.polygon(f).middle(), front, reach);
    boolean turnsBack =
        shapes.turnBack(f) > TURNS_BACK && !(subject.shapes().turnBack(f) > TURNS_BACK);
    boolean isBeyond = false;
    for (int v : mesh.vertices(f)) {
      isBeyond |= bending.isTurnedOut(mesh.position(v));
    }
    return turnsBack || isBeyond || shapes.newell(f).angleTo(carried) > AWAY;
  }

  private List<Spot> gaps() {
    BitSet seen = new BitSet();
    List<Spot> gaps = new ArrayList<>();
    TouchingFinder.all(subject).stream()
        .forEach(pair -> {
          int v = Pairs.first(pair);
          int e = Pairs.second(pair);
          Vec3 at = bent.position(v);
          Vec3 first = bent.position(mesh.first(e));
          double gap = at.distanceToSegment(first, bent.position(mesh.second(e)));
          if (gap > subject.weld() && !seen.get(v)) {
            seen.set(v);
            gaps.add(new Spot(v, at, Say.number(gap), true, "The surface gapes here", true));
          }
        });
    return gaps;
  }
}
