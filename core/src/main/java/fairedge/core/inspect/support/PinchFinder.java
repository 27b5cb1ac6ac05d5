package fairedge.core.inspect.support;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SupportFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Mesh;
import fairedge.core.subdivide.CatmullClark;
import fairedge.core.subdivide.Refined;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.Excerpt;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * {@code pinch}: a face of whose surface, after it is subdivided twice, a part turns by over the
 * profile's angle (60 degrees) from the front of the face; where a vertex of it is at a hard edge
 * or a border, by over {@value SupportFinding.Pinch#FOLD} degrees too: there the surface turns by
 * right, up to half the angle of the edge, but it does not fold.
 *
 * <p>The front is that of the face and not of all the flat patch round it: on a smooth form of
 * small faces a patch goes on right round.
 *
 * <p>A face need not be subdivided where all faces that touch it turn from it by under {@value
 * #TAME} degrees and none of them has a corner that turns back or warps by as much: what comes of
 * it turns by little more than they do; at a vertex of over {@value #HUB} edges it always is. One
 * finding a face. Cost: the faces; for those that are not tame the faces that touch them, times
 * twenty, so many at a time.
 */
public final class PinchFinder implements Finder {
  private static final double TAME = 25;

  private static final int AT_A_TIME = 8192;

  /** Where more edges meet, the faces are not asked one by one whether they are tame. */
  private static final int HUB = 64;

  @Override
  public List<Finding> find(Subject subject) {
    Mesh mesh = subject.mesh();
    Ground ground =
        new Ground(
            subject,
            IntStream.range(0, mesh.vertexEnd()),
            IntStream.range(0, mesh.edgeEnd()),
            IntStream.range(0, mesh.faceEnd()));
    List<Integer> wild =
        Blocks.collect(
            mesh.faceEnd(),
            (f, found) -> {
              if (isWild(subject, ground, f)) {
                found.accept(f);
              }
            });
    List<Finding> found = new ArrayList<>();
    for (int i = 0; i < wild.size(); i += AT_A_TIME) {
      List<Integer> some = wild.subList(i, Math.min(wild.size(), i + AT_A_TIME));
      found.addAll(subdivided(subject, ground, some));
    }
    return found;
  }

  @Override
  public List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    Mesh mesh = subject.mesh();
    BitSet edges = new BitSet();
    BitSet faces = new BitSet();
    for (int v : anew.vertices()) {
      for (int e : mesh.hasVertex(v) ? mesh.edgesAt(v) : new int[0]) {
        edges.set(e);
        for (int f : mesh.facesOn(e)) {
          faces.set(f);
        }
      }
    }
    Ground ground =
        new Ground(subject, Arrays.stream(anew.vertices()), edges.stream(), faces.stream());
    List<Integer> wild =
        Arrays.stream(anew.faces()).filter(f -> isWild(subject, ground, f)).boxed().toList();
    List<Finding> found = new ArrayList<>(subdivided(subject, ground, wild));
    before.stream().filter(finding -> !anew.meets(finding.elements())).forEach(found::add);
    found.sort(Comparator.comparingInt(finding -> finding.elements().getFirst().id()));
    return found;
  }

  /** What is to be known of the vertices at some elements. */
  private static final class Ground {
    /** Vertices at hard edges and borders, or where it can't be said what is smooth. */
    private final BitSet held = new BitSet();

    /**
     * Vertices some face of which may turn from another by the tame angle: there is an edge that
     * turns by half of it, or there are more than four faces; or one of them is odd.
     */
    private final BitSet rough = new BitSet();

    Ground(Subject subject, IntStream vertices, IntStream edges, IntStream faces) {
      Mesh mesh = subject.mesh();
      double cosine = StrictMath.cos(StrictMath.toRadians(TAME / 2));
      edges
          .filter(mesh::hasEdge)
          .forEach(e -> {
            boolean isTwoSided = subject.topology().uses(e) == 2;
            if (!isTwoSided || subject.hardEdges().isHard(e)) {
              held.set(mesh.first(e));
              held.set(mesh.second(e));
            }
            if (isTwoSided && !subject.hardEdges().surelyUnder(e, cosine)) {
              rough.set(mesh.first(e));
              rough.set(mesh.second(e));
            }
          });
      vertices.filter(v -> subject.topology().valence(v) > 5).forEach(rough::set);
      faces
          .filter(f -> mesh.hasFace(f) && isOdd(subject, f))
          .forEach(f -> {
            for (int v : mesh.vertices(f)) {
              rough.set(v);
            }
          });
    }

    boolean holds(Mesh mesh, int f) {
      return Arrays.stream(mesh.vertices(f)).anyMatch(held::get);
    }

    private static boolean isOdd(Subject subject, int f) {
      return !subject.shapes().hasFront(f) || isUneven(subject, f);
    }
  }

  private static boolean isRough(Mesh mesh, Ground ground, int f) {
    int c = mesh.firstCorner(f);
    for (int i = mesh.size(f); i > 0; i--) {
      if (ground.rough.get(mesh.vertexOf(c))) {
        return true;
      }
      c = mesh.next(c);
    }
    return false;
  }

  private static boolean isWild(Subject subject, Ground ground, int f) {
    Mesh mesh = subject.mesh();
    if (!mesh.hasFace(f) || !subject.shapes().hasFront(f) || !isRough(mesh, ground, f)) {
      return false;
    }
    Vec3 front = subject.shapes().newell(f);
    boolean wild = false;
    for (int v : mesh.vertices(f)) {
      wild |= subject.topology().valence(v) > HUB;
      for (int g : wild ? new int[0] : mesh.facesAt(v)) {
        wild |= !(front.angleTo(subject.shapes().newell(g)) < TAME) || isUneven(subject, g);
      }
    }
    return wild;
  }

  /** Notched or twisted, so that its front tells little of what comes of it. */
  private static boolean isUneven(Subject subject, int f) {
    return subject.shapes().turnBack(f) > 0.1 || subject.shapes().warp(f) > TAME;
  }

  private static List<Finding> subdivided(Subject subject, Ground ground, List<Integer> wild) {
    BitSet corners = new BitSet();
    for (int f : wild) {
      for (int v : subject.mesh().vertices(f)) {
        corners.set(v);
      }
    }
    Excerpt excerpt = new Excerpt(subject.mesh(), corners);
    Refined twice = CatmullClark.refined(excerpt.mesh(), 2);
    double most = subject.threshold(Threshold.PINCH);
    List<Finding> found = new ArrayList<>();
    for (int f : wild) {
      double turn = turnOf(excerpt.faceOf(f), subject.shapes().newell(f), twice);
      if (turn
          > (ground.holds(subject.mesh(), f) ? Math.max(most, SupportFinding.Pinch.FOLD) : most)) {
        found.add(finding(subject, f, turn));
      }
    }
    return found;
  }

  private static double turnOf(int own, Vec3 front, Refined twice) {
    double largest = 0;
    if (own == Mesh.NONE) {
      return largest;
    }
    for (int q = twice.firstQuad(own); q < twice.firstQuad(own + 1); q++) {
      Vec3 newell = newell(twice, q);
      double turn = newell.length() > 0 ? newell.angleTo(front) : 0;
      largest = Math.max(largest, turn);
    }
    return largest;
  }

  private static Vec3 newell(Refined refined, int quad) {
    Vec3 first = refined.position(refined.vertex(quad, 0));
    Vec3 across = refined.position(refined.vertex(quad, 2)).minus(first);
    Vec3 next = refined.position(refined.vertex(quad, 1)).minus(first);
    Vec3 last = refined.position(refined.vertex(quad, 3)).minus(first);
    return next.cross(across).plus(across.cross(last));
  }

  private static Finding finding(Subject subject, int f, double turn) {
    return new SupportFinding.Pinch(Where.atFace(subject.mesh(), f), turn);
  }
}
