package fairedge.core.form;

import fairedge.core.form.Region.Fan;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.HashMap;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Where the lines beside the ends of a region meet at its vertices, for a width of 1: every place
 * lies so many times as far for another width. With no edge between the two ends, in the face,
 * where both lines cross; with one, on that edge, by least squares; with more, nearest to both
 * lines, then to the vertex. Beside a border, on the border. Cost: the corners of the fans.
 */
final class Sectors {
  /** Where two ends lead back into each other their lines never meet. */
  private static final double SPIKE = 1e-9;

  /**
   * Lines that pull a vertex opposite ways leave it where it is: a face would lose a side there.
   */
  private static final double NOWHERE = 1e-6;

  private final Mesh mesh;
  private final Region region;

  private Sectors(Mesh mesh, Region region) {
    this.mesh = mesh;
    this.region = region;
  }

  /**
   * From each open fan's vertex to its place, by the fans' numbers.
   *
   * @throws Refusal.Raised where lines never meet
   */
  static Map<Integer, Vec3> of(Mesh mesh, Region region) {
    Sectors sectors = new Sectors(mesh, region);
    Map<Integer, Vec3> places = new HashMap<>();
    for (Fan fan : region.fans()) {
      if (fan.isOpen() && !region.isRound(mesh, fan)) {
        Vec3 place = sectors.place(fan);
        if (place.length() < NOWHERE) {
          throw spike(fan);
        }
        places.put(fan.number(), place);
      }
    }
    return places;
  }

  private Vec3 place(Fan fan) {
    int leaving = region.leaving(fan);
    int arriving = region.arriving(mesh, fan);
    if (leaving == Mesh.NONE) {
      return onBorder(fan, towards(arriving, mesh.previous(arriving)));
    }
    if (arriving == Mesh.NONE) {
      return onBorder(fan, towards(leaving, mesh.next(leaving)));
    }
    return between(fan, leaving, arriving);
  }

  private Vec3 towards(int from, int to) {
    return mesh.position(mesh.vertexOf(to)).minus(mesh.position(mesh.vertexOf(from))).unit();
  }

  private Vec3 normal(int c) {
    return mesh.polygon(mesh.faceOf(c)).newell().unit();
  }

  private Vec3 between(Fan fan, int leaving, int arriving) {
    Vec3 onwards = towards(leaving, mesh.next(leaving));
    Vec3 back = towards(arriving, mesh.previous(arriving));
    Vec3 first = normal(leaving).cross(onwards);
    Vec3 second = normal(arriving).cross(back.times(-1));
    int edges = fan.corners().size() - 1;
    if (edges == 0) {
      double both = 1 + first.dot(second);
      if (both < SPIKE) {
        throw spike(fan);
      }
      return first.plus(second).times(1 / both);
    }
    if (edges == 1) {
      Vec3 edge = towards(leaving, mesh.previous(leaving));
      double a = edge.cross(onwards).length();
      double b = edge.cross(back).length();
      if (a * a + b * b < SPIKE) {
        throw spike(fan);
      }
      return edge.times((a + b) / (a * a + b * b));
    }
    Even nearest = new Even();
    nearest.plane(first, 1, 1);
    nearest.plane(normal(leaving), 0, 1);
    nearest.plane(second, 1, 1);
    nearest.plane(normal(arriving), 0, 1);
    return nearest.move();
  }

  /** A region that goes on at the border of the mesh: its ring ends open there. */
  private Vec3 onBorder(Fan fan, Vec3 end) {
    Vec3 border = borderOf(fan);
    double sine = border == null ? 0 : border.cross(end).length();
    if (border == null || sine < SPIKE) {
      throw spike(fan);
    }
    return border.times(1 / sine);
  }

  private @Nullable Vec3 borderOf(Fan fan) {
    for (int c : fan.corners()) {
      if (mesh.uses(mesh.edgeOf(c)) == 1 && !region.ends().contains(c)) {
        return towards(c, mesh.next(c));
      }
      if (mesh.uses(mesh.edgeOf(mesh.previous(c))) == 1
          && !region.ends().contains(mesh.previous(c))) {
        return towards(c, mesh.previous(c));
      }
    }
    return null;
  }

  private static Refusal.Raised spike(Fan fan) {
    return Refusal.because(
        "Here the border leads back into itself: lines beside it never meet.",
        Element.vertex(fan.vertex()));
  }
}
