package fairedge.picture;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;

/** Where places of a model come to lie in a picture, and which of its sides are seen. */
sealed interface Projection permits Frame, Perspective {
  /** The axes of the picture. */
  Side side();

  /** Pixels for one unit, at the middle of what is looked at. */
  double scale();

  /** Whether a place lies before the eye at all. */
  boolean isAhead(Vec3 p);

  /** x, y in pixels, and a depth that grows away from the eye: 0 is the nearest there is. */
  double[] at(Vec3 p);

  /**
   * The same nearer to the eye by a share of the model's depth, so that what lies on a face is not
   * covered by it.
   */
  double[] lifted(Vec3 p, double share);

  /** Whether a surface with this normal is seen from its outer side. */
  boolean sees(Vec3 place, Vec3 normal);

  /** The part of a triangle before the eye, as triangles: three places each. */
  Vec3[] ahead(Vec3 a, Vec3 b, Vec3 c);

  /** Where the way from a place before the eye to one that is not passes the nearest there is. */
  default Vec3 onNear(Vec3 p, Vec3 q) {
    return q;
  }

  static Projection of(Mesh mesh, PictureView view, double width, double height, double margin) {
    return switch (view) {
      case PictureView.Standard s -> Frame.around(mesh, Side.STANDARD, width, height, margin);
      case PictureView.Sideways s ->
          Frame.around(mesh, Side.of(s.azimuth(), s.elevation()), width, height, margin);
      case PictureView.From f ->
          f.eye().minus(f.target()).length() > 0
              ? Perspective.of(mesh, f, width, height)
              : Frame.around(mesh, Side.STANDARD, width, height, margin);
    };
  }
}
