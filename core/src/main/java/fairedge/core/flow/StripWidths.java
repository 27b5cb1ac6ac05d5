package fairedge.core.flow;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;

/**
 * How wide a quad is across, and what lies beside it: by both it is told whether a strip holds the
 * edge that it runs along. Cost: constant; beside a face that is no quad, its corners.
 */
public final class StripWidths {
  /** A support strip is usually narrower than this share of what lies beside it. */
  public static final double NARROW = 0.25;

  private final Mesh mesh;

  public StripWidths(Mesh mesh) {
    this.mesh = mesh;
  }

  /** Of the quad of a corner, from the side that leaves it: the mean of the edges beside that. */
  public double at(int c) {
    return 0.5 * (length(mesh.edgeOf(mesh.next(c))) + length(mesh.edgeOf(mesh.previous(c))));
  }

  /** Of what lies on the other side of the side that leaves c: 0 where nothing does. */
  public double beyond(int c) {
    int e = mesh.edgeOf(c);
    if (mesh.uses(e) != 2) {
      return 0;
    }
    int d = mesh.nextOnEdge(c);
    int f = mesh.faceOf(d);
    if (mesh.size(f) == 4) {
      return at(d);
    }
    return mesh.isMeasurable(f) ? reachFrom(mesh.polygon(f), e) : 0;
  }

  private double length(int e) {
    return mesh.hasPlace(mesh.first(e)) && mesh.hasPlace(mesh.second(e))
        ? mesh.length(e)
        : Double.NaN;
  }

  private double reachFrom(Polygon shape, int e) {
    Vec3 a = mesh.position(mesh.first(e));
    Vec3 along = mesh.position(mesh.second(e)).minus(a).unit();
    double largest = 0;
    for (int i = 0; i < shape.size(); i++) {
      Vec3 to = shape.corner(i).minus(a);
      largest = Math.max(largest, to.minus(along.times(to.dot(along))).length());
    }
    return largest;
  }
}
