package fairedge.picture;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;

/**
 * Where places of a model come to lie in a picture: in parallel projection, the model fitted into
 * the frame less a margin.
 *
 * @param scale pixels for one unit
 * @param depth how deep the model is, in units; more than 0
 */
record Frame(Side side, double scale, double left, double top, double near, double depth)
    implements Projection {

  /**
   * @param margin in pixels, on every side
   */
  static Frame around(Mesh mesh, Side side, double width, double height, double margin) {
    double[] low = {Double.MAX_VALUE, Double.MAX_VALUE, Double.MAX_VALUE};
    double[] high = {-Double.MAX_VALUE, -Double.MAX_VALUE, -Double.MAX_VALUE};
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && mesh.hasPlace(v) && mesh.isInFace(v)) {
        Vec3 p = mesh.position(v);
        double[] at = {p.dot(side.right()), -p.dot(side.up()), p.dot(side.towards())};
        for (int axis = 0; axis < 3; axis++) {
          low[axis] = Math.min(low[axis], at[axis]);
          high[axis] = Math.max(high[axis], at[axis]);
        }
      }
    }
    double wide = Math.max(high[0] - low[0], Double.MIN_NORMAL);
    double tall = Math.max(high[1] - low[1], Double.MIN_NORMAL);
    double scale = Math.min((width - 2 * margin) / wide, (height - 2 * margin) / tall);
    scale = Double.isFinite(scale) && scale > 0 ? scale : 1;
    return new Frame(
        side,
        scale,
        0.5 * width - scale * (0.5 * low[0] + 0.5 * high[0]),
        0.5 * height - scale * (0.5 * low[1] + 0.5 * high[1]),
        high[2],
        Math.max(high[2] - low[2], Double.MIN_NORMAL));
  }

  double x(Vec3 p) {
    return left + scale * p.dot(side.right());
  }

  double y(Vec3 p) {
    return top - scale * p.dot(side.up());
  }

  /** 0 at the nearest place of the model, 1 at the farthest. */
  double depth(Vec3 p) {
    return (near - p.dot(side.towards())) / depth;
  }

  @Override
  public boolean isAhead(Vec3 p) {
    return true;
  }

  @Override
  public double[] at(Vec3 p) {
    return new double[] {x(p), y(p), depth(p)};
  }

  @Override
  public double[] lifted(Vec3 p, double share) {
    return new double[] {x(p), y(p), depth(p) - share};
  }

  @Override
  public boolean sees(Vec3 place, Vec3 normal) {
    return normal.dot(side.towards()) > 0;
  }

  @Override
  public Vec3[] ahead(Vec3 a, Vec3 b, Vec3 c) {
    return new Vec3[] {a, b, c};
  }
}
