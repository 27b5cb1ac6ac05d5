package fairedge.core.inspect.sides;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.PairMatching;
import fairedge.core.survey.Places;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.IntStream;

/**
 * {@code all-triangles}: over nine tenths of the faces are triangles, and the starter, where there
 * is one, has none: one finding for the whole mesh instead of the following.
 *
 * <p>{@code triangle}, the first form that fits:
 *
 * <ol>
 *   <li><b>fan</b>: the triangles at a vertex that has 3 or more faces, all triangles, while every
 *       vertex round it also has a face that is none, or lies on a border. Vertices are taken by
 *       id; a triangle belongs to the first fan. One finding a fan;
 *   <li><b>pair</b>: two triangles on both sides of one two-sided edge, wound alike, whose normals
 *       differ by the profile's angle (20 degrees) or less and whose union is a convex quad without
 *       a straight corner (one that turns by 1 degree or less: a quad of them would be told as
 *       {@code flat-corner}). As many pairs as possible, then the squarest: the least sum, over the
 *       corners of the quads, of what they are off 90 degrees; where over {@value
 *       PairMatching#EXACT} triangles hang together, so square that no exchange of up to {@value
 *       PairMatching#EXCHANGED} pairs for as many others makes it less. One finding a pair;
 *   <li><b>stray</b>: every other triangle.
 * </ol>
 *
 * Cost: the triangles, and {@link PairMatching}; after a change those that hang together with what
 * is looked at anew.
 */
public final class TriangleFinder implements Finder {
  /** More than this share of triangles is one finding for the whole mesh. */
  private static final double NEARLY_ALL = 0.9;

  @Override
  public List<Finding> find(Subject subject) {
    BitSet free = subject.otherThanQuads().triangles();
    return isNearlyAll(subject) ? List.of(allTriangles(subject, free)) : found(subject, free);
  }

  private static boolean isNearlyAll(Subject subject) {
    Starter starter = subject.starter();
    boolean expected = starter != null && starter.hasTriangles();
    return !expected
        && subject.otherThanQuads().triangleCount() > NEARLY_ALL * subject.mesh().faceCount();
  }

