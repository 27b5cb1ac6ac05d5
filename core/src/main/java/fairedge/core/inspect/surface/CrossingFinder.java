package fairedge.core.inspect.surface;

import fairedge.core.flow.Unions;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.LeftOut;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.BoxPairs;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Meeting;
import fairedge.core.survey.Nearby;
import fairedge.core.survey.Pairs;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.LongAdder;
import java.util.stream.LongStream;
import org.jspecify.annotations.Nullable;

/**
 * {@code crossing}: faces that pass through each other or lie on each other; what that is exactly,
 * {@link Meeting} says. Faces that only touch, at a shared edge or vertex or anywhere else, do not.
 *
 * <ol>
 *   <li>Every two faces whose boxes meet are tried. Faces with more than {@value #SMALL} sides are
 *       tried triangle by triangle; those without a front not at all.
 *   <li>Pairs that share a face join, and crossing faces that share an edge: one finding for all
 *       that hang together so, with the number of pairs.
 *   <li>Where a mesh is so tangled that more than {@value #PAIRS} pairs cross, one finding says
 *       just that.
 *   <li>Where the boxes of so many pairs meet that it would take too long to try them all, the rest
 *       is left out, and that is said ({@link LeftOut}).
 * </ol>
 *
 * Cost: n log n, and the pairs of boxes that meet: {@value #LEAST_TRIES} and {@value #TRIES} for
 * each face at the most. One that is looked at closely counts {@value #CLOSELY}, one that is soon
 * told apart {@value #SOON}, one of the same face {@value #PASSED}.
 */
public final class CrossingFinder implements Finder {
  private static final int SMALL = 8;
  private static final int PAIRS = 100_000;

  /** The same where not every pair could be tried. */
  private static final int MANY = 10_000;

  private static final int TRIES = 400;
  private static final int LEAST_TRIES = 48_000_000;
  private static final int CLOSELY = 640;
  private static final int SOON = 16;
  private static final int PASSED = 4;

  @Override
  public List<Finding> find(Subject subject) {
    Search search = new Search(subject);
    return search.findings(search.all());
  }

