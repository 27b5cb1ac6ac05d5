package fairedge.core.survey;

import fairedge.core.geometry.Bounds;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * How a mesh is brought to where the starter lies: axes taken for one another or turned about, then
 * a plain scale, then a shift.
 *
 * <p>A mesh lies where the starter does if at least half of {@value #ASKED} of its vertices lie
 * within 1 % of S of the starter's surface. Where it does not, these are tried in this order, and
 * the first is taken that brings nine tenths of the vertices within 0.1 % of S: with axes as they
 * are, then turned, then mirrored, the boxes laid upon each other; then the scales between usual
 * units with the origin kept, with axes as they are and with the second and third taken for one
 * another.
 *
 * @param axes which axis of the mesh is each of the starter's: 0, 1, 2
 * @param signs 1, or -1 where it points the other way
 */
public record Placement(int[] axes, int[] signs, double scale, Vec3 shift) {
  private static final int ASKED = 200;
  private static final double ROUGHLY = 1e-2;
  private static final double CLOSELY = 1e-3;
  private static final double[] UNITS = {
    10, 100, 1000, 0.1, 0.01, 0.001, 2.54, 25.4, 1 / 2.54, 1 / 25.4, 0.3048, 1 / 0.3048
  };
  private static final int[][] ORDERS = {
    {0, 1, 2}, {0, 2, 1}, {1, 2, 0}, {2, 0, 1}, {1, 0, 2}, {2, 1, 0}
  };

  /** Empty where the mesh lies as the starter does, or nothing plain brings it there. */
  static Optional<Placement> of(Mesh mesh, Starter starter, double scale) {
    Vec3[] asked = asked(mesh);
    if (asked.length == 0 || starter.hasMostOf(asked)) {
      return Optional.empty();
    }
    // Made here, and not by whichever of many threads asks first.
    if (starter.surface().triangles() == 0) {
      return Optional.empty();
    }
    if (share(starter, Arrays.asList(asked), ROUGHLY * scale) >= 0.5) {
      return Optional.empty();
    }
    Bounds box = mesh.bounds();
    Bounds there = starter.mesh().bounds();
    return candidates(box, there).stream()
        .filter(p ->
            share(starter, Arrays.stream(asked).map(p::moved).toList(), CLOSELY * scale) >= 0.9)
        .findFirst();
  }

  /** Vertices at equal steps of their ids, or the next after them that will do. */
  private static Vec3[] asked(Mesh mesh) {
    List<Vec3> asked = new ArrayList<>();
    double step = Math.max(1, (double) mesh.vertexEnd() / ASKED);
    int next = 0;
    for (int i = 0; i < ASKED && next < mesh.vertexEnd(); i++) {
      int v = Math.max(next, (int) (i * step));
      while (v < mesh.vertexEnd() && !isAsked(mesh, v)) {
        v++;
      }
      if (v < mesh.vertexEnd()) {
        asked.add(mesh.position(v));
      }
      next = v + 1;
    }
    return asked.toArray(Vec3[]::new);
  }

  private static boolean isAsked(Mesh mesh, int v) {
    return mesh.hasVertex(v) && mesh.hasPlace(v) && mesh.edgeAt(v) != Mesh.NONE;
  }

  private static double share(Starter starter, List<Vec3> places, double near) {
    long within =
        places.parallelStream()
            .filter(Vec3::isFinite)
            .filter(p -> {
              int t = starter.surface().nearest(p, -1);
              return starter.surface().distance(t, p) <= near;
            })
            .count();
    return (double) within / places.size();
  }

  private static List<Placement> candidates(Bounds from, Bounds to) {
    List<Placement> plain = new ArrayList<>();
    List<Placement> mirrored = new ArrayList<>();
    for (int[] axes : ORDERS) {
      for (int bits = 0; bits < 8; bits++) {
        int[] signs = {1 - 2 * (bits & 1), 1 - (bits & 2), 1 - (bits & 4) / 2};
        Placement turn = new Placement(axes, signs, 1, Vec3.ZERO);
        turn.fitted(from, to).ifPresent(p -> (p.isMirror() ? mirrored : plain).add(p));
      }
    }
    plain.addAll(mirrored);
    for (double unit : UNITS) {
      plain.add(new Placement(ORDERS[0], new int[] {1, 1, 1}, unit, Vec3.ZERO));
      plain.add(new Placement(ORDERS[1], new int[] {1, 1, -1}, unit, Vec3.ZERO));
      plain.add(new Placement(ORDERS[1], new int[] {1, -1, 1}, unit, Vec3.ZERO));
    }
    return plain;
  }

  /** With the scale and shift that lay one box upon the other; empty if they are not alike. */
  private Optional<Placement> fitted(Bounds from, Bounds to) {
    Vec3 a = turned(from.min());
    Vec3 b = turned(from.max());
    double scale = to.diagonal() / from.diagonal();
    Vec3 middle = a.towards(b, 0.5).times(scale);
    for (int axis = 0; axis < 3; axis++) {
      double has = Math.abs(b.along(axis) - a.along(axis)) * scale;
      double wanted = to.max().along(axis) - to.min().along(axis);
      if (!(Math.abs(has - wanted) <= CLOSELY * to.diagonal())) {
        return Optional.empty();
      }
    }
    double plain = Math.abs(scale - 1) < 1e-9 ? 1 : scale;
    return Optional.of(new Placement(axes, signs, plain, to.centre().minus(middle)));
  }

  private Vec3 turned(Vec3 p) {
    return new Vec3(
        signs[0] * p.along(axes[0]), signs[1] * p.along(axes[1]), signs[2] * p.along(axes[2]));
  }

  @Override
  public boolean equals(@Nullable Object other) {
    return other instanceof Placement p
        && Arrays.equals(axes, p.axes)
        && Arrays.equals(signs, p.signs)
        && scale == p.scale
        && shift.equals(p.shift);
  }

  @Override
  public int hashCode() {
    return Objects.hash(Arrays.hashCode(axes), Arrays.hashCode(signs), scale, shift);
  }

  /** To where the starter lies. */
  public Vec3 moved(Vec3 p) {
    return turned(p).times(scale).plus(shift);
  }

  /** From where the starter lies. */
  Vec3 back(Vec3 p) {
    Vec3 q = p.minus(shift).times(1 / scale);
    double[] there = new double[3];
    for (int axis = 0; axis < 3; axis++) {
      there[axes[axis]] = signs[axis] * q.along(axis);
    }
    return new Vec3(there[0], there[1], there[2]);
  }

  /** A copy of a mesh that lies where the starter lies, brought from there. */
  Mesh back(Mesh mesh) {
    return mesh.moved(this::back);
  }

  boolean isTurned() {
    return !Arrays.equals(axes, ORDERS[0]) || !Arrays.equals(signs, new int[] {1, 1, 1});
  }

  private boolean isMirror() {
    boolean odd = axes[0] > axes[1] ^ axes[1] > axes[2] ^ axes[0] > axes[2];
    return odd ^ signs[0] * signs[1] * signs[2] < 0;
  }

  /** What is to be done with the mesh, in words. */
  public String words() {
    List<String> words = new ArrayList<>();
    if (isTurned()) {
      StringBuilder from = new StringBuilder();
      for (int axis = 0; axis < 3; axis++) {
        from.append(axis == 0 ? "" : ", ")
            .append(signs[axis] < 0 ? "-" : "")
            .append((char) ('x' + axes[axis]));
      }
      words.add("take its axes as " + from + (isMirror() ? " (a mirror image)" : ""));
    }
    if (scale != 1) {
      words.add(Say.words("scale it by %.6g", scale));
    }
    if (shift.length() > 0) {
      words.add(Say.words("move it by (%.6g, %.6g, %.6g)", shift.x(), shift.y(), shift.z()));
    }
    return String.join(", then ", words);
  }
}
