package fairedge.core.local;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Attribute;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshLinks;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Gives the corners that a local operator makes their values: copied at a vertex that was there,
 * interpolated along a split edge and inside a split face; and keeps what an operator drops, so
 * that its inverse can put it back. Two faces that had the same values along an edge share the new
 * one there. Does nothing where corners carry nothing.
 */
final class CornerValues {
  private static final long BYTES_PER_FACE = 64;

  private static final Attribute[] ATTRIBUTES = Attribute.values();

  private final Mesh mesh;
  private final MeshLinks links;

  /** What was there before an operator: how many values, and those of whole faces. */
  record Memory(int[] ends, List<OfFace> faces) {
    static final Memory NOTHING = new Memory(new int[0], List.of());

    /** About how many bytes it takes in memory. */
    long weight() {
      long weight = Integer.BYTES * (long) ends.length;
      for (OfFace face : faces) {
        weight += BYTES_PER_FACE + Integer.BYTES * (long) face.values().length;
      }
      return weight;
    }
  }

  /** The values of one attribute at the corners of a face, from its first. */
  record OfFace(int face, Attribute attribute, int[] values) {}

  CornerValues(Mesh mesh, MeshLinks links) {
    this.mesh = mesh;
    this.links = links;
  }

  private boolean isCarried() {
    return mesh.carries(Attribute.TEXTURE) || mesh.carries(Attribute.NORMAL);
  }

  /** To be kept before an operator that drops or reorders corners of these faces. */
  Memory remember(int... faces) {
    if (!isCarried()) {
      return Memory.NOTHING;
    }
    int[] ends = new int[ATTRIBUTES.length];
    List<OfFace> kept = new ArrayList<>();
    for (Attribute attribute : ATTRIBUTES) {
      ends[attribute.ordinal()] = mesh.valueEnd(attribute);
      for (int f : faces) {
        kept.add(new OfFace(f, attribute, at(f, attribute)));
      }
    }
    return new Memory(ends, kept);
  }

  int[] at(int f, Attribute attribute) {
    int[] values = new int[mesh.size(f)];
    int c = mesh.firstCorner(f);
    for (int i = 0; i < values.length; i++) {
      values[i] = mesh.valueAt(attribute, c);
      c = mesh.next(c);
    }
    return values;
  }

  /** Puts back what was remembered; to be called once the corners are there again. */
  void restore(Memory memory) {
    for (OfFace kept : memory.faces()) {
      give(kept.face(), kept.attribute(), kept.values());
    }
    for (int i = 0; i < memory.ends().length; i++) {
      links.forgetValues(ATTRIBUTES[i], memory.ends()[i]);
    }
  }

  void give(int f, Attribute attribute, int[] values) {
    int c = mesh.firstCorner(f);
    for (int value : values) {
      links.giveValue(attribute, c, value);
      c = mesh.next(c);
    }
  }

