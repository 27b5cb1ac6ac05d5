package fairedge.core.cut;

import fairedge.core.effort.Effort;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.RayCast;
import fairedge.core.work.Chosen;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import fairedge.core.work.View;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Deque;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * The cut by a shape that is projected along the view onto the surface.
 *
 * <p>Input: a shape, where it stands in the view, how deep. Precondition: it meets faces that may
 * be cut. Result: the surface is traced along the shape's lines: a bend is where a sight-line
 * through a point of the shape meets the surface in view; a line that is not closed runs on at its
 * ends to the border of the face there. The faces inside, by the even-odd rule, come back as
 * chosen. Cost: that of the trace, a line of sight for each point, and the faces inside.
 *
 * <p>Stages: place the shape; look where its points meet the surface; trace; gather the inside.
 */
public final class Outline {
  private final Site site;
  private final Mesh mesh;
  private final Placement placement;
  private final Reach reach;
  private final List<OutlineShape.Path> paths;

  /**
   * Where a shape stands.
   *
   * @param right from the centre to the shape's (1, 0)
   * @param up from the centre to its (0, 1)
   * @param view along whose sight-lines it is projected
   */
  public record Placement(Vec3 centre, Vec3 right, Vec3 up, View view) {
    public Placement {
      Objects.requireNonNull(centre, "centre");
      Objects.requireNonNull(right, "right");
      Objects.requireNonNull(up, "up");
      Objects.requireNonNull(view, "view");
    }

    Vec3 at(OutlineShape.Point p) {
      return centre.plus(right.times(p.x())).plus(up.times(p.y()));
    }

    boolean isWhole() {
      double flat = right.cross(up).length();
      return centre.isFinite()
          && view.isFinite()
          && flat > 1e-12 * right.length() * up.length()
          && Double.isFinite(flat);
    }

    /** Where the sight-line to a place passes the shape's plane; null where it never does. */
    OutlineShape.@Nullable Point onShape(Vec3 place) {
      Vec3 normal = right.cross(up);
      Vec3 sight = view.sightTo(place);
      double along = sight.dot(normal);
      if (along == 0) {
        return null;
      }
      Vec3 at = place.minus(sight.times(place.minus(centre).dot(normal) / along)).minus(centre);
      double square = normal.dot(normal);
      return new OutlineShape.Point(
          at.cross(up).dot(normal) / square, right.cross(at).dot(normal) / square);
    }
  }

  /** The faces that points of the shape meet, one for each point that meets any to cut. */
  private final List<Integer> aimed = new ArrayList<>();

  /** How many points meet none. */
  private int beside;

  /** Whether some of those meet a face that may not be cut. */
  private boolean meetsOthers;

  private Outline(Site site, OutlineShape shape, Placement placement, Reach reach) {
    this.site = site;
    this.mesh = site.mesh();
    this.placement = placement;
    this.reach = reach;
    this.paths = shape.paths();
  }

  /**
   * @throws Refusal.Raised with nothing lost if the caller takes the edit back
   */
  public static Done cut(Site site, OutlineShape shape, Placement placement, Reach reach) {
    if (!placement.isWhole()) {
      throw Refusal.because("The shape has no size, or is seen from nowhere.");
    }
    if (shape.pointCount() > OutlineShape.MOST_POINTS || shape.pointCount() < 2) {
      throw Refusal.because(
          "A shape has from 2 to %d points, this one has %d."
              .formatted(OutlineShape.MOST_POINTS, shape.pointCount()));
    }
    Outline outline = new Outline(site, shape, placement, reach);
    outline.checkPaths();
    return outline.cut();
  }

  private void checkPaths() {
    for (OutlineShape.Path path : paths) {
      if (path.points().size() < (path.closed() ? 3 : 2)) {
        throw Refusal.because("A closed line has at least 3 points, an open one 2.");
      }
      for (OutlineShape.Point p : path.points()) {
        if (!placement.at(p).isFinite()) {
          throw Refusal.because("A point of the shape is no number.");
        }
      }
    }
  }

  private Done cut() {
    List<TraceRun> runs = new ArrayList<>();
    RayCast rays = site.rays();
    for (OutlineShape.Path path : paths) {
      runs.add(runOf(path, rays));
    }
    Done traced = Trace.cut(site, reach, runs);
    List<Remark> remarks = new ArrayList<>();
    if (site.edit().journal().isEmpty()) {
      remarks.add(whyNothing());
    } else if (beside > 0) {
      remarks.add(
          Remark.of(
              "%d of the shape's %d points lie beside what is cut."
                  .formatted(beside, beside + aimed.size()),
              null));
    }
    traced.remarks().stream().filter(r -> r.element() != null).forEach(remarks::add);
    return new Done(traced.pieces(), remarks, traced.usedVertices(), Chosen.faces(inside()));
  }

