package fairedge.core.form;

import fairedge.core.form.Region.Fan;
import fairedge.core.form.Region.Ring;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Chosen;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * Moves chosen faces, as regions or each by itself, and puts walls of quads where they ended. The
 * faces themselves move; no face is left inside. On a closed mesh moved by a vector m, its end
 * neither scaled nor turned, the volume grows by N·m exactly, N being the sum of the region's
 * Newell vectors. Cost: the faces of the regions and what lies at their vertices.
 */
public final class Extrude {
  private static final int MOST_SEGMENTS = 1000;
  private static final long MOST_QUADS = 2_000_000;

  /** Of its area a region's normal must have this share, or it points nowhere. */
  private static final double POINTS = 1e-6;

  private static final int HALVINGS = 48;

  /** Which way a region goes. */
  public enum Heading {
    /** Along the sum of its Newell vectors. */
    NORMAL,
    /** So that the plane of every face moves by the distance. */
    EVEN,
    /** Along a direction. */
    DIRECTION
  }

  /**
   * How.
   *
   * @param direction with {@link Heading#DIRECTION}; its length has no say
   * @param distance in the unit of the mesh; negative sinks
   * @param segments quads from where it was to where it is
   * @param scale of the end about its middle; more than 0
   * @param turn of the end about the region's normal through its middle, in degrees
   */
  public record Extrusion(
      Heading heading,
      @Nullable Vec3 direction,
      double distance,
      int segments,
      double scale,
      double turn) {
    public Extrusion {
      Objects.requireNonNull(heading, "heading");
    }

    /** What people leave out as what they mean most often. */
    public static Extrusion asked(
        @Nullable Heading heading,
        @Nullable Vec3 direction,
        double distance,
        @Nullable Integer segments,
        @Nullable Double scale,
        @Nullable Double turn) {
      Heading meant = direction == null ? Heading.NORMAL : Heading.DIRECTION;
      return new Extrusion(
          heading == null ? meant : heading,
          direction,
          distance,
          segments == null ? 1 : segments,
          scale == null ? 1 : scale,
          turn == null ? 0 : turn);
    }

    boolean isPlain() {
      return scale == 1 && turn == 0;
    }
  }

  private Extrude() {}

  /**
   * @param each every face by itself
   * @throws Refusal.Raised where it can't be, with the element and, where a distance does not fit,
   *     the bound
   */
  public static Done extrude(Site site, Collection<Integer> faces, boolean each, Extrusion plan) {
    Mesh mesh = site.mesh();
    Collection<Integer> chosen = Asked.faces(site, faces);
    requireSound(plan, chosen.size());
    List<Region> regions = Region.of(mesh, chosen, each, Region.AtBorder.ENDS);
    List<Remark> remarks = new ArrayList<>();
    for (Region region : regions) {
      Raised raised = new Raised(mesh, region, plan);
      remarks.addAll(raised.remarks());
      Walls.raise(site.edit(), region, plan.segments(), raised);
    }
    return new Done(List.of(), remarks, 0, Chosen.faces(List.copyOf(chosen)));
  }

  private static void requireSound(Extrusion plan, int faces) {
    if (!Double.isFinite(plan.distance())
        || !Double.isFinite(plan.scale())
        || !Double.isFinite(plan.turn())) {
      throw Refusal.because("Distance, scale and turn are told by numbers.");
    }
    if (plan.distance() == 0) {
      throw Refusal.because("A distance of 0 would lay the walls into nothing.");
    }
    if (plan.segments() < 1 || plan.segments() > MOST_SEGMENTS) {
      throw Refusal.because("There are 1 to %d segments.".formatted(MOST_SEGMENTS));
    }
    if ((long) plan.segments() * faces > MOST_QUADS) {
      throw Refusal.because("So many faces in so many segments are too many at once.");
    }
    if (!(plan.scale() > 0)) {
      throw Refusal.because("The end is scaled by more than 0.");
    }
    Vec3 direction = plan.direction();
    if (plan.heading() == Heading.DIRECTION
        && (direction == null || direction.unit().equals(Vec3.ZERO))) {
      throw Refusal.because("Say in which direction.");
    }
  }

  /** Where the fans of a region come to lie. */
  private static final class Raised implements Walls.Places {
    private final Mesh mesh;
    private final Region region;
    private final Extrusion plan;
    private final Map<Integer, Vec3> moves = new TreeMap<>();
    private final List<Remark> remarks = new ArrayList<>();
    private final Map<Integer, Vec3> from = new TreeMap<>();
    private final Vec3 normal;
    private final Vec3 middle;

