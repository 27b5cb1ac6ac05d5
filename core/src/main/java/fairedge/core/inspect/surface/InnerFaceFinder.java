package fairedge.core.inspect.surface;

import fairedge.core.flow.Parts;
import fairedge.core.flow.Unions;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * {@code inner-face}: a patch of faces, bounded by crowded edges, with solid on both its sides.
 *
 * <ol>
 *   <li>A <em>patch</em> is faces joined across two-sided edges. It has a front and a back.
 *   <li>Sides of patches that look into the same room are joined: round each crowded edge the faces
 *       are sorted by their angle, and each looks at the next; at a border front and back are one
 *       room.
 *   <li>The room outside is that into which the face looks which a line from far off meets first.
 *   <li>An inner patch has no border, a crowded edge, and neither of its sides looks outside: so
 *       does a wall in a box, and each piece of two walls that cross in one; the box itself does
 *       not, nor does a wall in a box that is open.
 * </ol>
 *
 * Only parts with a crowded edge are looked at. Faces without a front take no part. One finding a
 * patch. Cost: the faces of those parts; for each the faces once more for the line.
 */
public final class InnerFaceFinder implements Finder {
  /** Oblique to whatever people model along. */
  private static final List<Vec3> LINES =
      List.of(
          new Vec3(0.8127, 0.4561, 0.3623),
          new Vec3(-0.3719, 0.8513, 0.3699),
          new Vec3(0.2347, -0.4231, 0.8751),
          new Vec3(-0.5813, -0.3547, -0.7323));

  @Override
  public List<Finding> find(Subject subject) {
    if (!subject.parts().isCrowded()) {
      return List.of();
    }
    List<Finding> found = new ArrayList<>();
    List<Parts.Part> crowded = subject.partList().stream().filter(Parts.Part::crowded).toList();
    for (int[] faces : subject.parts().facesOf(crowded)) {
      found.addAll(new Search(subject, faces).findings());
    }
    return found;
  }

  private static final class Search {
    private final Subject subject;
    private final Mesh mesh;
    private final int[] faces;
    private final int[] patchOf;

    /** Of each face's patch the front, and the back. */
    private final Unions rooms;

    Search(Subject subject, int[] faces) {
      this.subject = subject;
      this.mesh = subject.mesh();
      this.faces = faces;
      this.patchOf = patches();
      this.rooms = new Unions(2 * faces.length);
    }

    /**
     * Faces joined across edges with two faces. A patch whose faces are wound against each other is
     * told by {@code flipped}; its faces' fronts are then joined to their neighbours' backs.
     */
    private int[] patches() {
      Unions joined = new Unions(faces.length);
      eachEdge((e, c) -> {
        if (subject.topology().uses(e) == 2) {
          joined.join(at(c), at(mesh.nextOnEdge(c)));
        }
      });
      int[] roots = new int[faces.length];
      Arrays.setAll(roots, joined::rootOf);
      return roots;
    }

    private interface EdgeVisit {
      void visit(int e, int firstCorner);
    }

    private void eachEdge(EdgeVisit visit) {
      for (int f : faces) {
        int c = mesh.firstCorner(f);
        for (int i = mesh.size(f); i > 0; i--) {
          if (mesh.cornerOn(mesh.edgeOf(c)) == c) {
            visit.visit(mesh.edgeOf(c), c);
          }
          c = mesh.next(c);
        }
      }
    }

    private int at(int c) {
      return Arrays.binarySearch(faces, mesh.faceOf(c));
    }

    List<Finding> findings() {
      eachEdge(this::joinRooms);
      int outside = outside();
      if (outside < 0) {
        return List.of();
      }
      Map<Integer, List<Integer>> inner = new TreeMap<>();
      boolean[] open = new boolean[faces.length];
      boolean[] crowded = new boolean[faces.length];
      boolean[] seen = new boolean[faces.length];
      eachEdge((e, c) -> noteBounds(e, c, open, crowded));
      for (int i = 0; i < faces.length; i++) {
        for (int side = 0; side < 2; side++) {
          seen[patchOf[i]] |= rooms.rootOf(2 * i + side) == outside;
        }
      }
      for (int i = 0; i < faces.length; i++) {
        int patch = patchOf[i];
        if (crowded[patch] && !open[patch] && !seen[patch]) {
          inner.computeIfAbsent(patch, p -> new ArrayList<>()).add(faces[i]);
        }
      }
      return inner.values().stream().map(this::finding).toList();
    }

    private void noteBounds(int e, int first, boolean[] open, boolean[] crowded) {
      int c = first;
      do {
        open[patchOf[at(c)]] |= subject.topology().uses(e) == 1;
        crowded[patchOf[at(c)]] |= subject.topology().uses(e) == 3;
        c = mesh.nextOnEdge(c);
      } while (c != first);
    }

