package fairedge.core.step;

import fairedge.core.cut.CutPiece;
import fairedge.core.cut.CutRemark;
import fairedge.core.cut.CutResult;
import fairedge.core.local.Journal;
import fairedge.core.local.LocalChange;
import java.util.ArrayList;
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
 * @param goneVertices ids freed
 * @param goneEdges ids freed
 * @param joinedEdges of those, edges that went into another when a vertex between them went
 * @param goneFaces ids freed
 * @param usedVertices how many vertices that were there the cut ends on
 * @param chosen faces that come back as chosen
 */
public record Receipt(
    List<Integer> newVertices,
    List<Split> splitEdges,
    List<Integer> newEdges,
    List<FaceSplit> splitFaces,
    List<Integer> newFaces,
    List<Integer> movedVertices,
    List<Integer> reshapedFaces,
    List<Integer> goneVertices,
    List<Integer> goneEdges,
    List<Integer> joinedEdges,
    List<Integer> goneFaces,
    int usedVertices,
    List<CutPiece> pieces,
    List<CutRemark> remarks,
    List<Integer> chosen) {

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
        && goneVertices.isEmpty()
        && goneEdges.isEmpty()
        && goneFaces.isEmpty();
  }

  static Receipt of(Journal journal, CutResult result) {
    Tally tally = new Tally();
    journal.changes().forEach(tally::add);
    return tally.receipt(result, journal);
  }

  /** Follows elements from what was there before the change to what there is after it. */
  private static final class Tally {
    private final TreeSet<Integer> newVertices = new TreeSet<>();
    private final Map<Integer, Integer> edgeWhole = new TreeMap<>();
    private final Map<Integer, Integer> faceWhole = new TreeMap<>();
    private final TreeSet<Integer> newEdges = new TreeSet<>();
    private final TreeSet<Integer> newFaces = new TreeSet<>();
    private final TreeSet<Integer> movedVertices = new TreeSet<>();
    private final TreeSet<Integer> reshapedFaces = new TreeSet<>();
    private final TreeSet<Integer> goneVertices = new TreeSet<>();
    private final TreeSet<Integer> goneEdges = new TreeSet<>();
    private final TreeSet<Integer> joinedEdges = new TreeSet<>();
    private final TreeSet<Integer> goneFaces = new TreeSet<>();

    void add(LocalChange change) {
      switch (change) {
        case LocalChange.EdgeSplit s -> splitEdge(s);
        case LocalChange.FaceSplit s -> splitFace(s);
        case LocalChange.EdgeJoined j -> {
          free(j.vertex(), newVertices, goneVertices);
          freeEdge(j.goneEdge());
          if (goneEdges.contains(j.goneEdge())) {
            joinedEdges.add(j.goneEdge());
          }
        }
        case LocalChange.FacesJoined j -> {
          freeEdge(j.edge());
          freeFace(j.goneFace());
        }
        case LocalChange.VertexMade m -> newVertices.add(m.vertex());
        case LocalChange.VertexRemoved r -> free(r.vertex(), newVertices, goneVertices);
        case LocalChange.VertexMoved m -> noteUnlessNew(m.vertex(), newVertices, movedVertices);
        case LocalChange.EdgeMade m -> newEdges.add(m.edge());
        case LocalChange.EdgeRemoved r -> freeEdge(r.edge());
        case LocalChange.FaceMade m -> newFaces.add(m.face());
        case LocalChange.FaceRemoved r -> freeFace(r.face());
        case LocalChange.FaceReshaped r -> noteUnlessNew(r.face(), newFaces, reshapedFaces);
      }
    }

    private void splitEdge(LocalChange.EdgeSplit s) {
      newVertices.add(s.vertex());
      if (newEdges.contains(s.edge())) {
        newEdges.add(s.newEdge());
      } else {
        edgeWhole.put(s.newEdge(), edgeWhole.getOrDefault(s.edge(), s.edge()));
      }
    }

    private void splitFace(LocalChange.FaceSplit s) {
      for (int e : s.edges()) {
        newEdges.add(e);
      }
      for (int v : s.vertices()) {
        newVertices.add(v);
      }
      faceWhole.put(s.newFace(), faceWhole.getOrDefault(s.face(), s.face()));
    }

    private static void noteUnlessNew(int id, TreeSet<Integer> made, TreeSet<Integer> altered) {
      if (!made.contains(id)) {
        altered.add(id);
      }
    }

    private void freeFace(int f) {
      reshapedFaces.remove(f);
      if (faceWhole.remove(f) == null) {
        free(f, newFaces, goneFaces);
      }
    }

    private void freeEdge(int e) {
      if (edgeWhole.remove(e) == null) {
        free(e, newEdges, goneEdges);
      }
    }

    private static void free(int id, TreeSet<Integer> made, TreeSet<Integer> gone) {
      if (!made.remove(id)) {
        gone.add(id);
      }
    }

    Receipt receipt(CutResult result, Journal journal) {
      return new Receipt(
          List.copyOf(newVertices),
          splits(edgeWhole, goneEdges),
          List.copyOf(newEdges),
          splits(faceWhole, goneFaces).stream()
              .map(s -> new FaceSplit(s.from(), journal.sidesBefore(s.from()), s.into()))
              .toList(),
          List.copyOf(newFaces),
          List.copyOf(movedVertices),
          List.copyOf(reshapedFaces),
          List.copyOf(goneVertices),
          List.copyOf(goneEdges),
          List.copyOf(joinedEdges),
          List.copyOf(goneFaces),
          result.usedVertices(),
          result.pieces(),
          result.remarks(),
          result.chosen());
    }

    /** Of what was split, all parts that are left. */
    private static List<Split> splits(Map<Integer, Integer> wholes, TreeSet<Integer> gone) {
      Map<Integer, List<Integer>> byWhole = new TreeMap<>();
      wholes.forEach((part, whole) ->
          byWhole
              .computeIfAbsent(
                  whole, w -> new ArrayList<>(gone.contains(w) ? List.of() : List.of(w)))
              .add(part));
      return byWhole.entrySet().stream()
          .map(e -> new Split(e.getKey(), List.copyOf(e.getValue())))
          .toList();
    }
  }
}
