package fairedge.core.tidy;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Done;
import fairedge.core.work.Site;
import java.util.Collection;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Moving vertices freely; those about them may go along, the less the farther they lie. Cost: the
 * vertices and the faces at them; with a reach, all vertices, or what lies within it on the
 * surface.
 */
public final class Move {
  private static final Vec3 ONE = new Vec3(1, 1, 1);
  private static final Done DONE = new Done(List.of(), List.of(), 0);

  /**
   * Scaled along the axes and turned about a pivot, then moved.
   *
   * @param by in the unit of the mesh
   * @param along further along each vertex's normal
   * @param axis about which it is turned
   * @param degrees how far
   * @param scale along x, y and z
   * @param pivot null for the middle of the vertices
   */
  public record Motion(
      Vec3 by, double along, Vec3 axis, double degrees, Vec3 scale, @Nullable Vec3 pivot) {
    public Motion {
      Objects.requireNonNull(by, "by");
      Objects.requireNonNull(axis, "axis");
      Objects.requireNonNull(scale, "scale");
    }

    /** A plain move. */
    public static Motion by(Vec3 by) {
      return new Motion(by, 0, new Vec3(0, 0, 1), 0, new Vec3(1, 1, 1), null);
    }

    /** Where a vertex comes to lie that goes a share of the way. */
    Vec3 of(Vec3 place, Vec3 pivot, double share, Site site, int v) {
      Vec3 normal = along == 0 ? Vec3.ZERO : site.normalAt(v).times(along * share);
      Vec3 by = this.by.times(share);
      if (scale.equals(ONE) && degrees == 0) {
        // Without a turn or a scale the pivot has no say, and must not cost a bit of precision.
        return place.plus(by).plus(normal);
      }
      Vec3 from = place.minus(pivot);
      Vec3 scaled =
          new Vec3(
              from.x() * (1 + share * (scale.x() - 1)),
              from.y() * (1 + share * (scale.y() - 1)),
              from.z() * (1 + share * (scale.z() - 1)));
      Vec3 turned = degrees == 0 ? scaled : scaled.turned(axis.unit(), degrees * share);
      return pivot.plus(turned).plus(by).plus(normal);
    }

    boolean isFinite() {
      return by.isFinite()
          && axis.isFinite()
          && scale.isFinite()
          && Double.isFinite(along)
          && Double.isFinite(degrees)
          && (pivot == null || pivot.isFinite());
    }
  }

  /**
   * How far vertices that are not chosen go along: by (1 - t²)², t being how far one lies from the
   * nearest chosen one, as a share of the radius.
   *
   * @param radius more than 0
   * @param overSurface whether that is measured along edges and across faces, and not through the
   *     air
   */
  public record Pull(double radius, boolean overSurface) {
    double share(double distance) {
      double t = distance / radius;
      double left = t < 1 ? 1 - t * t : 0;
      return left * left;
    }
  }

  private Move() {}

  /**
   * @param pull null where only the chosen ones move
   * @throws Refusal.Raised where a number is none
   */
  public static Done move(
      Site site, Collection<Integer> vertices, Motion motion, @Nullable Pull pull) {
    Mesh mesh = site.mesh();
    TreeSet<Integer> chosen = Asked.placed(site, vertices);
    if (!motion.isFinite() || motion.degrees() != 0 && motion.axis().equals(Vec3.ZERO)) {
      throw Refusal.because("The motion is told by numbers, and a turn by an axis.");
    }
    if (pull != null && !(pull.radius() > 0 && Double.isFinite(pull.radius()))) {
      throw Refusal.because("The reach is more than 0.");
    }
    Vec3 pivot = motion.pivot() == null ? Asked.middle(mesh, chosen) : motion.pivot();
    Map<Integer, Vec3> places = new TreeMap<>();
    for (int v : chosen) {
      places.put(v, motion.of(mesh.position(v), pivot, 1, site, v));
    }
    if (pull != null) {
      Nearness.within(site, chosen, pull.radius(), pull.overSurface())
          .forEach((v, distance) ->
              places.putIfAbsent(
                  v, motion.of(mesh.position(v), pivot, pull.share(distance), site, v)));
    }
    moveAll(site, places);
    return DONE;
  }

  static void moveAll(Site site, Map<Integer, Vec3> places) {
    places.forEach((v, place) -> {
      if (!place.isFinite()) {
        throw Refusal.because("This would move a vertex out of all bounds.", Element.vertex(v));
      }
      if (!place.equals(site.mesh().position(v))) {
        site.edit().moveVertex(v, place);
      }
    });
  }
}
