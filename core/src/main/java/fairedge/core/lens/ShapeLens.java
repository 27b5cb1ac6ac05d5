package fairedge.core.lens;

import fairedge.core.geometry.Vec3;
import fairedge.core.lens.LensPicture.Spot;
import fairedge.core.lens.LensPicture.Tone;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.Surface;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.Placement;
import fairedge.core.survey.Places;
import fairedge.core.survey.Say;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import java.util.List;
import java.util.stream.IntStream;

/**
 * {@link Lens#SHAPE_CHANGE}: how far each face lies from the starter's surface: the largest
 * distance of its corners and its middle. Four equal steps up to the largest, rounded up to 1, 2 or
 * 5 of a power of ten; what lies within 1e-6 S has none. Where the whole mesh lies elsewhere it is
 * measured where it would lie ({@link Placement}). Cost: n log m.
 */
final class ShapeLens {
  private ShapeLens() {}

  static LensPicture of(Subject subject) {
    Mesh mesh = subject.mesh();
    Starter starter = subject.starter();
    if (starter == null || starter.surface().triangles() == 0) {
      return new LensPicture(
          "There is no starter to compare with.", List.of(), List.of(), List.of());
    }
    double[] distances = distances(mesh, starter.surface());
    double same = subject.tolerance().unseen();
    double largest = Depths.largest(distances);
    if (!(largest > same)) {
      return new LensPicture(
          "The surface lies where the starter's lies.", List.of(), List.of(), List.of());
    }
    List<Tone> tones = Depths.tones(distances, same, f -> true);
    int f =
        IntStream.range(0, distances.length)
            .filter(i -> distances[i] == largest)
            .findFirst()
            .orElseThrow();
    int moved = tones.stream().mapToInt(t -> t.ids().length).sum();
    String text = Say.number(largest);
    Spot farthest =
        new Spot(
            Mesh.NONE,
            farthestOf(mesh, f, starter.surface()),
            text,
            true,
            "Farthest from the starter",
            true);
    return new LensPicture(
        Say.count(moved, "face lies", "faces lie") + " off the starter's surface.",
        tones,
        List.of(),
        List.of(farthest));
  }

  private static double[] distances(Mesh mesh, Surface starter) {
    int[] nearest = starter.nearest(mesh);
    double[] distances = new double[mesh.faceEnd()];
    Blocks.each(
        distances.length,
        f -> {
          if (mesh.hasFace(f) && mesh.isMeasurable(f)) {
            for (int v : mesh.vertices(f)) {
              double d = starter.distance(nearest[v], mesh.position(v));
              distances[f] = Math.max(distances[f], d);
            }
            Vec3 middle = Places.onFace(mesh, f);
            int t = starter.nearest(middle, nearest[mesh.vertexOf(mesh.firstCorner(f))]);
            distances[f] = Math.max(distances[f], starter.distance(t, middle));
          }
        });
    return distances;
  }

  private static Vec3 farthestOf(Mesh mesh, int f, Surface starter) {
    Vec3 farthest = Places.onFace(mesh, f);
    double most = starter.distance(starter.nearest(farthest, -1), farthest);
    for (int v : mesh.vertices(f)) {
      Vec3 p = mesh.position(v);
      double d = starter.distance(starter.nearest(p, -1), p);
      if (d >= most) {
        most = d;
        farthest = p;
      }
    }
    return farthest;
  }
}
