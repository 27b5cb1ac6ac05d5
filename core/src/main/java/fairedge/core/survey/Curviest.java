package fairedge.core.survey;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;

/**
 * Which vertices are among the tenth at which a mesh bends most, where nobody wants to look at all
 * of it: that tenth begins where it does among up to {@value #ASKED} vertices, spread evenly by
 * their ids. In a mesh of no more vertices it is the one of {@link Curvature}. Valid as long as the
 * mesh bends about as it did. Cost: the two rings of the vertices that are asked.
 */
public final class Curviest {
  private static final int ASKED = 4096;
  private static final double NINE_TENTHS = 0.9;

  private final Mesh mesh;
  private final double tenth;

  private Curviest(Mesh mesh, double tenth) {
    this.mesh = mesh;
    this.tenth = tenth;
  }

  public static Curviest of(Mesh mesh) {
    int step = Math.max(1, (mesh.vertexEnd() + ASKED - 1) / ASKED);
    double[] known = new double[mesh.vertexEnd() / step + 1];
    int count = 0;
    for (int v = 0; v < mesh.vertexEnd(); v += step) {
      double larger = larger(mesh, v);
      if (!Double.isNaN(larger)) {
        known[count++] = larger;
      }
    }
    if (count == 0) {
      return new Curviest(mesh, Double.POSITIVE_INFINITY);
    }
    Arrays.sort(known, 0, count);
    return new Curviest(mesh, known[Math.min(count - 1, (int) Math.floor(NINE_TENTHS * count))]);
  }

  /** Whether a vertex is one of them; what is no vertex is none. */
  public boolean has(int v) {
    double larger = larger(mesh, v);
    return larger > 0 && larger >= tenth;
  }

  private static double larger(Mesh mesh, int v) {
    if (!mesh.hasVertex(v) || !mesh.hasPlace(v) || mesh.edgeAt(v) == Mesh.NONE) {
      return Double.NaN;
    }
    Vec3 sum = Vec3.ZERO;
    for (int f : mesh.facesAt(v)) {
      sum = mesh.isMeasurable(f) ? sum.plus(mesh.polygon(f).newell()) : sum;
    }
    Curvature.Bend bend = Curvature.at(mesh, sum, v);
    return bend == null ? Double.NaN : bend.larger();
  }
}