  /** What is told of triangles depends on those that hang together with them by vertices. */
  @Override
  public List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    if (isNearlyAll(subject) || before.stream().anyMatch(f -> f.rule() == Rule.ALL_TRIANGLES)) {
      return find(subject);
    }
    IdSet group = grown(subject, anew.faces());
    List<Finding> kept = new ArrayList<>();
    for (Finding finding : before) {
      if (isUntouched(finding, group, anew)) {
        kept.add(finding);
      }
    }
    if (group.count() > 0) {
      BitSet free = new BitSet();
      Arrays.stream(group.sorted()).forEach(free::set);
      kept.addAll(found(subject, free));
      kept.sort(
          Comparator.comparing((Finding finding) -> ((SidesFinding.Triangle) finding).form())
              .thenComparingInt(finding -> finding.elements().getFirst().id()));
    }
    return kept;
  }

  private static boolean isUntouched(Finding finding, IdSet group, Anew anew) {
    for (int f : ((SidesFinding.Triangle) finding).faces()) {
      if (group.has(f) || anew.has(Element.Kind.FACE, f)) {
        return false;
      }
    }
    return true;
  }

  /** The triangles among some faces, and all that hang together with them by vertices. */
  private static IdSet grown(Subject subject, int[] faces) {
    Mesh mesh = subject.mesh();
    IdSet group = new IdSet();
    IdSet reached = new IdSet();
    int[] queue = Arrays.stream(faces).filter(subject.otherThanQuads()::isTriangle).toArray();
    group.addAll(queue);
    while (queue.length > 0) {
      IntStream.Builder next = IntStream.builder();
      for (int f : queue) {
        for (int v : mesh.vertices(f)) {
          for (int g : reached.add(v) ? mesh.facesAt(v) : new int[0]) {
            if (subject.otherThanQuads().isTriangle(g) && group.add(g)) {
              next.add(g);
            }
          }
        }
      }
      queue = next.build().toArray();
    }
    return group;
  }

  /**
   * @param free triangles, and all that hang together with them; all are taken
   */
  private static List<Finding> found(Subject subject, BitSet free) {
    List<Finding> found = new ArrayList<>();
    if (!free.isEmpty()) {
      findFans(subject, free, found);
      findPairs(subject, free, found);
      free.stream().forEach(f -> found.add(stray(subject.mesh(), f)));
    }
    return found;
  }

  private static void findFans(Subject subject, BitSet free, List<Finding> found) {
    Mesh mesh = subject.mesh();
    BitSet centres = new BitSet();
    free.stream()
        .forEach(f -> {
          for (int v : mesh.vertices(f)) {
            centres.set(v);
          }
        });
    Surroundings around = Surroundings.of(subject, centres);
    centres.stream()
        .filter(v -> around.makeFanOf(mesh, v))
        .forEach(v -> {
          List<Integer> faces = new ArrayList<>();
          for (int f : mesh.facesAt(v)) {
            if (free.get(f)) {
              faces.add(f);
            }
          }
          if (faces.size() >= 3) {
            faces.forEach(free::clear);
            if (!isCovered(subject, v)) {
              found.add(fan(mesh, v, faces));
            }
          }
        });
  }

  /** Whether the exercise says that something will cover the end whose middle this is. */
  private static boolean isCovered(Subject subject, int v) {
    Mesh mesh = subject.mesh();
    return mesh.hasPlace(v)
        && subject.wanted().coveredEnds().stream()
            .anyMatch(end -> end.distance(mesh.position(v)) <= subject.toleranceHere().samePlace());
  }

  /**
   * @param others vertices of faces that are no triangles
   * @param ends vertices on borders
   */
  private record Surroundings(BitSet others, BitSet ends) {
    /** Of some vertices. */
    static Surroundings of(Subject subject, BitSet vertices) {
      Mesh mesh = subject.mesh();
      Surroundings around = new Surroundings(new BitSet(), new BitSet());
      vertices.stream()
          .forEach(v -> {
            int start = mesh.edgeAt(v);
            int e = start;
            do {
              if (subject.topology().uses(e) == 1) {
                around.ends.set(v);
              }
              if (hasOther(mesh, e)) {
                around.others.set(v);
              }
              e = mesh.nextEdgeAt(v, e);
            } while (e != start);
          });
      return around;
    }

    /** Whether a face that is no triangle has a side on an edge. */
    private static boolean hasOther(Mesh mesh, int e) {
      int start = mesh.cornerOn(e);
      for (int c = start; c != Mesh.NONE; ) {
        if (mesh.size(mesh.faceOf(c)) != 3) {
          return true;
        }
        c = mesh.nextOnEdge(c) == start ? Mesh.NONE : mesh.nextOnEdge(c);
      }
      return false;
    }

    /** Whether all faces at v are triangles, 3 or more, and all round it something else begins. */
    boolean makeFanOf(Mesh mesh, int v) {
      if (others.get(v)) {
        return false;
      }
      for (int e : mesh.edgesAt(v)) {
        int w = mesh.otherEnd(e, v);
        if (mesh.cornerOn(e) != Mesh.NONE && !others.get(w) && !ends.get(w)) {
          return false;
        }
      }
      return mesh.facesAt(v).length >= 3;
    }
  }

  private static Finding allTriangles(Subject subject, BitSet triangles) {
    Mesh mesh = subject.mesh();
    int first = triangles.nextSetBit(0);
    int pairs = PairMatching.most(candidates(subject, triangles));
    return new SidesFinding.AllTriangles(
        Where.atFace(mesh, first).asWhole(), triangles.cardinality(), mesh.faceCount(), pairs);
  }

  private static void findPairs(Subject subject, BitSet free, List<Finding> found) {
    Mesh mesh = subject.mesh();
    for (PairMatching.Candidate pair : PairMatching.best(candidates(subject, free))) {
      free.clear(pair.face());
      free.clear(pair.other());
      found.add(pair(mesh, pair));
    }
  }

  /** Pairs of triangles that would be told as such, among some. */
  public static List<PairMatching.Candidate> candidates(Subject subject, BitSet free) {
    Mesh mesh = subject.mesh();
    BitSet sides = new BitSet();
    free.stream()
        .forEach(f -> {
          int c = mesh.firstCorner(f);
          for (int i = mesh.size(f); i > 0; i--) {
            sides.set(mesh.edgeOf(c));
            c = mesh.next(c);
          }
        });
    int[] edges = sides.stream().filter(e -> subject.topology().uses(e) == 2).toArray();
    return Blocks.collect(
        edges.length,
        (int i, Consumer<PairMatching.Candidate> found) ->
            addCandidate(subject, edges[i], free, found));
  }

  private static void addCandidate(
      Subject subject, int e, BitSet free, Consumer<PairMatching.Candidate> found) {
    Mesh mesh = subject.mesh();
    int c = mesh.firstSideOn(e);
    int d = mesh.nextOnEdge(c);
    int f = mesh.faceOf(c);
    int g = mesh.faceOf(d);
    if (f == g || !free.get(f) || !free.get(g) || mesh.vertexOf(c) == mesh.vertexOf(d)) {
      return;
    }
    int apex = mesh.vertexOf(mesh.previous(c));
    int otherApex = mesh.vertexOf(mesh.previous(d));
    if (apex == otherApex || !mesh.isMeasurable(f) || !mesh.isMeasurable(g)) {
      return;
    }
    Polygon quad =
        new Polygon(
            new Vec3[] {
              mesh.position(apex),
              mesh.position(mesh.vertexOf(c)),
              mesh.position(otherApex),
              mesh.position(mesh.vertexOf(d))
            });
    double bend = mesh.polygon(f).newell().angleTo(mesh.polygon(g).newell());
    if (bend <= subject.threshold(Threshold.PAIR_BEND)
        && quad.turnsLeftEverywhere(subject.threshold(Threshold.STRAIGHT))) {
      found.accept(new PairMatching.Candidate(Math.min(f, g), Math.max(f, g), e, offSquare(quad)));
    }
  }

  private static double offSquare(Polygon quad) {
    double sum = 0;
    for (int i = 0; i < 4; i++) {
      sum += Math.abs(quad.angleAt(i) - 90);
    }
    return sum;
  }

  private static Finding fan(Mesh mesh, int centre, List<Integer> faces) {
    int[] ids = faces.stream().mapToInt(Integer::intValue).toArray();
    Vec3 place = mesh.hasPlace(centre) ? mesh.position(centre) : Places.onFace(mesh, ids[0]);
    List<Element> marked = new ArrayList<>(List.of(Element.vertex(centre)));
    faces.forEach(f -> marked.add(Element.face(f)));
    return new SidesFinding.Triangle(
        new Where(List.copyOf(marked), place, Places.meanEdge(mesh, ids)),
        SidesFinding.Triangle.Form.FAN,
        faces);
  }

  private static Finding pair(Mesh mesh, PairMatching.Candidate pair) {
    return new SidesFinding.Triangle(
        new Where(
            List.of(
                Element.face(pair.face()), Element.face(pair.other()), Element.edge(pair.edge())),
            mesh.along(pair.edge(), 0.5),
            Places.meanEdge(mesh, pair.face(), pair.other())),
        SidesFinding.Triangle.Form.PAIR,
        List.of(pair.face(), pair.other()));
  }

  private static Finding stray(Mesh mesh, int f) {
    return new SidesFinding.Triangle(
        Where.atFace(mesh, f), SidesFinding.Triangle.Form.STRAY, List.of(f));
  }
}
