package fairedge.core.near;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.Arrays;
import java.util.Comparator;

/**
 * Vertices in the order in which they lie along the longest side of their box, to be asked which is
 * nearest. Cost to make: n log n; of a question: those that lie along that side no farther off than
 * the nearest.
 */
public final class VertexRow {
  private final Mesh mesh;
  private final int[] order;
  private final int axis;

  /**
   * @param vertices of the mesh, with places
   */
  public VertexRow(Mesh mesh, int[] vertices) {
    this.mesh = mesh;
    axis = longest(mesh, vertices);
    order =
        Arrays.stream(vertices)
            .boxed()
            .sorted(Comparator.comparingDouble(this::along))
            .mapToInt(v -> v)
            .toArray();
  }

  private static int longest(Mesh mesh, int[] vertices) {
    int longest = 0;
    double most = -1;
    for (int axis = 0; axis < 3; axis++) {
      double low = Double.POSITIVE_INFINITY;
      double high = Double.NEGATIVE_INFINITY;
      for (int v : vertices) {
        double at = mesh.position(v).along(axis);
        low = Math.min(low, at);
        high = Math.max(high, at);
      }
      if (high - low > most) {
        most = high - low;
        longest = axis;
      }
    }
    return longest;
  }

  private double along(int v) {
    return mesh.position(v).along(axis);
  }

  /** The vertex nearest to a place, of equals the lowest; {@link Mesh#NONE} if there is none. */
  public int nearest(Vec3 place) {
    double at = place.along(axis);
    int high = firstFrom(at);
    int low = high - 1;
    int found = Mesh.NONE;
    double least = Double.POSITIVE_INFINITY;
    while (low >= 0 || high < order.length) {
      double below = low < 0 ? Double.POSITIVE_INFINITY : at - along(order[low]);
      double above = high == order.length ? Double.POSITIVE_INFINITY : along(order[high]) - at;
      if (Math.min(below, above) > least) {
        break;
      }
      int v = below <= above ? order[low--] : order[high++];
      double distance = mesh.position(v).distance(place);
      if (distance < least || distance == least && v < found) {
        least = distance;
        found = v;
      }
    }
    return found;
  }

  /** Where the first stands that is not before a place along the row. */
  private int firstFrom(double at) {
    int low = 0;
    int high = order.length;
    while (low < high) {
      int middle = (low + high) >>> 1;
      if (along(order[middle]) < at) {
        low = middle + 1;
      } else {
        high = middle;
      }
    }
    return low;
  }
}
