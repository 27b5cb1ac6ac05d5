package fairedge.core.step;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Journal;
import fairedge.core.local.LocalChange;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Chosen;
import fairedge.core.work.CutPiece;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * What became of the elements, so that marks, notes and what is chosen move along with a change. An
 * element that is not named is kept as it was.
 *
 * @param newVertices ids made
 * @param splitEdges edges that were there before, each with all edges it became and that are left
 * @param newEdges edges made in faces
 * @param splitFaces faces that were there before, each with all faces it became and that are left
 * @param newFaces faces made that came of no face
 * @param movedVertices vertices that were there and lie elsewhere
 * @param reshapedFaces faces that run over other vertices
 * @param namedFaces faces that belong to a part of another name
 * @param goneVertices ids freed
 * @param goneEdges ids freed
 * @param joinedEdges of those, edges that went into another when a vertex between them went
 * @param goneFaces ids freed
 * @param usedVertices how many vertices that were there the cut ends on
 * @param chosen what comes back as chosen
 */
public record Receipt(
    List<Integer> newVertices,
    List<Split> splitEdges,
    List<Integer> newEdges,
    List<FaceSplit> splitFaces,
    List<Integer> newFaces,
    List<Integer> movedVertices,
    List<Integer> reshapedFaces,
    List<Integer> namedFaces,
    List<Integer> goneVertices,
    List<Integer> goneEdges,
    List<Integer> joinedEdges,
    List<Integer> goneFaces,
    int usedVertices,
    List<CutPiece> pieces,
    List<Remark> remarks,
    Chosen chosen) {

  /** What one edge became, itself among it if it is left. */
  public record Split(int from, List<Integer> into) {}

  /** What one face became, itself among it if it is left, and how many sides it had before. */
  public record FaceSplit(int from, int sides, List<Integer> into) {}

  public boolean changesNothing() {
    return newVertices.isEmpty()
        && newEdges.isEmpty()
        && newFaces.isEmpty()
        && movedVertices.isEmpty()
        && reshapedFaces.isEmpty()
        && namedFaces.isEmpty()
        && goneVertices.isEmpty()
        && goneEdges.isEmpty()
        && goneFaces.isEmpty();
  }

  /**
   * The edges of the line that was cut: those that were made in faces, and those along which it
   * ran. Cost: the line, and a look at all vertices.
   *
   * @param mesh as the change left it
   */
  public List<Integer> line(Mesh mesh) {
    Map<Vec3, Integer> at = new HashMap<>();
    for (CutPiece piece : pieces) {
      piece.points().forEach(p -> at.put(p.at(), Mesh.NONE));
    }
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && at.containsKey(mesh.position(v))) {
        at.put(mesh.position(v), v);
      }
    }
    TreeSet<Integer> line = new TreeSet<>(newEdges);
    for (CutPiece piece : pieces) {
      int from = 0;
      for (int length : piece.stretches()) {
        for (int i = from + 1; i < from + length; i++) {
          int a = at.getOrDefault(piece.points().get(i - 1).at(), Mesh.NONE);
          int b = at.getOrDefault(piece.points().get(i).at(), Mesh.NONE);
          int e = a == Mesh.NONE || b == Mesh.NONE ? Mesh.NONE : mesh.findEdge(a, b);
          if (e != Mesh.NONE) {
            line.add(e);
          }
        }
        from += length;
      }
    }
    return List.copyOf(line);
  }

  static Receipt of(Journal journal, Done result) {
    Tally tally = new Tally();
    journal.changes().forEach(tally::add);
    return tally.receipt(result, journal);
  }

  /** Follows elements from what was there before the change to what there is after it. */
  private static final class Tally {
    private final BitSet newVertices = new BitSet();
    private final Map<Integer, Integer> edgeWhole = new HashMap<>();
    private final Map<Integer, Integer> faceWhole = new HashMap<>();
    private final BitSet newEdges = new BitSet();
    private final BitSet newFaces = new BitSet();
    private final BitSet movedVertices = new BitSet();
    private final BitSet reshapedFaces = new BitSet();
    private final BitSet namedFaces = new BitSet();
    private final BitSet goneVertices = new BitSet();
    private final BitSet goneEdges = new BitSet();
    private final BitSet joinedEdges = new BitSet();
    private final BitSet goneFaces = new BitSet();

    void add(LocalChange change) {
      switch (change) {
        case LocalChange.EdgeSplit s -> splitEdge(s);
        case LocalChange.FaceSplit s -> splitFace(s);
        case LocalChange.EdgeJoined j -> {
          free(j.vertex(), newVertices, goneVertices);
          freeEdge(j.goneEdge());
          if (goneEdges.get(j.goneEdge())) {
            joinedEdges.set(j.goneEdge());
          }
        }
        case LocalChange.FacesJoined j -> {
          freeEdge(j.edge());
          freeFace(j.goneFace());
        }
        case LocalChange.VertexMade m -> newVertices.set(m.vertex());
        case LocalChange.VertexRemoved r -> free(r.vertex(), newVertices, goneVertices);
        case LocalChange.VertexMoved m -> noteUnlessNew(m.vertex(), newVertices, movedVertices);
        case LocalChange.EdgeMade m -> newEdges.set(m.edge());
        case LocalChange.EdgeRemoved r -> freeEdge(r.edge());
        case LocalChange.FaceMade m -> newFaces.set(m.face());
        case LocalChange.FaceRemoved r -> freeFace(r.face());
        case LocalChange.FaceReshaped r -> noteUnlessNew(r.face(), newFaces, reshapedFaces);
        case LocalChange.FaceLabelled l -> noteUnlessNew(l.face(), newFaces, namedFaces);
      }
    }

    private void splitEdge(LocalChange.EdgeSplit s) {
      newVertices.set(s.vertex());
      if (newEdges.get(s.edge())) {
        newEdges.set(s.newEdge());
      } else {
        edgeWhole.put(s.newEdge(), edgeWhole.getOrDefault(s.edge(), s.edge()));
      }
    }

    private void splitFace(LocalChange.FaceSplit s) {
      for (int e : s.edges()) {
        newEdges.set(e);
      }
      for (int v : s.vertices()) {
        newVertices.set(v);
      }
      faceWhole.put(s.newFace(), faceWhole.getOrDefault(s.face(), s.face()));
    }

    private static void noteUnlessNew(int id, BitSet made, BitSet altered) {
      if (!made.get(id)) {
        altered.set(id);
      }
    }

    private void freeFace(int f) {
      reshapedFaces.clear(f);
      namedFaces.clear(f);
      if (faceWhole.remove(f) == null) {
        free(f, newFaces, goneFaces);
      }
    }

    private void freeEdge(int e) {
      if (edgeWhole.remove(e) == null) {
        free(e, newEdges, goneEdges);
      }
    }

    private static void free(int id, BitSet made, BitSet gone) {
      if (made.get(id)) {
        made.clear(id);
      } else {
        gone.set(id);
      }
    }

    Receipt receipt(Done result, Journal journal) {
      // What was moved and then taken out lies nowhere.
      movedVertices.andNot(goneVertices);
      return new Receipt(
          ids(newVertices),
          splits(edgeWhole, goneEdges),
          ids(newEdges),
          splits(faceWhole, goneFaces).stream()
              .map(s -> new FaceSplit(s.from(), journal.sidesBefore(s.from()), s.into()))
              .toList(),
          ids(newFaces),
          ids(movedVertices),
          ids(reshapedFaces),
          ids(namedFaces),
          ids(goneVertices),
          ids(goneEdges),
          ids(joinedEdges),
          ids(goneFaces),
          result.usedVertices(),
          result.pieces(),
          result.remarks(),
          result.chosen());
    }

    private static List<Integer> ids(BitSet set) {
      return set.stream().boxed().toList();
    }

    /** Of what was split, all parts that are left. */
    private static List<Split> splits(Map<Integer, Integer> wholes, BitSet gone) {
      Map<Integer, List<Integer>> byWhole = new TreeMap<>();
      new TreeMap<>(wholes)
          .forEach((part, whole) ->
              byWhole
                  .computeIfAbsent(
                      whole, w -> new ArrayList<>(gone.get(w) ? List.of() : List.of(w)))
                  .add(part));
      return byWhole.entrySet().stream()
          .map(e -> new Split(e.getKey(), List.copyOf(e.getValue())))
          .toList();
    }
  }
}
