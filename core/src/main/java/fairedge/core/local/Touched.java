package fairedge.core.local;

import java.util.BitSet;

/** Ids of the elements that a change made, freed or altered. */
public record Touched(BitSet vertices, BitSet edges, BitSet faces) {
  public Touched() {
    this(new BitSet(), new BitSet(), new BitSet());
  }

  void add(LocalChange change) {
    switch (change) {
      case LocalChange.EdgeSplit s -> {
        vertices.set(s.vertex());
        edges.set(s.edge());
        edges.set(s.newEdge());
      }
      case LocalChange.EdgeJoined j -> {
        vertices.set(j.vertex());
        edges.set(j.edge());
        edges.set(j.goneEdge());
      }
      case LocalChange.FaceSplit s -> {
        faces.set(s.face());
        faces.set(s.newFace());
        for (int e : s.edges()) {
          edges.set(e);
        }
        for (int v : s.vertices()) {
          vertices.set(v);
        }
      }
      case LocalChange.FacesJoined j -> {
        faces.set(j.face());
        faces.set(j.goneFace());
        edges.set(j.edge());
      }
    }
  }

  /** Adds all of another set to this one. */
  public void addAll(Touched other) {
    vertices.or(other.vertices);
    edges.or(other.edges);
    faces.or(other.faces);
  }
}
