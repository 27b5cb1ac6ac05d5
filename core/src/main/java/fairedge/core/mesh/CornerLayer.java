package fairedge.core.mesh;

import fairedge.core.geometry.Vec3;
import java.util.Arrays;

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

  void grow(int corners) {
    int before = ofCorner.length;
    ofCorner = Arrays.copyOf(ofCorner, corners);
    Arrays.fill(ofCorner, before, corners, Mesh.NONE);
  }
}
