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
    private final Region region;
    private final Map<Integer, Vec3> ways;
    private final Map<Integer, Vec3> from = new HashMap<>();
    private final Widths widths;

    Placing(Mesh mesh, Region region, Margin margin, List<Remark> remarks) {
      this.region = region;
      if (!region.hasEnd()) {
        throw Refusal.because("What is chosen has no border for a ring to run along.");
      }
      this.ways = Sectors.of(mesh, region);
      region.vertices().forEach(v -> from.put(v, mesh.position(v)));
      Room room = new Room(mesh, region.rings().stream().map(this::round).toList());
      this.widths = room.fitting(margin.width(), margin.roomy(), "The ring", remarks);
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
      return at.plus(way.times(widths.at(fan.vertex()))).plus(raised);
    }

    private Room.Round round(Ring ring) {
      return new Room.Round(ring.face(), ring.fans().stream().map(this::moving).toList());
    }

    private Room.Moving moving(Fan fan) {
      Vec3 at = from.getOrDefault(fan.vertex(), Vec3.ZERO);
      Vec3 way = ways.getOrDefault(fan.number(), Vec3.ZERO);
      return new Room.Moving(fan.vertex(), at, way);
    }
  }
}