  @Override
  public List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    Pairs known = anew.nearby().known().crossing;
    Search search = new Search(subject);
    Pairs renewed = known == null ? null : search.renewed(anew.nearby(), known);
    return renewed == null ? find(subject) : search.findings(renewed);
  }

  private static final class Search {
    private final Subject subject;
    private final Mesh mesh;
    private final double near;

    /** What is tried: a face, and which of its triangles, or -1 for all. */
    private int[] faceOf = new int[1024];

    private int[] triangleOf = new int[1024];
    private double[] boxes = new double[6 * 1024];
    private int count;
    private final LongAdder crossed = new LongAdder();
    private boolean isComplete = true;

    /** Of more pairs than these it is only told that they are more. */
    private int told = PAIRS;

    /** Faces with many sides, cut into triangles once. */
    private final Map<Integer, Cut> cut = new ConcurrentHashMap<>();

    private record Cut(Polygon shape, int[] triangles) {
      static Cut of(Polygon shape) {
        return new Cut(shape, shape.triangles());
      }
    }

    Search(Subject subject) {
      this.subject = subject;
      this.mesh = subject.mesh();
      this.near = subject.tolerance().merge();
    }

    /**
     * @param found null if they are too many
     */
    List<Finding> findings(@Nullable Pairs found) {
      subject.leaveOut(
          Kind.CROSSING.key(),
          found != null && !isComplete,
          "So many faces lie in each other's way that not every two of them were tried: faces may"
              + " cross that are not told.");
      if (found == null) {
        return List.of(tangled());
      }
      subject.gathered().crossing = isComplete ? found : null;
      return found.count() == 0 ? List.of() : joined(found);
    }

    /** Null if they are too many. */
    @Nullable Pairs all() {
      for (int f = 0; f < mesh.faceEnd(); f++) {
        addIfTried(f);
      }
      return pairs((f, g) -> true);
    }

    /** Touched faces are tried with those near; null if too many cross. */
    @Nullable Pairs renewed(Nearby nearby, Pairs before) {
      IdSet touched = nearby.faces();
      Arrays.stream(nearby.nearFaces()).forEach(this::addIfTried);
      Pairs anew = pairs((f, g) -> touched.has(f) || touched.has(g));
      if (anew == null || !isComplete || anew.count() + before.count() > PAIRS / 2) {
        return null;
      }
      return before.renewed(
          pair -> !touched.has(Pairs.first(pair)) && !touched.has(Pairs.second(pair)),
          anew.stream());
    }

    private void addIfTried(int f) {
      if (mesh.hasFace(f) && subject.shapes().hasFront(f)) {
        addFace(f);
      }
    }

    /** Which faces are tried with which. */
    private interface Wanted {
      boolean isTried(int f, int g);
    }

    private @Nullable Pairs pairs(Wanted wanted) {
      List<Long> found = new ArrayList<>();
      BoxPairs pairs = new BoxPairs(Arrays.copyOf(boxes, 6 * count));
      long most = LEAST_TRIES + (long) TRIES * count;
      isComplete = pairs.each((a, b) -> tried(a, b, wanted, found, most), most);
      if (!isComplete && !isTangled()) {
        // Which pairs were tried until then depends on the threads: the same ones every time now.
        found.clear();
        crossed.reset();
        pairs.eachInOrder((a, b) -> tried(a, b, wanted, found, most), most);
        told = MANY;
      }
      return crossed.sum() > told ? null : Pairs.of(found.stream().mapToLong(Long::longValue));
    }

    /** Tries a pair; what it cost. */
    private long tried(int a, int b, Wanted wanted, List<Long> found, long most) {
      int f = faceOf[a];
      int g = faceOf[b];
      if (isTangled()) {
        return most;
      }
      if (f == g || !wanted.isTried(f, g)) {
        return PASSED;
      }
      if (areApart(f, g) || areNeighboursApart(f, g)) {
        return SOON;
      }
      Meeting.Piece one = pieceOf(a);
      Meeting.Piece other = pieceOf(b);
      if (Meeting.cross(one, other, near)) {
        crossed.increment();
        synchronized (found) {
          found.add(Pairs.unordered(f, g));
        }
      }
      return CLOSELY;
    }

    private boolean isTangled() {
      return crossed.sum() > PAIRS;
    }

    private Finding tangled() {
      return new SurfaceFinding.Tangled(Where.whole(subject), told);
    }

    private void addFace(int f) {
      if (mesh.size(f) <= SMALL) {
        add(f, -1, mesh.vertices(f));
        return;
      }
      int[] triangles = cut(f).triangles();
      int[] corners = mesh.vertices(f);
      for (int i = 0; i < triangles.length; i += 3) {
        add(f, i, corners[triangles[i]], corners[triangles[i + 1]], corners[triangles[i + 2]]);
      }
    }

    private void add(int f, int triangle, int... corners) {
      if (count == faceOf.length) {
        faceOf = Arrays.copyOf(faceOf, 2 * count);
        triangleOf = Arrays.copyOf(triangleOf, 2 * count);
        boxes = Arrays.copyOf(boxes, 12 * count);
      }
      faceOf[count] = f;
      triangleOf[count] = triangle;
      int at = 6 * count++;
      Arrays.fill(boxes, at, at + 3, Double.POSITIVE_INFINITY);
      Arrays.fill(boxes, at + 3, at + 6, Double.NEGATIVE_INFINITY);
      for (int v : corners) {
        Vec3 p = mesh.position(v);
        include(at, p.x());
        include(at + 1, p.y());
        include(at + 2, p.z());
      }
    }

    private void include(int at, double value) {
      boxes[at] = Math.min(boxes[at], value);
      boxes[at + 3] = Math.max(boxes[at + 3], value);
    }

    /** Most pairs are parted by a wall square to the way between their middles. */
    private boolean areApart(int f, int g) {
      if (mesh.size(f) > SMALL || mesh.size(g) > SMALL) {
        return false;
      }
      Vec3 way = middle(g).minus(middle(f));
      double length = way.length();
      double room = 0.5 * near * length;
      return length > 4 * near && highest(f, way) <= -highest(g, way.times(-1)) + room;
    }

    private Vec3 middle(int f) {
      Vec3 sum = Vec3.ZERO;
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--) {
        sum = sum.plus(mesh.position(mesh.vertexOf(c)));
        c = mesh.next(c);
      }
      return sum.times(1.0 / mesh.size(f));
    }

    private double highest(int f, Vec3 way) {
      double highest = Double.NEGATIVE_INFINITY;
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--) {
        highest = Math.max(highest, mesh.position(mesh.vertexOf(c)).dot(way));
        c = mesh.next(c);
      }
      return highest;
    }

    /**
     * Most others are neighbours that share an edge and turn by little: such can't reach each
     * other. Both are convex and flat enough, seen along the sum of their normals.
     */
    private boolean areNeighboursApart(int f, int g) {
      if (mesh.size(f) > 4 || mesh.size(g) > 4) {
        return false;
      }
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--) {
        int d = mesh.nextOnEdge(c);
        if (d != c && mesh.faceOf(d) == g && mesh.vertexOf(c) != mesh.vertexOf(d)) {
          Vec3 side =
              mesh.position(mesh.vertexOf(mesh.next(c))).minus(mesh.position(mesh.vertexOf(c)));
          Vec3 up = subject.shapes().newell(f).unit().plus(subject.shapes().newell(g).unit());
          // A wall on the shared side, along what both look towards, parts them.
          Vec3 inward = up.cross(side);
          return inward.length() > 0.1 * side.length()
              && isBeyond(f, mesh.vertexOf(c), inward, 1)
              && isBeyond(g, mesh.vertexOf(c), inward, -1);
        }
        c = mesh.next(c);
      }
      return false;
    }

    private boolean isBeyond(int f, int from, Vec3 inward, int sign) {
      Vec3 origin = mesh.position(from);
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--) {
        if (sign * mesh.position(mesh.vertexOf(c)).minus(origin).dot(inward)
            < -0.5 * near * inward.length()) {
          return false;
        }
        c = mesh.next(c);
      }
      return true;
    }

    private Meeting.Piece pieceOf(int i) {
      if (triangleOf[i] < 0) {
        return Meeting.Piece.of(mesh.polygon(faceOf[i]));
      }
      Cut cut = cut(faceOf[i]);
      return Meeting.Piece.of(cut.shape(), cut.triangles(), triangleOf[i]);
    }

    private Cut cut(int f) {
      return cut.computeIfAbsent(f, id -> Cut.of(mesh.polygon(id)));
    }

    private List<Finding> joined(Pairs pairs) {
      int[] faces =
          pairs.stream()
              .flatMap(pair -> LongStream.of(Pairs.first(pair), Pairs.second(pair)))
              .mapToInt(f -> (int) f)
              .sorted()
              .distinct()
              .toArray();
      Unions groups = new Unions(faces.length);
      pairs.stream()
          .forEach(
              pair -> groups.join(at(faces, Pairs.first(pair)), at(faces, Pairs.second(pair))));
      joinNeighbours(groups, faces);
      Map<Integer, Cluster> clusters = new TreeMap<>();
      pairs.stream()
          .forEach(pair ->
              clusters
                  .computeIfAbsent(groups.rootOf(at(faces, Pairs.first(pair))), r -> new Cluster())
                  .add(pair));
      return clusters.values().stream().map(c -> finding(c.faces, c.pairs)).toList();
    }

    private static int at(int[] faces, int f) {
      return Arrays.binarySearch(faces, f);
    }

    private void joinNeighbours(Unions groups, int[] faces) {
      for (int k = 0; k < faces.length; k++) {
        int c = mesh.firstCorner(faces[k]);
        for (int i = mesh.size(faces[k]); i > 0; i--) {
          int other = at(faces, mesh.faceOf(mesh.nextOnEdge(c)));
          if (other >= 0) {
            groups.join(k, other);
          }
          c = mesh.next(c);
        }
      }
    }

    /** Faces that hang together by crossing. */
    private static final class Cluster {
      private final TreeSet<Integer> faces = new TreeSet<>();
      private long pairs;

      void add(long pair) {
        faces.add(Pairs.first(pair));
        faces.add(Pairs.second(pair));
        pairs++;
      }
    }

    private Finding finding(TreeSet<Integer> faces, long pairs) {
      return new SurfaceFinding.Crossing(Where.atFaces(mesh, faces, faces.first()), pairs);
    }
  }
}
