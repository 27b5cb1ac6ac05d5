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
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Puts a ring of quads along the border of chosen faces, so wide measured in the faces: inwards, or
 * outwards into those beside them (a collar). Every border run gets its ring, a hole's too; where a
 * region meets itself in a vertex, each fan alone. Flat and not raised, the area is kept. Cost: the
 * faces of the regions (outwards: those beside them) and, where a width does not fit, fifty times
 * that.
 */
public final class Inset {
  private static final double POINTS = 1e-6;
  private static final int HALVINGS = 48;

  /** As far as there is room is this share of the bound. */
  private static final double ROOMY = 0.9;

  /** A face of more sides is not asked whether its sides cross. */
  private static final int MOST_SIDES = 1000;

  /**
   * How.
   *
   * @param width of the ring; more than 0
   * @param height along the region's normal; negative sinks
   * @param outwards into the faces beside the chosen ones
   * @param atBorder whether the ring runs along the border of the mesh too; else it ends open there
   * @param roomy where the width does not fit, as far as there is room instead of not at all
   */
  public record Margin(
      double width, double height, boolean outwards, boolean atBorder, boolean roomy) {}

  private Inset() {}

  /**
   * @param each every face by itself; outwards, all are taken together
   * @throws Refusal.Raised where it can't be; with the element and the bound where it is too wide
   */
  public static Done inset(Site site, Collection<Integer> faces, boolean each, Margin margin) {
    Mesh mesh = site.mesh();
    TreeSet<Integer> chosen = Asked.faces(site, faces);
    if (!(margin.width() > 0)
        || !Double.isFinite(margin.width())
        || !Double.isFinite(margin.height())) {
      throw Refusal.because("The width is more than 0, the height a number.");
    }
    Region.AtBorder border = margin.atBorder() ? Region.AtBorder.ENDS : Region.AtBorder.OPEN;
    List<Region> regions = Region.of(mesh, chosen, each && !margin.outwards(), border);
    List<Remark> remarks = new ArrayList<>();
    if (margin.outwards()) {
      outwards(site, chosen, regions, margin, remarks);
    } else {
      for (Region region : regions) {
        new Placing(mesh, region, margin, remarks).lay(site, lift(mesh, region, margin));
      }
    }
    return new Done(List.of(), remarks, 0, Chosen.faces(List.copyOf(chosen)));
  }

  private static Vec3 lift(Mesh mesh, Region region, Margin margin) {
    if (margin.height() == 0) {
      return Vec3.ZERO;
    }
    Vec3 normal = region.normal(mesh);
    if (normal.length() < POINTS * region.area(mesh)) {
      throw Refusal.because(
          "These faces look every way at once: they have no common normal to be raised along.",
          Element.face(region.faces().getFirst()));
    }
    return normal.unit().times(margin.height());
  }

  private static void outwards(
      Site site,
      TreeSet<Integer> chosen,
      List<Region> regions,
      Margin margin,
      List<Remark> remarks) {
    Mesh mesh = site.mesh();
    Map<Integer, Vec3> raised = new HashMap<>();
    for (Region region : regions) {
      Vec3 by = lift(mesh, region, margin);
      region.vertices().forEach(v -> raised.merge(v, by, Vec3::plus));
    }
    new Placing(mesh, Region.round(mesh, chosen), margin, remarks).lay(site, Vec3.ZERO);
    if (margin.height() != 0) {
      raised.forEach((v, by) -> site.edit().moveVertex(v, mesh.position(v).plus(by)));
    }
  }

  /** Where the fans of a region come to lie, and how wide the ring is there. */
  private static final class Placing {
    private final Mesh mesh;
    private final Region region;
    private final Map<Integer, Vec3> ways;
    private final Map<Integer, Vec3> from = new HashMap<>();
    private final double width;

    Placing(Mesh mesh, Region region, Margin margin, List<Remark> remarks) {
      this.mesh = mesh;
      this.region = region;
      if (!region.hasEnd()) {
        throw Refusal.because("What is chosen has no border for a ring to run along.");
      }
      this.ways = Sectors.of(mesh, region);
      region.vertices().forEach(v -> from.put(v, mesh.position(v)));
      this.width = fitting(margin, remarks);
    }

