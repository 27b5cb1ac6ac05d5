package fairedge.core.meet;

import fairedge.core.fill.QuadParts;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.tidy.Lift;
import fairedge.core.tidy.Weld;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.List;
import java.util.Locale;
import java.util.TreeSet;

/**
 * Cleans a line in which parts met: vertices of it that lie near each other become one, those near
 * a vertex that was there go onto it, what is left idle is lifted, and faces beside it that have an
 * even number of sides are divided into quads. Cost: the faces at the line.
 */
final class LineCleaner {
  /** A run that turns no more than this, in degrees, is straight. */
  private static final double STRAIGHT = 0.1;

  private final Site site;
  private final Mesh mesh;
  private final double within;
  private final TreeSet<Integer> line;
  private final List<Remark> remarks = new ArrayList<>();

  /**
   * @param line its vertices
   * @param within how near is near; 0 or more
   */
  LineCleaner(Site site, Collection<Integer> line, double within) {
    if (!(within >= 0) || !Double.isFinite(within)) {
      throw Refusal.because("The distance within which the line is cleaned is 0 or more.");
    }
    this.site = site;
    this.mesh = site.mesh();
    this.within = within;
    this.line = new TreeSet<>(line);
  }

  /**
   * @return what was done, to be told
   * @throws Refusal.Raised where something would be pinched by it
   */
  List<Remark> clean() {
    weld();
    lift();
    divide();
    return remarks;
  }

  private void weld() {
    int welded = 0;
    for (int v : List.copyOf(line)) {
      int to = mesh.hasVertex(v) ? nearest(v) : Mesh.NONE;
      if (to != Mesh.NONE) {
        Weld.together(site, List.of(to, v), Weld.At.FIRST);
        line.remove(v);
        line.add(to);
        welded++;
      }
    }
    say(welded, "vertex of the line went onto the next", "vertices of the line went onto the next");
  }

  /**
   * The nearest vertex along an edge that lies near: one that was there goes before one of the
   * line; of equal ones the lowest.
   */
  private int nearest(int v) {
    int best = Mesh.NONE;
    for (int e : mesh.edgesAt(v)) {
      int w = mesh.otherEnd(e, v);
      if (mesh.length(e) <= within && (best == Mesh.NONE || comesBefore(w, best, v))) {
        best = w;
      }
    }
    return best;
  }

  private boolean comesBefore(int w, int other, int v) {
    boolean isOld = w < site.firstNewVertex();
    if (isOld != other < site.firstNewVertex()) {
      return isOld;
    }
    Vec3 at = mesh.position(v);
    double one = mesh.position(w).distance(at);
    double two = mesh.position(other).distance(at);
    return one < two || one == two && w < other;
  }

  private void lift() {
    List<Integer> idle = new ArrayList<>();
    for (int v : line) {
      if (mesh.hasVertex(v) && isIdle(v)) {
        idle.add(v);
      }
    }
    if (!idle.isEmpty()) {
      Lift.lift(site, List.of(), idle, false);
    }
    say(idle.size(), "idle vertex is lifted", "idle vertices are lifted");
  }

  private boolean isIdle(int v) {
    int[] edges = mesh.edgesAt(v);
    if (edges.length != 2 || mesh.facesAt(v).length != 2) {
      return false;
    }
    Vec3 at = mesh.position(v);
    Vec3 one = at.minus(mesh.position(mesh.otherEnd(edges[0], v)));
    Vec3 two = mesh.position(mesh.otherEnd(edges[1], v)).minus(at);
    boolean hasRoom =
        Arrays.stream(mesh.facesAt(v)).allMatch(f -> mesh.size(f) > 3)
            && mesh.findEdge(mesh.otherEnd(edges[0], v), mesh.otherEnd(edges[1], v)) == Mesh.NONE;
    return hasRoom && one.angleTo(two) <= STRAIGHT;
  }

  private void divide() {
    TreeSet<Integer> faces = new TreeSet<>();
    for (int v : line) {
      for (int f : mesh.hasVertex(v) ? mesh.facesAt(v) : new int[0]) {
        faces.add(f);
      }
    }
    int divided = 0;
    Element left = null;
    int others = 0;
    for (int f : faces) {
      if (mesh.size(f) > 4) {
        boolean isDone = divide(f);
        divided += isDone ? 1 : 0;
        others += isDone ? 0 : 1;
        left = isDone || left != null ? left : Element.face(f);
      }
    }
    say(divided, "face beside it is divided into quads", "faces beside it are divided into quads");
    if (others > 0) {
      remarks.add(
          Remark.of(
              others == 1
                  ? "One face beside it is left with more than four sides."
                  : "%d faces beside it are left with more than four sides.".formatted(others),
              left));
    }
  }

  private boolean divide(int f) {
    int[] ring = mesh.vertices(f);
    Vec3[] places = new Vec3[ring.length];
    for (int i = 0; i < ring.length; i++) {
      places[i] = mesh.position(ring[i]);
    }
    List<QuadParts.Chord> chords =
        QuadParts.of(places, mesh.polygon(f).newell(), (i, k) -> mesh.findEdge(ring[i], ring[k]));
    List<Integer> parts = new ArrayList<>(List.of(f));
    for (QuadParts.Chord chord : chords) {
      for (int part : List.copyOf(parts)) {
        int from = mesh.findCorner(part, ring[chord.from()]);
        int to = mesh.findCorner(part, ring[chord.to()]);
        if (from != Mesh.NONE && to != Mesh.NONE) {
          parts.add(site.edit().splitFace(part, from, to, List.of()));
          break;
        }
      }
    }
    return !chords.isEmpty();
  }

  private void say(int count, String one, String more) {
    if (count > 0) {
      remarks.add(
          Remark.of(
              count == 1 ? "One " + one + "." : String.format(Locale.ROOT, "%d %s.", count, more),
              null));
    }
  }
}
