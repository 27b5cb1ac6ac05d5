package fairedge.core.inspect;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.subdivide.CatmullClark;
import fairedge.core.subdivide.CatmullClark.Refined;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * {@code pinch}: a face no vertex of which is at a hard edge or a border, of whose surface, after
 * it is subdivided twice, a part turns by over the profile's angle (60 degrees) from the front of
 * the flat patch that it belongs to ({@link Patches}). What turns by over 90 degrees folds.
 *
 * <p>A face need not be subdivided where all faces that touch it turn from its patch by under
 * {@value #TAME} degrees and none of them has a corner that turns back: what comes of it turns by
 * little more than they do. One finding a face. Cost: the faces; for those that are not tame the
 * faces that touch them, times twenty.
 */
final class PinchFinder implements Finder {
  private static final double TAME = 25;

  @Override
  public List<Finding> find(Subject subject) {
    Mesh mesh = subject.mesh();
    Patches patches = subject.patches();
    BitSet held = held(subject);
    List<Integer> wild =
        Blocks.collect(
            mesh.faceEnd(),
            (f, found) -> {
              if (mesh.hasFace(f)
                  && subject.shapes().hasFront(f)
                  && isWild(subject, patches, held, f)) {
                found.accept(f);
              }
            });
    return wild.isEmpty() ? List.of() : subdivided(subject, wild);
  }

  /** Vertices at hard edges and borders, or where it can't be said what is smooth. */
  private static BitSet held(Subject subject) {
    Mesh mesh = subject.mesh();
    BitSet held = new BitSet();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && (subject.topology().uses(e) != 2 || subject.hardEdges().isHard(e))) {
        held.set(mesh.first(e));
        held.set(mesh.second(e));
      }
    }
    return held;
  }

  private static boolean isWild(Subject subject, Patches patches, BitSet held, int f) {
    Mesh mesh = subject.mesh();
    Vec3 front = patches.front(f);
    boolean wild = false;
    for (int v : mesh.vertices(f)) {
      if (held.get(v)) {
        return false;
      }
      for (int g : wild ? new int[0] : mesh.facesAt(v)) {
        wild |=
            !(front.angleTo(subject.shapes().newell(g)) < TAME)
                || subject.shapes().turnBack(g) > 0.1;
      }
    }
    return wild;
  }

  private static List<Finding> subdivided(Subject subject, List<Integer> wild) {
    BitSet corners = new BitSet();
    for (int f : wild) {
      for (int v : subject.mesh().vertices(f)) {
        corners.set(v);
      }
    }
    Excerpt excerpt = Excerpt.around(subject.mesh(), corners);
    Refined once = CatmullClark.once(excerpt.mesh());
    Refined twice = CatmullClark.once(once.mesh());
    double most = subject.threshold(Threshold.PINCH);
    List<Finding> found = new ArrayList<>();
    for (int f : wild) {
      double turn = turnOf(excerpt.faceOf()[f], subject.patches().front(f), excerpt, once, twice);
      if (turn > most) {
        found.add(finding(subject, f, turn));
      }
    }
    return found;
  }

  private static double turnOf(int own, Vec3 front, Excerpt excerpt, Refined once, Refined twice) {
    double largest = 0;
    if (own == Mesh.NONE) {
      return largest;
    }
    for (int i = 0; i < excerpt.mesh().size(own); i++) {
      int quad = once.firstQuad()[own] + i;
      for (int k = 0; k < 4; k++) {
        Vec3 newell = twice.mesh().polygon(twice.firstQuad()[quad] + k).newell();
        double turn = newell.length() > 0 ? newell.angleTo(front) : 0;
        largest = Math.max(largest, turn);
      }
    }
    return largest;
  }

  private static Finding finding(Subject subject, int f, double turn) {
    return Tell.ofFace(
        subject,
        Rule.PINCH,
        f,
        new Measure(turn, Measure.Unit.DEGREES),
        turn > 90 ? "Surface folds here when smooth" : "Surface pinches here when smooth",
        Tell.words(
            "Subdivided, the surface of this face turns by up to %.0f\u00b0 from the flat it"
                + " belongs to%s: it shows as a crease or a spike. Even out the faces round it.",
            turn, turn > 90 ? " and folds over" : ""));
  }
}
