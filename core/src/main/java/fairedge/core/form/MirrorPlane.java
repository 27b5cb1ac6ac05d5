package fairedge.core.form;

import fairedge.core.cut.PlaneBy;
import fairedge.core.cut.PlaneFrame;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Bounds;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Site;
import java.util.List;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * The plane of a mirror. Square to an axis all is exact: what lies on it has its offset to the bit,
 * an image twice the offset less the coordinate, rounded once, and the other coordinates as they
 * are.
 *
 * @param axis to which it is square; null where it is to none
 * @param offset along the axis
 */
public record MirrorPlane(Vec3 origin, Vec3 normal, @Nullable Axis axis, double offset) {
  /** Edges that are to tell a plane lie so near to one, as a share of the model's size. */
  private static final double FLAT = 1e-6;

  /**
   * @throws Refusal.Raised where what it is laid by is gone or tells no plane
   */
  public static MirrorPlane of(Site site, MirrorBy by) {
    Mesh mesh = site.mesh();
    return switch (by) {
      case MirrorBy.AtOffset at -> square(at.axis(), at.offset());
      case MirrorBy.AtBox at -> square(at.axis(), inBox(mesh.bounds(), at));
      case MirrorBy.AlongEdges along -> through(site, along);
      case MirrorBy.ThroughAnchors through -> {
        PlaneFrame frame = PlaneFrame.of(new PlaneBy.Through(through.anchors()), mesh);
        yield settled(frame.origin(), frame.normal());
      }
    };
  }

  private static MirrorPlane square(Axis axis, double offset) {
    if (!Double.isFinite(offset)) {
      throw Refusal.because("The offset is a number.");
    }
    return new MirrorPlane(axis.unit().times(offset), axis.unit(), axis, offset);
  }

  private static double inBox(Bounds box, MirrorBy.AtBox at) {
    if (box.isEmpty()) {
      throw Refusal.because("There is no face to lay a box round.");
    }
    double low = box.min().along(at.axis().ordinal());
    double high = box.max().along(at.axis().ordinal());
    return switch (at.at()) {
      case LOW -> low;
      case MIDDLE -> 0.5 * low + 0.5 * high;
      case HIGH -> high;
    };
  }

  private static MirrorPlane through(Site site, MirrorBy.AlongEdges along) {
    Mesh mesh = site.mesh();
    TreeSet<Integer> vertices = new TreeSet<>();
    for (int e : Asked.edges(site, along.edges())) {
      vertices.add(mesh.first(e));
      vertices.add(mesh.second(e));
    }
    List<Vec3> places = Asked.placed(site, vertices).stream().map(mesh::position).toList();
    for (Axis axis : Axis.values()) {
      double offset = places.getFirst().along(axis.ordinal());
      if (places.stream().allMatch(p -> p.along(axis.ordinal()) == offset)) {
        requireTurn(places);
        return square(axis, offset);
      }
    }
    Vec3 origin = Asked.middle(mesh, vertices);
    Vec3 normal = requireTurn(places);
    double most = FLAT * site.tolerance().scale();
    for (int v : vertices) {
      if (Math.abs(mesh.position(v).minus(origin).dot(normal)) > most) {
        throw Refusal.because("These edges don't lie in one plane.", Element.vertex(v));
      }
    }
    return settled(origin, normal);
  }

  /** Square to the two ways between the places that lie farthest from one line. */
  private static Vec3 requireTurn(List<Vec3> places) {
    Vec3 from = places.getFirst();
    Vec3 far = Vec3.ZERO;
    for (Vec3 p : places) {
      far = p.minus(from).length() > far.length() ? p.minus(from) : far;
    }
    Vec3 normal = Vec3.ZERO;
    for (Vec3 p : places) {
      Vec3 turn = far.cross(p.minus(from));
      normal = turn.length() > normal.length() ? turn : normal;
    }
    if (!(normal.length() > 1e-9 * far.dot(far))) {
      throw Refusal.because("These edges lie in one line: they tell no plane.");
    }
    return normal.unit();
  }

  private static MirrorPlane settled(Vec3 origin, Vec3 normal) {
    for (Axis axis : Axis.values()) {
      if (Math.abs(normal.along(axis.ordinal())) == 1) {
        return square(axis, origin.along(axis.ordinal()));
      }
    }
    return new MirrorPlane(origin, normal, null, 0);
  }

  public double distance(Vec3 p) {
    return axis == null ? p.minus(origin).dot(normal) : p.along(axis.ordinal()) - offset;
  }

  /** A place laid on the plane. */
  public Vec3 onto(Vec3 p) {
    return axis == null ? p.minus(normal.times(distance(p))) : with(p, axis, offset);
  }

  /** The image of a place. */
  public Vec3 image(Vec3 p) {
    return axis == null
        ? p.minus(normal.times(2 * distance(p)))
        : with(p, axis, 2 * offset - p.along(axis.ordinal()));
  }

  /** The image of a direction. */
  public Vec3 turned(Vec3 way) {
    return axis == null
        ? way.minus(normal.times(2 * way.dot(normal)))
        : with(way, axis, 0 - way.along(axis.ordinal()));
  }

  private static Vec3 with(Vec3 p, Axis axis, double value) {
    return switch (axis) {
      case X -> new Vec3(value, p.y(), p.z());
      case Y -> new Vec3(p.x(), value, p.z());
      case Z -> new Vec3(p.x(), p.y(), value);
    };
  }
}