  private Remark whyNothing() {
    if (!aimed.isEmpty()) {
      return Remark.of("The shape lies along edges that are there already.", null);
    }
    throw Refusal.because(
        meetsOthers
            ? "The shape meets no face that may be cut."
            : "The shape misses the model in this view.");
  }

  /** Notes what the points of the path meet. */
  private TraceRun runOf(OutlineShape.Path path, RayCast rays) {
    List<TracePoint> points = new ArrayList<>();
    int n = path.points().size();
    for (int i = 0; i < n; i++) {
      Effort.check();
      Vec3 place = placement.at(path.points().get(i));
      RayCast.Hit hit = Eyesight.first(placement.view(), place, rays, site);
      boolean end = !path.closed() && (i == 0 || i == n - 1);
      boolean meets = hit != null && site.allows(hit.face());
      if (meets && hit != null) {
        aimed.add(hit.face());
      } else {
        beside++;
        meetsOthers |= hit != null;
      }
      Anchor anchor =
          meets && !end && hit != null
              ? new Anchor.InFace(hit.face(), hit.at())
              : new Anchor.OffModel(place);
      points.add(new TracePoint(anchor, placement.view()));
    }
    if (path.closed()) {
      points.add(points.getFirst());
    }
    return TraceRun.of(points);
  }

  /** The faces inside: from those that were cut on to their neighbours, as far as they are. */
  private List<Integer> inside() {
    BitSet known = new BitSet();
    Deque<Integer> open = new ArrayDeque<>();
    List<Integer> found = new ArrayList<>();
    site.edit().journal().touched().faces().stream()
        .filter(mesh::hasFace)
        .forEach(f -> consider(f, known, open));
    if (site.edit().journal().isEmpty()) {
      // Along edges that are there: what is inside lies at the corners of what was met.
      for (int f : aimed) {
        for (int v : mesh.vertices(f)) {
          Arrays.stream(mesh.facesAt(v)).forEach(g -> consider(g, known, open));
        }
      }
    }
    while (!open.isEmpty()) {
      Effort.check();
      int f = open.poll();
      found.add(f);
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--) {
        for (int g : mesh.facesOn(mesh.edgeOf(c))) {
          consider(g, known, open);
        }
        c = mesh.next(c);
      }
    }
    found.sort(null);
    return found;
  }

  private void consider(int f, BitSet known, Deque<Integer> open) {
    if (known.get(f)) {
      return;
    }
    known.set(f);
    if (site.allows(f) && mesh.isMeasurable(f) && isInside(mesh.polygon(f))) {
      open.add(f);
    }
  }

  private boolean isInside(Polygon shape) {
    Vec3 place = innerPlace(shape);
    boolean inReach =
        reach == Reach.THROUGH || shape.newell().dot(placement.view().sightTo(place)) < 0;
    OutlineShape.Point p = inReach ? placement.onShape(place) : null;
    return p != null && holds(p);
  }

  /** The middle of the largest triangle. */
  private static Vec3 innerPlace(Polygon shape) {
    int[] triangles = shape.triangles();
    Vec3 best = shape.middle();
    double largest = 0;
    for (int i = 0; i < triangles.length; i += 3) {
      Vec3 a = shape.corner(triangles[i]);
      Vec3 b = shape.corner(triangles[i + 1]);
      Vec3 c = shape.corner(triangles[i + 2]);
      double size = b.minus(a).cross(c.minus(a)).length();
      if (size > largest) {
        largest = size;
        best = a.plus(b).plus(c).times(1.0 / 3);
      }
    }
    return best;
  }

  private boolean holds(OutlineShape.Point p) {
    boolean inside = false;
    for (OutlineShape.Path path : paths) {
      List<OutlineShape.Point> points = path.points();
      for (int i = 0, j = points.size() - 1; path.closed() && i < points.size(); j = i++) {
        OutlineShape.Point a = points.get(i);
        OutlineShape.Point b = points.get(j);
        boolean between = a.y() > p.y() != b.y() > p.y();
        if (between && p.x() < (b.x() - a.x()) * (p.y() - a.y()) / (b.y() - a.y()) + a.x()) {
          inside = !inside;
        }
      }
    }
    return inside;
  }
}
