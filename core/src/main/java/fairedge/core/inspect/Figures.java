package fairedge.core.inspect;

import fairedge.core.flow.EdgeLoops;
import fairedge.core.flow.Parts;
import fairedge.core.flow.Rings;
import fairedge.core.flow.Stop;
import fairedge.core.flow.Topology;
import fairedge.core.mesh.Mesh;
import java.util.BitSet;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * Counts and distributions of the whole mesh.
 *
 * @param edges of faces and loose ones
 * @param bySides how many faces have how many sides
 * @param loneVertices vertices at no edge
 * @param bowTies vertices with more than one fan
 * @param partsByVertices parts where a shared vertex joins too
 * @param euler vertices in faces, less edges of faces, plus faces
 * @param eulerOfAll the same with loose edges and lone vertices
 * @param genus the sum over the parts; null where an edge is crowded
 * @param facesToFlip the smallest number of faces to turn for consistency
 * @param innerValences how many inner vertices have how many edges
 * @param poles inner vertices whose valence is not 4
 * @param slivers faces whose slenderness is under the profile's number (0.02)
 * @param area of the faces that can be measured
 * @param volume null where a part is not closed
 * @param partList the first {@value #PARTS_LISTED} parts, by their lowest face
 * @param cornerAngles inside corners, degrees, 0 to 360
 * @param aspect of quads
 * @param warp of faces with 4 and more sides, degrees
 */
public record Figures(
    int vertices,
    int edges,
    int faces,
    int corners,
    int triangles,
    int quads,
    int ngons,
    Map<Integer, Integer> bySides,
    int borderEdges,
    int borderLoops,
    int irregularBorders,
    int crowdedEdges,
    int inconsistentEdges,
    int looseEdges,
    int loneVertices,
    int bowTies,
    int parts,
    int partsByVertices,
    int euler,
    int eulerOfAll,
    @Nullable Integer genus,
    int facesToFlip,
    Map<Integer, Integer> innerValences,
    Map<Integer, Integer> borderValences,
    int poles,
    int slivers,
    double area,
    @Nullable Double volume,
    List<PartFigures> partList,
    FlowFigures rings,
    FlowFigures loops,
    Distribution cornerAngles,
    Distribution aspect,
    Distribution warp) {
  static final int PARTS_LISTED = 1000;

  /**
   * One part.
   *
   * @param genus null where an edge is crowded
   * @param volume null where it is not closed
   */
  public record PartFigures(
      int faces,
      int euler,
      int borderLoops,
      boolean closed,
      boolean orientable,
      @Nullable Integer genus,
      @Nullable Double volume) {}

  /**
   * Rings or loops.
   *
   * @param ends how many open ends have which cause
   * @param lengths how many have which length
   * @param shareComplete the share of edges of faces that lie in complete ones
   */
  public record FlowFigures(
      int count,
      int closed,
      int complete,
      Map<String, Integer> ends,
      Map<Integer, Integer> lengths,
      double shareComplete) {}

  static Figures of(Subject subject) {
    return new Count(subject).figures();
  }

  /** One pass over faces, edges and vertices each. */
  private static final class Count {
    private final Subject subject;
    private final Mesh mesh;
    private final Topology topology;
    private final Map<Integer, Integer> bySides = new TreeMap<>();
    private final Map<Integer, Integer> inner = new TreeMap<>();
    private final Map<Integer, Integer> border = new TreeMap<>();
    private final Distribution.Gathering aspect =
        new Distribution.Gathering(1, 1.25, 1.5, 2, 3, 4, 6, 8, 16);
    private final Distribution.Gathering warp = Distribution.Gathering.steps(5, 18);
    private final int[] uses = new int[4];
    private int corners;
    private double area;
    private int inFaces;
    private int lone;
    private int bowTies;
    private int poles;
    private int slivers;

    Count(Subject subject) {
      this.subject = subject;
      this.mesh = subject.mesh();
      this.topology = subject.topology();
      for (int f = 0; f < mesh.faceEnd(); f++) {
        if (mesh.hasFace(f)) {
          addFace(f);
        }
      }
      for (int e = 0; e < mesh.edgeEnd(); e++) {
        if (mesh.hasEdge(e)) {
          uses[topology.uses(e)]++;
        }
      }
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        if (mesh.hasVertex(v)) {
          addVertex(v);
        }
      }
    }

    private void addFace(int f) {
      int n = mesh.size(f);
      bySides.merge(n, 1, Integer::sum);
      corners += n;
      FaceShapes shapes = subject.shapes();
      if (!shapes.isMeasured(f)) {
        return;
      }
      area += shapes.area(f);
      slivers += shapes.slenderness(f) < subject.threshold(Threshold.SLIVER) ? 1 : 0;
      aspect.add(shapes.aspect(f));
      warp.add(shapes.warp(f));
    }

    private void addVertex(int v) {
      lone += mesh.edgeAt(v) == Mesh.NONE ? 1 : 0;
      bowTies += topology.fans(v) > 1 ? 1 : 0;
      poles += topology.isPole(v) ? 1 : 0;
      inFaces += topology.classOf(v) == Topology.VertexClass.APART ? 0 : 1;
      switch (topology.classOf(v)) {
        case INNER -> inner.merge(topology.valence(v), 1, Integer::sum);
        case BORDER -> border.merge(topology.valence(v), 1, Integer::sum);
        case APART, CROWDED -> {}
      }
    }

    Figures figures() {
      int triangles = bySides.getOrDefault(3, 0);
      int quads = bySides.getOrDefault(4, 0);
      int edgesOfFaces = uses[1] + uses[2] + uses[3];
      List<Parts.Part> parts = subject.parts().parts();
      boolean crowded = uses[3] > 0;
      boolean closed = parts.stream().allMatch(Parts.Part::closed);
      return new Figures(
          mesh.vertexCount(),
          mesh.edgeCount(),
          mesh.faceCount(),
          corners,
          triangles,
          quads,
          mesh.faceCount() - triangles - quads,
          bySides,
          uses[1],
          subject.borders().loops().size(),
          subject.borders().irregular().size(),
          uses[3],
          topology.inconsistentEdges().cardinality(),
          uses[0],
          lone,
          bowTies,
          parts.size(),
          subject.parts().byVertices(),
          inFaces - edgesOfFaces + mesh.faceCount(),
          mesh.vertexCount() - mesh.edgeCount() + mesh.faceCount(),
          crowded ? null : parts.stream().mapToInt(Parts.Part::genus).sum(),
          subject.orientation().toTurn().cardinality(),
          inner,
          border,
          poles,
          slivers,
          area,
          closed ? parts.stream().mapToDouble(p -> Volume.of(mesh, p.faces())).sum() : null,
          parts.stream().limit(PARTS_LISTED).map(this::part).toList(),
          rings(edgesOfFaces),
          loops(edgesOfFaces),
          subject.shapes().angles(),
          aspect.distribution(),
          warp.distribution());
    }

    private PartFigures part(Parts.Part part) {
      return new PartFigures(
          part.faces().length,
          part.euler(),
          part.borderLoops(),
          part.closed(),
          part.orientable(),
          part.crowded() ? null : part.genus(),
          part.closed() ? Volume.of(mesh, part.faces()) : null);
    }

    private FlowFigures rings(int edges) {
      Map<String, Integer> ends = new TreeMap<>();
      Map<Integer, Integer> lengths = new TreeMap<>();
      int closed = 0;
      int complete = 0;
      for (Rings.Summary ring : subject.rings().all()) {
        lengths.merge(ring.length(), 1, Integer::sum);
        closed += ring.closed() ? 1 : 0;
        complete += ring.isComplete() ? 1 : 0;
        for (Stop stop : ring.ends()) {
          ends.merge(named(stop.cause()), 1, Integer::sum);
        }
      }
      int count = subject.rings().all().size();
      double share = share(subject.rings().edgesInComplete(), edges);
      return new FlowFigures(count, closed, complete, ends, lengths, share);
    }

    private FlowFigures loops(int edges) {
      Map<String, Integer> ends = new TreeMap<>();
      Map<Integer, Integer> lengths = new TreeMap<>();
      int closed = 0;
      int complete = 0;
      for (EdgeLoops.Summary loop : subject.loops().all()) {
        lengths.merge(loop.length(), 1, Integer::sum);
        closed += loop.closed() ? 1 : 0;
        complete += loop.isComplete() ? 1 : 0;
        for (EdgeLoops.End end : loop.ends()) {
          ends.merge(named(end.cause()), 1, Integer::sum);
        }
      }
      int count = subject.loops().all().size();
      double share = share(subject.loops().edgesInComplete(), edges);
      return new FlowFigures(count, closed, complete, ends, lengths, share);
    }

    private static String named(Enum<?> cause) {
      return cause.name().toLowerCase(Locale.ROOT);
    }

    private static double share(BitSet edges, int of) {
      return of == 0 ? 0 : (double) edges.cardinality() / of;
    }
  }
}