    private void joinRooms(int e, int c) {
      switch (subject.topology().uses(e)) {
        case 1 -> rooms.join(2 * at(c), 2 * at(c) + 1);
        case 2 -> {
          int other = mesh.nextOnEdge(c);
          int turned = mesh.vertexOf(c) == mesh.vertexOf(other) ? 1 : 0;
          rooms.join(2 * at(c), 2 * at(other) + turned);
          rooms.join(2 * at(c) + 1, 2 * at(other) + 1 - turned);
        }
        default -> joinRound(e, c);
      }
    }

    private record Use(int corner, double angle) {}

    /** Each face looks at the next one round the edge. */
    private void joinRound(int e, int first) {
      if (!mesh.hasPlace(mesh.first(e)) || !mesh.hasPlace(mesh.second(e))) {
        return;
      }
      Vec3 axis = mesh.position(mesh.second(e)).minus(mesh.position(mesh.first(e))).unit();
      Vec3 u = axis.aside();
      Vec3 v = axis.cross(u);
      List<Use> uses = new ArrayList<>();
      int c = first;
      do {
        int f = mesh.faceOf(c);
        if (subject.shapes().hasFront(f)) {
          // Into the face from its side: the front lies to the left of it.
          Vec3 along = mesh.vertexOf(c) == mesh.first(e) ? axis : axis.times(-1);
          Vec3 into = subject.shapes().newell(f).cross(along);
          uses.add(new Use(c, StrictMath.atan2(into.dot(v), into.dot(u))));
        }
        c = mesh.nextOnEdge(c);
      } while (c != first);
      uses.sort(
          Comparator.comparingDouble(Use::angle).thenComparing(use -> mesh.faceOf(use.corner)));
      for (int i = 0; i < uses.size(); i++) {
        int now = uses.get(i).corner;
        int next = uses.get((i + 1) % uses.size()).corner;
        // Angles grow about the axis: a face whose side runs along it shows its front that way.
        rooms.join(
            2 * at(now) + (runsAlong(e, now) ? 0 : 1), 2 * at(next) + (runsAlong(e, next) ? 1 : 0));
      }
    }

    private boolean runsAlong(int e, int c) {
      return mesh.vertexOf(c) == mesh.first(e);
    }

    /** The room outside; -1 if no line tells it. */
    private int outside() {
      for (Vec3 line : LINES) {
        int room = firstMet(line.unit());
        if (room >= 0) {
          return room;
        }
      }
      return -1;
    }

    /** What a line along a direction, aimed at the middle of a face, meets first of all. */
    private int firstMet(Vec3 direction) {
      int aimed = largest();
      if (aimed < 0) {
        return -1;
      }
      Vec3 target = Places.onFace(mesh, faces[aimed]);
      double nearest = Double.POSITIVE_INFINITY;
      int met = -1;
      for (int i = 0; i < faces.length; i++) {
        if (!subject.shapes().hasFront(faces[i])) {
          continue;
        }
        double t = along(mesh.polygon(faces[i]), target, direction);
        if (t < nearest) {
          nearest = t;
          met = i;
        }
      }
      if (met < 0) {
        return -1;
      }
      boolean front = subject.shapes().newell(faces[met]).dot(direction) < 0;
      return rooms.rootOf(2 * met + (front ? 0 : 1));
    }

    private int largest() {
      int best = -1;
      for (int i = 0; i < faces.length; i++) {
        if (subject.shapes().hasFront(faces[i])
            && (best < 0 || subject.shapes().area(faces[i]) > subject.shapes().area(faces[best]))) {
          best = i;
        }
      }
      return best;
    }

    /** How far along the line through a place a face is met; infinite if it is not. */
    private static double along(Polygon shape, Vec3 place, Vec3 direction) {
      int[] triangles = shape.triangles();
      double nearest = Double.POSITIVE_INFINITY;
      for (int i = 0; i < triangles.length; i += 3) {
        Vec3 a = shape.corner(triangles[i]).minus(place);
        Vec3 b = shape.corner(triangles[i + 1]).minus(place);
        Vec3 c = shape.corner(triangles[i + 2]).minus(place);
        double u = direction.dot(b.cross(c));
        double v = direction.dot(c.cross(a));
        double w = direction.dot(a.cross(b));
        double sum = u + v + w;
        if (sum != 0 && (u >= 0 && v >= 0 && w >= 0 || u <= 0 && v <= 0 && w <= 0)) {
          Vec3 hit = a.times(u / sum).plus(b.times(v / sum)).plus(c.times(w / sum));
          nearest = Math.min(nearest, hit.dot(direction));
        }
      }
      return nearest;
    }

    private Finding finding(List<Integer> patch) {
      return new SurfaceFinding.InnerFaces(Where.atFaces(mesh, patch, patch.getFirst()));
    }
  }
}