    void lay(Site site, Vec3 raised) {
      Walls.raise(site.edit(), region, 1, (fan, level) -> end(fan, raised));
    }

    private @Nullable Vec3 end(Fan fan, Vec3 raised) {
      Vec3 way = ways.get(fan.number());
      Vec3 at = from.getOrDefault(fan.vertex(), Vec3.ZERO);
      if (way == null) {
        return raised.equals(Vec3.ZERO) ? null : at.plus(raised);
      }
      return at.plus(way.times(width)).plus(raised);
    }

    /** The width that is asked, or what there is room for. */
    private double fitting(Margin margin, List<Remark> remarks) {
      Tight tight = firstTight(margin.width());
      if (tight == null) {
        return margin.width();
      }
      String room =
          String.format(Locale.ROOT, "There is room for less than %.4g here.", tight.width());
      if (!margin.roomy()) {
        throw Refusal.because(room, tight.element());
      }
      double fits = ROOMY * tight.width();
      remarks.add(
          Remark.of(
              room + String.format(Locale.ROOT, " The ring is %.4g wide.", fits), tight.element()));
      return fits;
    }

    /** Where a width is the first that does not fit. */
    private record Tight(double width, Element element) {}

    private @Nullable Tight firstTight(double asked) {
      Tight first = null;
      for (Ring ring : region.rings()) {
        Tight side = sideLost(ring);
        if (side != null
            && side.width() <= asked
            && (first == null || side.width() < first.width())) {
          first = side;
        }
      }
      double upTo = first == null ? asked : first.width();
      for (Ring ring : region.rings()) {
        // Just below a side that is lost all faces must stand.
        double most = first == null ? upTo : upTo * (1 - 1e-9);
        if (!stands(ring, most)) {
          upTo = bound(ring, most);
          first = new Tight(upTo, Element.face(ring.face()));
        }
      }
      return first;
    }

    /** The width at which a side of a face is no longer there: ends move along straight lines. */
    private @Nullable Tight sideLost(Ring ring) {
      Tight first = null;
      int size = ring.fans().size();
      for (int i = 0; i < size; i++) {
        Fan a = ring.fans().get(i);
        Fan b = ring.fans().get((i + 1) % size);
        Vec3 side = place(b).minus(place(a));
        double shrinks = -way(b).minus(way(a)).dot(side);
        if (shrinks > 0) {
          double lost = side.dot(side) / shrinks;
          if (first == null || lost < first.width()) {
            first = new Tight(lost, Element.edge(mesh.findEdge(a.vertex(), b.vertex())));
          }
        }
      }
      return first;
    }

    private Vec3 place(Fan fan) {
      return from.getOrDefault(fan.vertex(), Vec3.ZERO);
    }

    private Vec3 way(Fan fan) {
      return ways.getOrDefault(fan.number(), Vec3.ZERO);
    }

    private double bound(Ring ring, double tooWide) {
      double fits = 0;
      double wide = tooWide;
      for (int i = 0; i < HALVINGS; i++) {
        double half = 0.5 * (fits + wide);
        if (stands(ring, half)) {
          fits = half;
        } else {
          wide = half;
        }
      }
      return wide;
    }

    /** Whether a face looks where it did, and no two of its sides touch that did not before. */
    private boolean stands(Ring ring, double w) {
      Vec3[] now = places(ring, w);
      Vec3 before = mesh.polygon(ring.face()).newell();
      Vec3 sum = Vec3.ZERO;
      for (int i = 1; i + 1 < now.length; i++) {
        sum = sum.plus(now[i].minus(now[0]).cross(now[i + 1].minus(now[0])));
      }
      if (!(sum.dot(before) > 0)) {
        return false;
      }
      Vec3 normal = before.unit();
      return now.length == 3
          || now.length > MOST_SIDES
          || !Touching.any(now, normal)
          || Touching.any(places(ring, 0), normal);
    }

    private Vec3[] places(Ring ring, double w) {
      return ring.fans().stream()
          .map(fan -> place(fan).plus(way(fan).times(w)))
          .toArray(Vec3[]::new);
    }
  }
}
