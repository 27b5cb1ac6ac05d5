package fairedge.core.mesh;

import java.util.BitSet;

/** Vertices, edges and faces of a mesh by their ids; filled by whoever makes it. */
public record ElementSet(BitSet vertices, BitSet edges, BitSet faces) {
  public ElementSet() {
    this(new BitSet(), new BitSet(), new BitSet());
  }

  /** Takes those of another in. */
  public void add(ElementSet other) {
    vertices.or(other.vertices());
    edges.or(other.edges());
    faces.or(other.faces());
  }
}
