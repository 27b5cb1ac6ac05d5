package fairedge.core.inspect.vertices;

import fairedge.core.flow.Topology;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.VerticesFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.SegmentGrid;
import fairedge.core.near.VertexGrid;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.Nearby;
import fairedge.core.survey.Pairs;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.function.Consumer;
import java.util.function.LongConsumer;
import java.util.stream.LongStream;

/**
 * {@code touching}, a T-junction: a vertex in a face, and an edge of a face that it is no end of,
 *
 * <ol>
 *   <li>whose distance to the edge is the weld distance or less;
 *   <li>and which is farther than that from both its ends (else it is a {@code double}).
 * </ol>
 *
 * One finding a vertex and edge; of a vertex that touches more than {@value #EDGES} edges, the
 * first so many by id. Cost: the edges, and for each vertex what lies in its cells ({@link
 * SegmentGrid}).
 */
public final class TouchingFinder implements Finder {
  private static final int EDGES = 4;

  /** With more pairs than these, all are looked for anew after a step. */
  private static final int MOST_KEPT = 100_000;

  @Override
  public List<Finding> find(Subject subject) {
    return findings(subject, all(subject));
  }

  @Override
  public List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    Pairs known = anew.nearby().known().touching;
    return findings(subject, known == null ? all(subject) : renewed(subject, anew.nearby(), known));
  }

  /** All vertices and edges that touch. */
  public static Pairs all(Subject subject) {
    Mesh mesh = subject.mesh();
    VertexGrid vertices = subject.vertexGrid();
    if (vertices.isCrowded()) {
      return allCrowded(subject);
    }
    return Pairs.of(
        Blocks.search(
                mesh.edgeEnd(),
                (int from, int to, Consumer<Long> found) -> ask(subject, vertices, from, to, found))
            .stream()
            .mapToLong(Long::longValue));
  }

  /** The vertices that edges are touched by. */
  private static void ask(
      Subject subject, VertexGrid vertices, int from, int to, Consumer<Long> found) {
    VertexGrid.Asker asker =
        vertices.asker(
            subject.weld(),
            (e, v) -> {
              if (touches(subject, v, e)) {
                found.accept(Pairs.pair(v, e));
              }
            });
    for (int e = from; e < to; e++) {
      if (subject.topology().uses(e) > 0) {
        asker.aboutEdge(e);
      }
    }
  }

  private static boolean touches(Subject subject, int v, int e) {
    Mesh mesh = subject.mesh();
    Vec3 at = mesh.position(v);
    Vec3 first = mesh.position(mesh.first(e));
    Vec3 second = mesh.position(mesh.second(e));
    return subject.topology().valence(v) > 0
        && at.distanceToSegment(first, second) <= subject.weld()
        && at.distance(first) > subject.weld()
        && at.distance(second) > subject.weld();
  }

  /** The same where very many lie in one place. */
  private static Pairs allCrowded(Subject subject) {
    Mesh mesh = subject.mesh();
    SegmentGrid grid = new SegmentGrid(mesh, e -> subject.topology().uses(e) > 0, subject.weld());
    grid.beAskedAbout(
        mesh.vertexEnd(), v -> mesh.hasVertex(v) && mesh.hasPlace(v) ? mesh.position(v) : null);
    subject.leaveOut(
        Kind.TOUCHING.key(),
        grid.looksPast(),
        "So many edges lie in one place that not all of them were looked at: vertices may touch"
            + " more of them.");
    return Pairs.of(
        Blocks.collect(
                mesh.vertexEnd(),
                (int v, Consumer<Long> found) -> ask(subject, grid, v, found::accept))
            .stream()
            .mapToLong(Long::longValue));
  }

  /** Touched vertices are asked about all edges near, and vertices near about touched edges. */
  private static Pairs renewed(Subject subject, Nearby nearby, Pairs before) {
    Mesh mesh = subject.mesh();
    Topology topology = subject.topology();
    IdSet vertices = nearby.vertices();
    IdSet edges = nearby.edges();
    int[] sides = Arrays.stream(nearby.edgesNear(mesh)).filter(e -> topology.uses(e) > 0).toArray();
    SegmentGrid grid = new SegmentGrid(mesh, sides, subject.weld());
    LongStream.Builder anew = LongStream.builder();
    Arrays.stream(nearby.verticesNear(mesh))
        .forEach(v ->
            ask(
                subject,
                grid,
                v,
                pair -> {
                  if (vertices.has(v) || edges.has(Pairs.second(pair))) {
                    anew.add(pair);
                  }
                }));
    return before.renewed(
        pair ->
            !vertices.has(Pairs.first(pair))
                && !edges.has(Pairs.second(pair))
                && mesh.hasVertex(Pairs.first(pair))
                && mesh.hasEdge(Pairs.second(pair))
                && topology.valence(Pairs.first(pair)) > 0
                && topology.uses(Pairs.second(pair)) > 0,
        anew.build());
  }

  /** The first edges that a vertex touches. */
  private static void ask(Subject subject, SegmentGrid grid, int v, LongConsumer found) {
    Mesh mesh = subject.mesh();
    if (!mesh.hasVertex(v) || subject.topology().valence(v) == 0 || !mesh.hasPlace(v)) {
      return;
    }
    double weld = subject.weld();
    Vec3 at = mesh.position(v);
    grid.nearBut(
        v,
        at,
        weld,
        e -> {
          if (at.distance(mesh.position(mesh.first(e))) > weld
              && at.distance(mesh.position(mesh.second(e))) > weld) {
            found.accept(Pairs.pair(v, e));
          }
        });
  }

  private static List<Finding> findings(Subject subject, Pairs pairs) {
    subject.gathered().touching = pairs.count() > MOST_KEPT ? null : pairs;
    Mesh mesh = subject.mesh();
    List<Finding> found = new ArrayList<>();
    int[] last = {Mesh.NONE, 0};
    pairs.stream()
        .forEach(pair -> {
          int v = Pairs.first(pair);
          last[1] = v == last[0] ? last[1] + 1 : 1;
          last[0] = v;
          if (last[1] <= EDGES) {
            found.add(finding(mesh, v, Pairs.second(pair)));
          }
        });
    return found;
  }

  private static Finding finding(Mesh mesh, int v, int e) {
    Vec3 at = mesh.position(v);
    double distance =
        at.distanceToSegment(mesh.position(mesh.first(e)), mesh.position(mesh.second(e)));
    return new VerticesFinding.Touching(
        new Where(
            List.of(Element.vertex(v), Element.edge(e)),
            mesh.position(v),
            Places.meanEdge(mesh, mesh.facesOn(e))),
        distance);
  }
}
