package fairedge.core.lens;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.support.PinchFinder;
import fairedge.core.inspect.support.SoftEdgeFinder;
import fairedge.core.lens.LensPicture.Spot;
import fairedge.core.lens.LensPicture.Tone;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.subdivide.CatmullClark;
import fairedge.core.subdivide.Limit;
import fairedge.core.subdivide.Refined;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.Say;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.List;

/**
 * {@link Lens#SUBDIVIDED}: how far the surface ends from its cage at each face, the largest
 * distance of its corners, the middles of its sides and its own; faces at which the surface pinches
 * or folds ({@link PinchFinder}); hard edges that go soft ({@link SoftEdgeFinder}). Cost: that of
 * these, and the corners.
 */
final class SmoothLens {
  private final Subject subject;
  private final Mesh mesh;
  private final Refined refined;
  private final Limit limit;

  private SmoothLens(Subject subject) {
    this.subject = subject;
    this.mesh = subject.mesh();
    this.refined = CatmullClark.refined(mesh, 1);
    this.limit = refined.limit();
  }

  static LensPicture of(Subject subject) {
    return new SmoothLens(subject).picture();
  }

  private LensPicture picture() {
    BitSet pinched = new BitSet();
    BitSet folded = new BitSet();
    for (Finding finding : new PinchFinder().find(subject)) {
      int f = finding.elements().getFirst().id();
      (finding.measure().value() > 90 ? folded : pinched).set(f);
    }
    int[] soft =
        new SoftEdgeFinder()
            .find(subject).stream()
                .flatMap(finding -> finding.elements().stream())
                .mapToInt(Element::id)
                .sorted()
                .toArray();
    double[] distances = distances();
    double same = subject.tolerance().unseen();
    List<Tone> washes = new ArrayList<>();
    boolean moves = Depths.largest(distances) > same;
    if (moves) {
      washes.addAll(Depths.tones(distances, same, f -> !pinched.get(f) && !folded.get(f)));
    }
    washes.add(new Tone("pinch", "Pinches", false, pinched.stream().toArray()));
    washes.add(new Tone("fold", "Folds over", false, folded.stream().toArray()));
    return new LensPicture(
        sentence(moves, soft.length, pinched.cardinality(), folded.cardinality()),
        washes,
        List.of(new Tone("soft", "Hard edge that goes soft", false, soft)),
        moves ? List.of(farthest(distances)) : List.of());
  }

  private static String sentence(boolean moves, int soft, int pinched, int folded) {
    List<String> parts = new ArrayList<>();
    if (soft > 0) {
      parts.add(Say.count(soft, "hard edge goes soft", "hard edges go soft"));
    }
    if (pinched > 0) {
      parts.add(Say.count(pinched, "face pinches", "faces pinch"));
    }
    if (folded > 0) {
      parts.add(Say.count(folded, "face folds over", "faces fold over"));
    }
    String faults =
        parts.isEmpty() ? "nothing pinches, folds or goes soft" : String.join(", ", parts);
    return (moves ? "How far the smooth surface ends from its cage; " : "It ends on its cage; ")
        + faults
        + ".";
  }

  private double[] distances() {
    double[] distances = new double[mesh.faceEnd()];
    Blocks.each(
        distances.length,
        f -> {
          if (mesh.hasFace(f) && mesh.isMeasurable(f)) {
            distances[f] = places(f)[0].distance(places(f)[1]);
          }
        });
    return distances;
  }

  /** Of a face's corners, sides and middle the one that moves farthest: from where, to where. */
  private Vec3[] places(int f) {
    Vec3[] farthest = {Vec3.ZERO, Vec3.ZERO};
    double most = -1;
    Vec3 sum = Vec3.ZERO;
    int c = mesh.firstCorner(f);
    int size = mesh.size(f);
    for (int i = 0; i < size; i++) {
      int quad = refined.firstQuad(f) + i;
      sum = sum.plus(mesh.position(mesh.vertexOf(c)));
      Vec3[][] both = {
        {mesh.position(mesh.vertexOf(c)), limit.position(refined.vertex(quad, 0))},
        {mesh.along(mesh.edgeOf(c), 0.5), limit.position(refined.vertex(quad, 1))},
        {sum.times(1.0 / size), limit.position(refined.vertex(quad, 2))},
      };
      for (int k = 0; k < (i == size - 1 ? 3 : 2); k++) {
        double d = both[k][0].distance(both[k][1]);
        if (d > most) {
          most = d;
          farthest = both[k];
        }
      }
      c = mesh.next(c);
    }
    return farthest;
  }

  private Spot farthest(double[] distances) {
    double largest = Depths.largest(distances);
    int f = 0;
    while (distances[f] != largest) {
      f++;
    }
    return new Spot(
        Mesh.NONE, places(f)[0], Say.number(largest), true, "Farthest from the cage", true);
  }
}
