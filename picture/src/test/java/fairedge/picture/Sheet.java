package fairedge.picture;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/** A small mesh in the making: faces may be taken out, turned, and put in. */
final class Sheet {
  final List<Vec3> places = new ArrayList<>();
  final List<int[]> faces = new ArrayList<>();
  private final List<int[]> wires = new ArrayList<>();

  /** Quads ten wide and deep; vertices and faces row by row. */
  static Sheet grid(int across, int deep) {
    double[] x = new double[across + 1];
    Arrays.setAll(x, i -> 10.0 * i);
    return grid(x, deep);
  }

  /** The same three deep, with its columns at these places. */
  static Sheet grid(double... x) {
    return grid(x, 3);
  }

  private static Sheet grid(double[] x, int deep) {
    Sheet grid = new Sheet();
    for (int j = 0; j <= deep; j++) {
      for (double at : x) {
        grid.vertex(at, 10.0 * j, 0);
      }
    }
    int row = x.length;
    for (int j = 0; j < deep; j++) {
      for (int i = 0; i + 1 < row; i++) {
        int v = j * row + i;
        grid.face(v, v + 1, v + row + 1, v + row);
      }
    }
    return grid;
  }

  int vertex(double x, double y, double z) {
    places.add(new Vec3(x, y, z));
    return places.size() - 1;
  }

  /** The vertex at a place, made where there is none. */
  int known(Vec3 place) {
    int at = places.indexOf(place);
    return at >= 0 ? at : vertex(place.x(), place.y(), place.z());
  }

  Sheet move(int v, Vec3 to) {
    places.set(v, to);
    return this;
  }

  Sheet face(int... vertices) {
    faces.add(vertices);
    return this;
  }

  /**
   * Leaves a place empty for each face that is taken out, so that the others keep their numbers.
   */
  Sheet without(int... which) {
    for (int f : which) {
      faces.set(f, new int[0]);
    }
    return this;
  }

  Sheet turned(int... which) {
    for (int f : which) {
      int[] face = faces.get(f);
      for (int i = 0, j = face.length - 1; i < j; i++, j--) {
        int swapped = face[i];
        face[i] = face[j];
        face[j] = swapped;
      }
    }
    return this;
  }

  void loose(int a, int b) {
    wires.add(new int[] {a, b});
  }

  Mesh mesh() {
    MeshBuilder builder = new MeshBuilder();
    places.forEach(builder::vertex);
    faces.stream().filter(f -> f.length > 0).forEach(builder::face);
    wires.forEach(w -> builder.edge(w[0], w[1]));
    return builder.build();
  }
}
