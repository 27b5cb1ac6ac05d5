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

/** Moving vertices freely, and evening them out. Cost: the vertices and the faces at them. */
public final class Move {
  private static final Done DONE = new Done(List.of(), List.of(), 0);
  private static final int MOST_ROUNDS = 200;
  private static final int MOST_MOVES = 1_000_000;

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

    boolean isFinite() {
      return by.isFinite()
          && axis.isFinite()
          && scale.isFinite()
          && Double.isFinite(along)
          && Double.isFinite(degrees)
          && (pivot == null || pivot.isFinite());
    }
  }

  private Move() {}

  /**
   * @throws Refusal.Raised where a number is none
   */
  public static Done move(Site site, Collection<Integer> vertices, Motion motion) {
    Mesh mesh = site.mesh();
    TreeSet<Integer> chosen = Asked.placed(site, vertices);
    if (!motion.isFinite() || motion.degrees() != 0 && motion.axis().equals(Vec3.ZERO)) {
      throw Refusal.because("The motion is told by numbers, and a turn by an axis.");
    }
    Vec3 pivot = motion.pivot() == null ? Asked.middle(mesh, chosen) : motion.pivot();
    Map<Integer, Vec3> places = new TreeMap<>();
    for (int v : chosen) {
      Vec3 from = mesh.position(v).minus(pivot);
      Vec3 s = motion.scale();
      Vec3 scaled = new Vec3(from.x() * s.x(), from.y() * s.y(), from.z() * s.z());
      Vec3 turned =
          motion.degrees() == 0 ? scaled : scaled.turned(motion.axis().unit(), motion.degrees());
      Vec3 normal = motion.along() == 0 ? Vec3.ZERO : site.normalAt(v).times(motion.along());
      Vec3 place = pivot.plus(turned).plus(motion.by()).plus(normal);
      boolean still = s.equals(new Vec3(1, 1, 1)) && motion.degrees() == 0 && motion.along() == 0;
      // Without a turn or a scale the pivot has no say, and must not cost a bit of precision.
      places.put(v, still ? mesh.position(v).plus(motion.by()) : place);
    }
    moveAll(site, places);
    return DONE;
  }

  private static void moveAll(Site site, Map<Integer, Vec3> places) {
    places.forEach((v, place) -> {
      if (!place.isFinite()) {
        throw Refusal.because("This would move a vertex out of all bounds.", Element.vertex(v));
      }
      if (!place.equals(site.mesh().position(v))) {
        site.edit().moveVertex(v, place);
      }
    });
  }

  /**
   * Evens the distances out: in each round every vertex goes a part of the way to the mean of its
   * neighbours, within the plane that touches the surface there, so that the form stays; at a
   * border along the border only, and a corner of the border stays.
   *
   * @param rounds from 1
   * @param strength the part of the way, over 0 to 1
   */
  public static Done relax(Site site, Collection<Integer> vertices, int rounds, double strength) {
    TreeSet<Integer> chosen = Asked.placed(site, vertices);
    if (rounds < 1 || rounds > MOST_ROUNDS || !(strength > 0 && strength <= 1)) {
      throw Refusal.because(
          "Relaxing takes 1 to %d rounds, each by a part of the way up to all of it."
              .formatted(MOST_ROUNDS));
    }
    if ((long) rounds * chosen.size() > MOST_MOVES) {
      throw Refusal.because("Relax fewer vertices at once, or in fewer rounds.");
    }
    for (int i = 0; i < rounds; i++) {
      Map<Integer, Vec3> places = new TreeMap<>();
      for (int v : chosen) {
        places.put(v, relaxed(site, v, strength));
      }
      moveAll(site, places);
    }
    return DONE;
  }

  private static Vec3 relaxed(Site site, int v, double strength) {
    Mesh mesh = site.mesh();
    Vec3 at = mesh.position(v);
    Vec3 all = Vec3.ZERO;
    Vec3 border = Vec3.ZERO;
    int count = 0;
    int onBorder = 0;
    boolean crowded = false;
    for (int e : mesh.edgesAt(v)) {
      int w = mesh.otherEnd(e, v);
      int uses = mesh.uses(e);
      if (uses == 0 || !mesh.hasPlace(w)) {
        continue;
      }
      Vec3 way = mesh.position(w).minus(at);
      all = all.plus(way);
      count++;
      crowded |= uses > 2;
      if (uses == 1) {
        border = border.plus(way);
        onBorder++;
      }
    }
    if (count == 0 || crowded || onBorder != 0 && onBorder != 2) {
      return at;
    }
    if (onBorder == 2) {
      return isCorner(mesh, v) ? at : at.plus(border.times(strength / 2));
    }
    Vec3 normal = site.normalAt(v);
    Vec3 mean = all.times(1.0 / count);
    return at.plus(mean.minus(normal.times(mean.dot(normal))).times(strength));
  }

  /** Whether the border turns by more than a third of a right angle. */
  private static boolean isCorner(Mesh mesh, int v) {
    Vec3 at = mesh.position(v);
    Vec3[] ways = new Vec3[2];
    int count = 0;
    for (int e : mesh.edgesAt(v)) {
      if (mesh.uses(e) == 1) {
        ways[count++] = mesh.position(mesh.otherEnd(e, v)).minus(at);
      }
    }
    return ways[0].times(-1).angleTo(ways[1]) > 30;
  }
}