    Raised(Mesh mesh, Region region, Extrusion plan) {
      this.mesh = mesh;
      this.region = region;
      this.plan = plan;
      this.normal = region.normal(mesh);
      this.middle = Asked.middle(mesh, region.vertices());
      region.vertices().forEach(v -> from.put(v, mesh.position(v)));
      boolean needsNormal = plan.heading() == Heading.NORMAL || plan.turn() != 0;
      if (needsNormal && normal.length() < POINTS * region.area(mesh)) {
        throw Refusal.because(
            "These faces look every way at once: they have no common normal.",
            Element.face(region.faces().getFirst()));
      }
      if (!region.hasEnd()) {
        closed();
      }
      if (plan.heading() == Heading.EVEN) {
        even();
      }
    }

    List<Remark> remarks() {
      return remarks;
    }

    private void closed() {
      int f = region.faces().getFirst();
      if (plan.heading() != Heading.EVEN || !plan.isPlain()) {
        throw Refusal.because(
            "A part that is chosen whole ends nowhere: it can only grow by even thickness.",
            Element.face(f));
      }
      remarks.add(
          Remark.of("The part is chosen whole: it grows, and gets no walls.", Element.face(f)));
    }

    private Vec3 common() {
      Vec3 way =
          plan.heading() == Heading.DIRECTION ? Objects.requireNonNull(plan.direction()) : normal;
      return way.unit().times(plan.distance());
    }

    /** Each fan by the planes of its faces, told by their angles there. */
    private void even() {
      List<Even> sums = new ArrayList<>();
      region.fans().forEach(fan -> sums.add(new Even()));
      for (Ring ring : region.rings()) {
        Vec3 plane = mesh.polygon(ring.face()).newell().unit();
        int size = ring.fans().size();
        for (int i = 0; i < size; i++) {
          Vec3 at = place(ring, i);
          double angle =
              place(ring, (i + 1) % size)
                  .minus(at)
                  .angleTo(place(ring, (i + size - 1) % size).minus(at));
          if (angle > 0) {
            sums.get(ring.fans().get(i).number()).plane(plane, plan.distance(), angle);
          }
        }
      }
      double farthest = Even.FARTHEST * Math.abs(plan.distance());
      for (Fan fan : region.fans()) {
        Vec3 move = sums.get(fan.number()).move();
        if (move.length() > farthest) {
          remarks.add(
              new Remark(
                  "The faces meet so sharply here that it is moved by %.0f distances only."
                      .formatted(Even.FARTHEST),
                  Element.vertex(fan.vertex()),
                  mesh.position(fan.vertex()),
                  null));
          move = move.unit().times(farthest);
        }
        moves.put(fan.number(), move);
      }
      requireRoom();
    }

    private Vec3 place(Ring ring, int corner) {
      return Objects.requireNonNull(from.get(ring.fans().get(corner).vertex()));
    }

    /** No face may turn over; where one would, how far it goes until then. */
    private void requireRoom() {
      for (Ring ring : region.rings()) {
        if (!stands(ring, 1)) {
          double fits = 0;
          double tooFar = 1;
          for (int i = 0; i < HALVINGS; i++) {
            double half = 0.5 * (fits + tooFar);
            if (stands(ring, half)) {
              fits = half;
            } else {
              tooFar = half;
            }
          }
          throw Refusal.because(
              String.format(
                  Locale.ROOT,
                  "This face would turn over: there is room for less than %.4g.",
                  Math.abs(tooFar * plan.distance())),
              Element.face(ring.face()));
        }
      }
    }

    private boolean stands(Ring ring, double share) {
      Vec3 sum = Vec3.ZERO;
      int size = ring.fans().size();
      Vec3 origin = moved(ring, 0, share);
      for (int i = 1; i + 1 < size; i++) {
        Vec3 a = moved(ring, i, share).minus(origin);
        Vec3 b = moved(ring, i + 1, share).minus(origin);
        sum = sum.plus(a.cross(b));
      }
      return sum.dot(mesh.polygon(ring.face()).newell()) > 0;
    }

    private Vec3 moved(Ring ring, int corner, double share) {
      Vec3 move = Objects.requireNonNull(moves.get(ring.fans().get(corner).number()));
      return place(ring, corner).plus(move.times(share));
    }

    @Override
    public Vec3 of(Fan fan, int level) {
      double share = (double) level / plan.segments();
      Vec3 at = Objects.requireNonNull(from.get(fan.vertex()));
      Vec3 move =
          plan.heading() == Heading.EVEN ? moves.getOrDefault(fan.number(), Vec3.ZERO) : common();
      Vec3 by = level == plan.segments() ? move : move.times(share);
      if (plan.isPlain()) {
        return at.plus(by);
      }
      Vec3 scaled = at.minus(middle).times(1 + share * (plan.scale() - 1));
      Vec3 turned = plan.turn() == 0 ? scaled : scaled.turned(normal.unit(), share * plan.turn());
      return middle.plus(turned).plus(by);
    }
  }
}
