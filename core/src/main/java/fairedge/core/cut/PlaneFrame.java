package fairedge.core.cut;

import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;

/**
 * A plane with two directions in it, by which it is turned.
 *
 * @param origin a place on it
 * @param normal of unit length
 * @param depth in the plane, away from who drew it; about it the plane is turned
 * @param along in the plane, square to the depth; about it the plane is tilted
 */
public record PlaneFrame(Vec3 origin, Vec3 normal, Vec3 depth, Vec3 along) {

  /**
   * @throws Refusal.Raised where what it is laid by is gone or does not tell a plane
   */
  public static PlaneFrame of(PlaneBy by, Mesh mesh) {
    return switch (by) {
      case PlaneBy.Drawn d -> drawn(d);
      case PlaneBy.Along a -> {
        Vec3 n = a.axis().unit();
        Vec3 depth = a.axis() == Axis.Y ? new Vec3(1, 0, 0) : new Vec3(0, 1, 0);
        yield frame(n.times(a.offset()), n, depth);
      }
      case PlaneBy.Through t -> through(t, mesh);
      case PlaneBy.SquareTo s -> squareTo(s.face(), mesh);
    };
  }

  private static PlaneFrame frame(Vec3 origin, Vec3 normal, Vec3 depth) {
    if (!origin.isFinite() || normal.equals(Vec3.ZERO)) {
      throw Refusal.because("These places don't tell a plane.");
    }
    return new PlaneFrame(origin, normal, depth, normal.cross(depth).unit());
  }

  private static PlaneFrame drawn(PlaneBy.Drawn d) {
    if (!d.view().isFinite() || !d.from().isFinite() || !d.to().isFinite()) {
      throw Refusal.because("The line was drawn from no place that one can look from.");
    }
    SightPlane plane = SightPlane.through(d.view(), d.from(), d.to());
    Vec3 middle = d.from().towards(d.to(), 0.5);
    Vec3 sight = d.view().sightTo(middle);
    Vec3 inPlane = sight.minus(plane.normal().times(sight.dot(plane.normal()))).unit();
    return frame(middle, plane.normal(), inPlane);
  }

  private static PlaneFrame through(PlaneBy.Through t, Mesh mesh) {
    if (t.anchors().size() != 3) {
      throw Refusal.because("Three places tell a plane; %d are set.".formatted(t.anchors().size()));
    }
    Vec3[] p = t.anchors().stream().map(a -> placeOf(a, mesh)).toArray(Vec3[]::new);
    Vec3 normal = p[1].minus(p[0]).cross(p[2].minus(p[0]));
    double size = p[1].distance(p[0]) * p[2].distance(p[0]);
    if (!(normal.length() > 1e-9 * size)) {
      throw Refusal.because("The three places lie in one line, so they tell no plane.");
    }
    Vec3 depth = p[1].minus(p[0]).unit();
    return frame(p[0].plus(p[1]).plus(p[2]).times(1.0 / 3), normal.unit(), depth);
  }

  static Vec3 placeOf(Anchor anchor, Mesh mesh) {
    boolean there =
        switch (anchor) {
          case Anchor.OnVertex a -> mesh.hasVertex(a.vertex());
          case Anchor.OnEdge a -> mesh.hasEdge(a.edge());
          case Anchor.InFace a -> mesh.hasFace(a.face());
          case Anchor.OffModel a -> true;
        };
    if (!there) {
      throw Refusal.because("A point lies on something that is not there any more.");
    }
    return switch (anchor) {
      case Anchor.OnVertex a -> mesh.position(a.vertex());
      case Anchor.OnEdge a -> mesh.along(a.edge(), a.t());
      case Anchor.InFace a -> a.at();
      case Anchor.OffModel a -> a.at();
    };
  }

  private static PlaneFrame squareTo(int face, Mesh mesh) {
    if (!mesh.hasFace(face)) {
      throw Refusal.because("The face that was chosen is not there any more.");
    }
    if (!mesh.isMeasurable(face) || mesh.polygon(face).normal().equals(Vec3.ZERO)) {
      throw Refusal.because("This face has no direction to be square to.", Element.face(face));
    }
    Polygon shape = mesh.polygon(face);
    Vec3 longest = Vec3.ZERO;
    for (int i = 0; i < shape.size(); i++) {
      Vec3 side = shape.corner(i + 1).minus(shape.corner(i));
      longest = side.length() > longest.length() ? side : longest;
    }
    Vec3 up = shape.normal();
    Vec3 normal = longest.minus(up.times(longest.dot(up))).unit();
    return frame(shape.middle(), normal, up);
  }

  /** The plane turned about the depth and tilted about the other way in it, in degrees. */
  PlaneFrame turned(double turn, double tilt) {
    PlaneFrame once = turn == 0 ? this : about(depth, turn);
    return tilt == 0 ? once : once.about(once.along, tilt);
  }

  private PlaneFrame about(Vec3 axis, double degrees) {
    return new PlaneFrame(
        origin,
        normal.turned(axis, degrees),
        depth.turned(axis, degrees),
        along.turned(axis, degrees));
  }

  PlaneFrame shifted(double by) {
    return new PlaneFrame(origin.plus(normal.times(by)), normal, depth, along);
  }

  FlatPlane flat() {
    return new FlatPlane(origin, normal);
  }

  /** A place by its coordinates in this frame, put where another frame has them. */
  Vec3 carried(Vec3 place, PlaneFrame to) {
    if (equals(to)) {
      return place;
    }
    Vec3 d = place.minus(origin);
    return to.origin
        .plus(to.normal.times(d.dot(normal)))
        .plus(to.depth.times(d.dot(depth)))
        .plus(to.along.times(d.dot(along)));
  }
}
