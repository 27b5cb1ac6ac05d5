package fairedge.core.mesh;

import fairedge.core.geometry.Vec3;
import java.util.Arrays;
import java.util.function.UnaryOperator;

/**
 * The values of one attribute: a table of triples, and for each corner which of them is its own.
 * Corners share entries, so that a seam is told from a smooth passage, as in files.
 */
final class CornerLayer {
  double[] values = new double[48];
  int end;
  int[] ofCorner;

  CornerLayer(int corners) {
    ofCorner = new int[corners];
    Arrays.fill(ofCorner, Mesh.NONE);
  }

  CornerLayer copy() {
    CornerLayer copy = new CornerLayer(0);
    copy.values = values.clone();
    copy.end = end;
    copy.ofCorner = ofCorner.clone();
    return copy;
  }

  int add(Vec3 value) {
    int at = 3 * end;
    if (at + 3 > values.length) {
      values = Arrays.copyOf(values, 2 * values.length);
    }
    values[at] = value.x();
    values[at + 1] = value.y();
    values[at + 2] = value.z();
    return end++;
  }

  Vec3 value(int index) {
    return new Vec3(values[3 * index], values[3 * index + 1], values[3 * index + 2]);
  }

  void change(UnaryOperator<Vec3> how) {
    for (int i = 0; i < end; i++) {
      Vec3 changed = how.apply(value(i));
      values[3 * i] = changed.x();
      values[3 * i + 1] = changed.y();
      values[3 * i + 2] = changed.z();
    }
  }

  void grow(int corners) {
    int before = ofCorner.length;
    ofCorner = Arrays.copyOf(ofCorner, corners);
    Arrays.fill(ofCorner, before, corners, Mesh.NONE);
  }
}