  /** After an edge was split at v: the corners of these faces there. */
  void afterEdgeSplit(int v, int[] faces) {
    if (!isCarried()) {
      return;
    }
    Map<List<Integer>, Integer> made = new HashMap<>();
    for (int f : faces) {
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--) {
        if (mesh.vertexOf(c) == v) {
          between(c, made);
        }
        c = mesh.next(c);
      }
    }
  }

  private void between(int c, Map<List<Integer>, Integer> made) {
    int before = mesh.previous(c);
    int after = mesh.next(c);
    double share = share(before, c, after);
    for (Attribute attribute : ATTRIBUTES) {
      int a = mesh.valueAt(attribute, before);
      int b = mesh.valueAt(attribute, after);
      if (a == Mesh.NONE || b == Mesh.NONE || a == b) {
        links.giveValue(attribute, c, a == b ? a : Mesh.NONE);
        continue;
      }
      List<Integer> key = List.of(attribute.ordinal(), Math.min(a, b), Math.max(a, b));
      int value =
          made.computeIfAbsent(
              key, k -> make(attribute, new int[] {a, b}, new double[] {1 - share, share}));
      links.giveValue(attribute, c, value);
    }
  }

  private double share(int before, int c, int after) {
    Vec3 from = mesh.position(mesh.vertexOf(before));
    Vec3 whole = mesh.position(mesh.vertexOf(after)).minus(from);
    double square = whole.dot(whole);
    double share = mesh.position(mesh.vertexOf(c)).minus(from).dot(whole) / square;
    return Double.isFinite(share) ? Math.clamp(share, 0, 1) : 0.5;
  }

  private int make(Attribute attribute, int[] values, double[] weights) {
    double x = 0;
    double y = 0;
    double z = 0;
    for (int i = 0; i < values.length; i++) {
      Vec3 value = mesh.value(attribute, values[i]);
      x += weights[i] * value.x();
      y += weights[i] * value.y();
      z += weights[i] * value.z();
    }
    return links.makeValue(attribute, new Vec3(x, y, z));
  }

  /**
   * To be asked before a face is split: where among its corners the bends lie.
   *
   * @return null where corners carry nothing
   */
  @Nullable Bends bends(int f, List<Vec3> places) {
    if (!isCarried()) {
      return null;
    }
    Polygon shape = mesh.polygon(f);
    List<Spot> spots = places.stream().map(place -> Spot.in(shape, place)).toList();
    List<int[]> values = new ArrayList<>();
    for (Attribute attribute : ATTRIBUTES) {
      values.add(at(f, attribute));
    }
    return new Bends(spots, values);
  }

  /** Where bends lie in a face, and the values of its corners by attribute. */
  record Bends(List<Spot> spots, List<int[]> values) {}

  /** A place in a triangle of a face, by weights at three of its corners. */
  record Spot(int[] corners, double[] weights) {
    /** In that triangle of the face's triangulation which holds the place, or comes nearest to. */
    static Spot in(Polygon shape, Vec3 place) {
      int[] triangles = shape.triangles();
      Spot best = new Spot(new int[] {0}, new double[] {1});
      double bestLeast = Double.NEGATIVE_INFINITY;
      for (int t = 0; t < triangles.length; t += 3) {
        int[] corners = {triangles[t], triangles[t + 1], triangles[t + 2]};
        double[] weights = weights(shape, corners, place);
        double least = Math.min(weights[0], Math.min(weights[1], weights[2]));
        if (least > bestLeast) {
          best = new Spot(corners, weights);
          bestLeast = least;
        }
      }
      return best;
    }

    private static double[] weights(Polygon shape, int[] corners, Vec3 place) {
      Vec3 a = shape.corner(corners[0]);
      Vec3 b = shape.corner(corners[1]);
      Vec3 c = shape.corner(corners[2]);
      Vec3 normal = b.minus(a).cross(c.minus(a));
      double whole = normal.dot(normal);
      double atA = b.minus(place).cross(c.minus(place)).dot(normal) / whole;
      double atB = c.minus(place).cross(a.minus(place)).dot(normal) / whole;
      return new double[] {atA, atB, 1 - atA - atB};
    }
  }

  /**
   * After a face was split from one of its corners to another along a path of so many edges: the
   * corners on the path, in both parts.
   */
  void afterFaceSplit(int from, int to, int length, @Nullable Bends bends) {
    if (bends == null) {
      return;
    }
    for (Attribute attribute : ATTRIBUTES) {
      int[] path = new int[length + 1];
      path[0] = mesh.valueAt(attribute, from);
      path[length] = mesh.valueAt(attribute, to);
      for (int i = 1; i < length; i++) {
        path[i] = at(bends.spots().get(i - 1), attribute, bends.values().get(attribute.ordinal()));
      }
      int c = from;
      int d = to;
      for (int i = 1; i <= length; i++) {
        c = mesh.previous(c);
        d = mesh.previous(d);
        links.giveValue(attribute, c, path[i]);
        links.giveValue(attribute, d, path[length - i]);
      }
    }
  }

  private int at(Spot spot, Attribute attribute, int[] ofFace) {
    int[] values = new int[spot.corners().length];
    for (int i = 0; i < values.length; i++) {
      values[i] = ofFace[spot.corners()[i]];
      if (values[i] == Mesh.NONE) {
        return Mesh.NONE;
      }
    }
    return make(attribute, values, spot.weights());
  }
}
