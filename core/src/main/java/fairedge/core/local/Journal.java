package fairedge.core.local;

import fairedge.core.mesh.ElementSet;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collections;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What a change did to a mesh, local operator by local operator. Undo is the journal backwards; the
 * delta for a browser and the receipt for a person are read from it. Cost of everything here: the
 * number of operators.
 */
public final class Journal {
  private static final long BYTES_PER_CHANGE = 100;
  private static final long BYTES_PER_FACE = 64;

  private final List<LocalChange> changes = new ArrayList<>();
  private final List<CornerValues.Memory> memories = new ArrayList<>();
  private final ElementSet touched = new ElementSet();
  private final Map<Integer, Integer> sidesBefore = new HashMap<>();
  private final BitSet moved = new BitSet();

  /** To be called before a face is altered. */
  void noteSides(int face, int sides) {
    sidesBefore.putIfAbsent(face, sides);
  }

  /** How many sides a face that was altered had before the first change. */
  public int sidesBefore(int face) {
    Integer sides = sidesBefore.get(face);
    if (sides == null) {
      throw new IllegalArgumentException("face " + face + " was not altered");
    }
    return sides;
  }

  void add(LocalChange change, CornerValues.Memory memory, int... facesTouched) {
    changes.add(change);
    memories.add(memory);
    note(change);
    touchFaces(facesTouched);
  }

  /** Whether a vertex was moved: where it lay at first is all that undo needs to know. */
  public boolean hasMoved(int vertex) {
    return moved.get(vertex);
  }

  /** Notes faces that look otherwise, though nothing more is to be taken back. */
  void touchFaces(int... faces) {
    for (int f : faces) {
      touched.faces().set(f);
    }
  }

  /** Notes edges that lie elsewhere or get or lose a face, though their ends are the same. */
  void touchEdges(int... edges) {
    for (int e : edges) {
      touched.edges().set(e);
    }
  }

  /** Notes vertices that an edge comes to or leaves. */
  private void touchVertices(int... vertices) {
    for (int v : vertices) {
      touched.vertices().set(v);
    }
  }

  private void note(LocalChange change) {
    switch (change) {
      case LocalChange.EdgeSplit s -> {
        touched.vertices().set(s.vertex());
        touched.edges().set(s.edge());
        touched.edges().set(s.newEdge());
      }
      case LocalChange.EdgeJoined j -> {
        touched.vertices().set(j.vertex());
        touched.edges().set(j.edge());
        touched.edges().set(j.goneEdge());
      }
      case LocalChange.FaceSplit s -> {
        touched.faces().set(s.face());
        touched.faces().set(s.newFace());
        for (int e : s.edges()) {
          touched.edges().set(e);
        }
        for (int v : s.vertices()) {
          touched.vertices().set(v);
        }
      }
      case LocalChange.FacesJoined j -> {
        touched.faces().set(j.face());
        touched.faces().set(j.goneFace());
        touched.edges().set(j.edge());
      }
      case LocalChange.VertexMade m -> touched.vertices().set(m.vertex());
      case LocalChange.VertexRemoved r -> touched.vertices().set(r.vertex());
      case LocalChange.VertexMoved m -> {
        touched.vertices().set(m.vertex());
        moved.set(m.vertex());
      }
      case LocalChange.EdgeMade m -> {
        touched.edges().set(m.edge());
        touchVertices(m.first(), m.second());
      }
      case LocalChange.EdgeRemoved r -> {
        touched.edges().set(r.edge());
        touchVertices(r.first(), r.second());
      }
      case LocalChange.FaceMade m -> touched.faces().set(m.face());
      case LocalChange.FaceRemoved r -> touched.faces().set(r.face());
      case LocalChange.FaceReshaped r -> touched.faces().set(r.face());
      case LocalChange.FaceLabelled l -> touched.faces().set(l.face());
    }
  }

  LocalChange removeLast() {
    return changes.removeLast();
  }

  /** What corners carried before the last change; to be taken together with it. */
  CornerValues.Memory removeLastMemory() {
    return memories.removeLast();
  }

  /** About how many bytes it takes in memory. */
  public long weight() {
    long values = 0;
    for (CornerValues.Memory memory : memories) {
      values += memory.weight();
    }
    long sets = 0;
    for (BitSet set : List.of(touched.vertices(), touched.edges(), touched.faces(), moved)) {
      sets += set.size() / Byte.SIZE;
    }
    return BYTES_PER_CHANGE * changes.size() + BYTES_PER_FACE * sidesBefore.size() + values + sets;
  }

  public boolean isEmpty() {
    return changes.isEmpty();
  }

  public List<LocalChange> changes() {
    return Collections.unmodifiableList(changes);
  }

  /** Every element that was made, freed or altered; stays after an undo, when the same changed. */
  public ElementSet touched() {
    return touched;
  }
}
