package fairedge.core.inspect;

import fairedge.core.flow.FlowTally;
import fairedge.core.flow.Parts;
import fairedge.core.flow.Topology;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Distribution;
import fairedge.core.survey.FaceFigures;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Sums;
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
 * @param concaveCorners corners of faces that turn back, by 0.1 to 179.9 degrees
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
    int concaveCorners,
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
   * @param endsAtPoles how many open ends lie at poles of which valence; rings end at none
   * @param lengths how many have which length
   * @param shareComplete the share of edges of faces that lie in complete ones
   */
  public record FlowFigures(
      int count,
      int closed,
      int complete,
      Map<String, Integer> ends,
      Map<Integer, Integer> endsAtPoles,
      Map<Integer, Integer> lengths,
      double shareComplete) {}

  /** How large the mesh is, and nothing of what is wrong with it. */
  public Figures ofSize() {
    FlowFigures none = new FlowFigures(0, 0, 0, Map.of(), Map.of(), Map.of(), 0);
    Distribution nothing = new Distribution(0, 0, 0, 0, List.of(), List.of());
    return new Figures(
        vertices, edges, faces, corners, 0, 0, 0, Map.of(), 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0,
        null, 0, Map.of(), Map.of(), 0, 0, 0, area, volume, List.of(), none, none, nothing, nothing,
        nothing);
  }

  /** Cost: what {@link Sums} keeps apart, the parts, and one look at sets of edges. */
  static Figures of(Subject subject) {
    Mesh mesh = subject.mesh();
    Topology topology = subject.topology();
    FaceFigures faces = subject.shapes().figures();
    int triangles = faces.bySides().getOrDefault(3, 0);
    int quads = faces.bySides().getOrDefault(4, 0);
    int edgesOfFaces = mesh.edgeCount() - topology.edgesWith(0);
    List<Parts.Part> parts = subject.partList();
    boolean crowded = topology.edgesWith(3) > 0;
    boolean closed = parts.stream().allMatch(Parts.Part::closed);
    int inFaces = mesh.vertexCount() - topology.apartCount();
    return new Figures(
        mesh.vertexCount(),
        mesh.edgeCount(),
        mesh.faceCount(),
        faces.corners(),
        triangles,
        quads,
        mesh.faceCount() - triangles - quads,
        faces.bySides(),
        topology.edgesWith(1),
        subject.borders().loops().size(),
        subject.borders().irregular().size(),
        topology.edgesWith(3),
        topology.inconsistentCount(),
        topology.edgesWith(0),
        lone(subject),
        topology.bowTieCount(),
        parts.size(),
        subject.parts().countByVertices(),
        inFaces - edgesOfFaces + mesh.faceCount(),
        mesh.vertexCount() - mesh.edgeCount() + mesh.faceCount(),
        crowded ? null : parts.stream().mapToInt(Parts.Part::genus).sum(),
        subject.orientation().toTurn().cardinality(),
        topology.innerValences(),
        topology.borderValences(),
        poles(topology),
        faces.slivers(),
        faces.concaveCorners(),
        faces.area(),
        closed ? parts.stream().mapToDouble(p -> subject.volumes().of(p.number())).sum() : null,
        parts.stream().limit(PARTS_LISTED).map(part -> part(subject, part)).toList(),
        flow(subject.rings().tally(), edgesOfFaces),
        flow(subject.loops().tally(), edgesOfFaces),
        faces.angles(),
        faces.aspect(),
        faces.warp());
  }

  private static int lone(Subject subject) {
    return subject.topology().apartCount() == 0
        ? 0
        : (int)
            subject.topology().verticesApart().stream()
                .filter(v -> subject.mesh().edgeAt(v) == Mesh.NONE)
                .count();
  }

  private static int poles(Topology topology) {
    return topology.innerValences().entrySet().stream()
        .filter(e -> e.getKey() != 4)
        .mapToInt(Map.Entry::getValue)
        .sum();
  }

  private static PartFigures part(Subject subject, Parts.Part part) {
    return new PartFigures(
        part.faces(),
        part.euler(),
        part.borderLoops(),
        part.closed(),
        part.orientable(),
        part.crowded() ? null : part.genus(),
        part.closed() ? subject.volumes().of(part.number()) : null);
  }

  private static FlowFigures flow(FlowTally tally, int edgesOfFaces) {
    Map<String, Integer> ends = new TreeMap<>();
    tally.ends().forEach((cause, count) -> ends.put(cause.toLowerCase(Locale.ROOT), count));
    return new FlowFigures(
        tally.count(),
        tally.closed(),
        tally.complete(),
        ends,
        tally.poles(),
        tally.lengths(),
        edgesOfFaces == 0 ? 0 : (double) tally.edgesInComplete() / edgesOfFaces);
  }
}
