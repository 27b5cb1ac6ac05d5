package fairedge.core.survey;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;

/** Where marks stand, and how far a finding reaches. */
public final class Places {
  private static final int SIDES = 64;

  private Places() {}

  /** A point of face f that lies on it: its middle, or that of its largest triangle if concave. */
  public static Vec3 onFace(Mesh mesh, int f) {
    if (!mesh.isMeasurable(f)) {
      return firstPlace(mesh, f);
    }
    Polygon shape = mesh.polygon(f);
    Vec3 middle = shape.middle();
    return shape.flat().contains(middle) ? middle : onLargestTriangle(shape);
  }

  private static Vec3 onLargestTriangle(Polygon shape) {
    int[] triangles = shape.triangles();
    Vec3 best = shape.middle();
    double largest = -1;
    for (int i = 0; i < triangles.length; i += 3) {
      Polygon t =
          new Polygon(
              new Vec3[] {
                shape.corner(triangles[i]),
                shape.corner(triangles[i + 1]),
                shape.corner(triangles[i + 2])
              });
      if (t.area() > largest) {
        largest = t.area();
        best = t.middle();
      }
    }
    return best;
  }

  /** Where vertex v lies; without a place the first neighbour that has one. */
  public static Vec3 ofVertex(Mesh mesh, int v) {
    if (mesh.hasPlace(v)) {
      return mesh.position(v);
    }
    for (int e : mesh.edgesAt(v)) {
      int other = mesh.otherEnd(e, v);
      if (mesh.hasPlace(other)) {
        return mesh.position(other);
      }
    }
    return Vec3.ZERO;
  }

  /** The middle of edge e; the end that has a place, if only one has. */
  public static Vec3 onEdge(Mesh mesh, int e) {
    boolean whole = mesh.hasPlace(mesh.first(e)) && mesh.hasPlace(mesh.second(e));
    return whole
        ? mesh.along(e, 0.5)
        : ofVertex(mesh, mesh.hasPlace(mesh.first(e)) ? mesh.first(e) : mesh.second(e));
  }

  private static Vec3 firstPlace(Mesh mesh, int f) {
    for (int v : mesh.vertices(f)) {
      if (mesh.hasPlace(v)) {
        return mesh.position(v);
      }
    }
    return Vec3.ZERO;
  }

  /**
   * Mean length of the edges of the given faces; 0 if none can be measured. Of a face with more
   * than {@value #SIDES} sides the first so many stand for all, since each of its corners may ask.
   */
  public static double meanEdge(Mesh mesh, int... faces) {
    double sum = 0;
    int count = 0;
    for (int f : faces) {
      double side = meanSide(mesh, f);
      sum += side;
      count += side > 0 ? 1 : 0;
    }
    return count == 0 ? 0 : sum / count;
  }

  static double meanSide(Mesh mesh, int f) {
    double sum = 0;
    int count = 0;
    int c = mesh.firstCorner(f);
    for (int i = Math.min(SIDES, mesh.size(f)); i > 0; i--) {
      int a = mesh.vertexOf(c);
      c = mesh.next(c);
      if (mesh.hasPlace(a) && mesh.hasPlace(mesh.vertexOf(c))) {
        sum += mesh.position(a).distance(mesh.position(mesh.vertexOf(c)));
        count++;
      }
    }
    return count == 0 ? 0 : sum / count;
  }
}
