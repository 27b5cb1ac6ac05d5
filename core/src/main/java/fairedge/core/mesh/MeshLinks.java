package fairedge.core.mesh;

import static fairedge.core.mesh.Mesh.DEAD;
import static fairedge.core.mesh.Mesh.NONE;

import fairedge.core.geometry.Vec3;
import java.util.Arrays;

/**
 * The only writer of a {@link Mesh}: makes, frees and hangs single elements in constant time. It
 * keeps the cycles whole and checks nothing else; callers are the builder, the byte reader and the
 * local operators (an architecture rule keeps all others out), who keep the invariants of {@link
 * MeshCheck} over a whole operation.
 *
 * <p>Elements are made with the next id, and freed ones stay freed until the same operation is
 * taken back: then, in reverse order, the newest id is dropped ({@code forget...}) or a freed one
 * revived at its old id.
 */
public final class MeshLinks {
  private final Mesh mesh;

  public MeshLinks(Mesh mesh) {
    this.mesh = mesh;
  }

  /** A lone vertex with the next id. */
  public int makeVertex(Vec3 at) {
    int v = mesh.vertexEnd++;
    if (v == mesh.x.length) {
      int size = grown(v);
      mesh.x = Arrays.copyOf(mesh.x, size);
      mesh.y = Arrays.copyOf(mesh.y, size);
      mesh.z = Arrays.copyOf(mesh.z, size);
      mesh.vertexEdge = Arrays.copyOf(mesh.vertexEdge, size);
    }
    mesh.vertexEdge[v] = DEAD;
    reviveVertex(v, at);
    return v;
  }

  public void reviveVertex(int v, Vec3 at) {
    mesh.vertexEdge[v] = NONE;
    move(v, at);
    mesh.vertexCount++;
  }

  /** Frees a lone vertex; its id stays taken. */
  public void freeVertex(int v) {
    mesh.vertexEdge[v] = DEAD;
    mesh.vertexCount--;
  }

  /** Gives back the newest vertex id, which must be free. */
  public void forgetVertex(int v) {
    mesh.vertexEnd = v;
  }

  public void move(int v, Vec3 to) {
    mesh.x[v] = to.x();
    mesh.y[v] = to.y();
    mesh.z[v] = to.z();
  }

  /** An edge between a and b with the next id, at no face yet. */
  public int makeEdge(int a, int b) {
    int e = skipEdge();
    reviveEdge(e, a, b);
    return e;
  }

  /** The next edge id, left dead: for states that are read back with their ids. */
  int skipEdge() {
    int e = mesh.edgeEnd++;
    if (e == mesh.edgeFirst.length) {
      int size = grown(e);
      mesh.edgeFirst = Arrays.copyOf(mesh.edgeFirst, size);
      mesh.edgeSecond = Arrays.copyOf(mesh.edgeSecond, size);
      mesh.edgeNextAtFirst = Arrays.copyOf(mesh.edgeNextAtFirst, size);
      mesh.edgePreviousAtFirst = Arrays.copyOf(mesh.edgePreviousAtFirst, size);
      mesh.edgeNextAtSecond = Arrays.copyOf(mesh.edgeNextAtSecond, size);
      mesh.edgePreviousAtSecond = Arrays.copyOf(mesh.edgePreviousAtSecond, size);
      mesh.edgeCorner = Arrays.copyOf(mesh.edgeCorner, size);
    }
    mesh.edgeFirst[e] = DEAD;
    return e;
  }

  int skipVertex() {
    int v = makeVertex(Vec3.ZERO);
    freeVertex(v);
    return v;
  }

  public void reviveEdge(int e, int a, int b) {
    mesh.edgeCorner[e] = NONE;
    mesh.edgeCount++;
    hang(e, a, b);
  }

  /** Frees an edge at no face. */
  public void freeEdge(int e) {
    unhang(e);
    mesh.edgeFirst[e] = DEAD;
    mesh.edgeCount--;
  }

  public void forgetEdge(int e) {
    mesh.edgeEnd = e;
  }

  /** Hangs an edge between other ends; the sides on it stay. */
  public void rehang(int e, int a, int b) {
    unhang(e);
    hang(e, a, b);
  }

  private void hang(int e, int a, int b) {
    mesh.edgeFirst[e] = Math.min(a, b);
    mesh.edgeSecond[e] = Math.max(a, b);
    insertAt(a, e);
    insertAt(b, e);
  }

  private void unhang(int e) {
    removeAt(mesh.edgeFirst[e], e);
    removeAt(mesh.edgeSecond[e], e);
  }

  private void insertAt(int v, int e) {
    int head = mesh.vertexEdge[v];
    if (head == NONE) {
      setNext(v, e, e);
      setPrevious(v, e, e);
      mesh.vertexEdge[v] = e;
      return;
    }
    int tail = previousAt(v, head);
    setNext(v, tail, e);
    setPrevious(v, e, tail);
    setNext(v, e, head);
    setPrevious(v, head, e);
  }

  private void removeAt(int v, int e) {
    int next = mesh.nextEdgeAt(v, e);
    if (next == e) {
      mesh.vertexEdge[v] = NONE;
      return;
    }
    int previous = previousAt(v, e);
    setNext(v, previous, next);
    setPrevious(v, next, previous);
    if (mesh.vertexEdge[v] == e) {
      mesh.vertexEdge[v] = next;
    }
  }

  private int previousAt(int v, int e) {
    return mesh.edgeFirst[e] == v ? mesh.edgePreviousAtFirst[e] : mesh.edgePreviousAtSecond[e];
  }

  private void setNext(int v, int e, int next) {
    if (mesh.edgeFirst[e] == v) {
      mesh.edgeNextAtFirst[e] = next;
    } else {
      mesh.edgeNextAtSecond[e] = next;
    }
  }

  private void setPrevious(int v, int e, int previous) {
    if (mesh.edgeFirst[e] == v) {
      mesh.edgePreviousAtFirst[e] = previous;
    } else {
      mesh.edgePreviousAtSecond[e] = previous;
    }
  }

  /** A face with the next id and no corners yet. */
  public int makeFace() {
    int f = mesh.faceEnd++;
    if (f == mesh.faceCorner.length) {
      int size = grown(f);
      mesh.faceCorner = Arrays.copyOf(mesh.faceCorner, size);
      mesh.faceSize = Arrays.copyOf(mesh.faceSize, size);
      if (mesh.faceLabel != null) {
        mesh.faceLabel = Arrays.copyOf(mesh.faceLabel, size);
      }
    }
    mesh.faceCorner[f] = DEAD;
    if (mesh.faceLabel != null) {
      mesh.faceLabel[f] = 0;
    }
    return f;
  }

  /** Makes corner c, a whole ring of n corners, the beginning of face f. */
  public void begin(int f, int c, int n) {
    if (mesh.faceCorner[f] == DEAD) {
      mesh.faceCount++;
    }
    mesh.faceCorner[f] = c;
    mesh.faceSize[f] = n;
  }

  public void freeFace(int f) {
    mesh.faceCorner[f] = DEAD;
    mesh.faceCount--;
  }

  public void forgetFace(int f) {
    mesh.faceEnd = f;
  }

  /** A corner of f at v, in no ring and on no edge yet. */
  public int makeCorner(int f, int v) {
    int c = mesh.freeCorner;
    if (c != NONE) {
      mesh.freeCorner = mesh.cornerNext[c];
    } else {
      c = mesh.cornerEnd++;
      growCorners(c);
    }
    mesh.cornerVertex[c] = v;
    mesh.cornerFace[c] = f;
    mesh.cornerEdge[c] = NONE;
    for (CornerLayer layer : mesh.layers) {
      if (layer != null) {
        layer.ofCorner[c] = NONE;
      }
    }
    return c;
  }

  private void growCorners(int c) {
    if (c < mesh.cornerVertex.length) {
      return;
    }
    int size = grown(c);
    mesh.cornerVertex = Arrays.copyOf(mesh.cornerVertex, size);
    mesh.cornerEdge = Arrays.copyOf(mesh.cornerEdge, size);
    mesh.cornerFace = Arrays.copyOf(mesh.cornerFace, size);
    mesh.cornerNext = Arrays.copyOf(mesh.cornerNext, size);
    mesh.cornerPrevious = Arrays.copyOf(mesh.cornerPrevious, size);
    mesh.cornerNextOnEdge = Arrays.copyOf(mesh.cornerNextOnEdge, size);
    mesh.cornerPreviousOnEdge = Arrays.copyOf(mesh.cornerPreviousOnEdge, size);
    for (CornerLayer layer : mesh.layers) {
      if (layer != null) {
        layer.grow(size);
      }
    }
  }

  private static int grown(int size) {
    return size + (size >> 2) + 16;
  }

  /** Frees a corner that is on no edge. */
  public void freeCorner(int c) {
    mesh.cornerVertex[c] = DEAD;
    mesh.cornerNext[c] = mesh.freeCorner;
    mesh.freeCorner = c;
  }

  /** Lets corner d follow corner c in their face. */
  public void chain(int c, int d) {
    mesh.cornerNext[c] = d;
    mesh.cornerPrevious[d] = c;
  }

  public void giveTo(int c, int f) {
    mesh.cornerFace[c] = f;
  }

  /** Lays the side that leaves corner c on edge e. */
  public void lay(int c, int e) {
    mesh.cornerEdge[c] = e;
    int head = mesh.edgeCorner[e];
    if (head == NONE) {
      mesh.cornerNextOnEdge[c] = c;
      mesh.cornerPreviousOnEdge[c] = c;
      mesh.edgeCorner[e] = c;
      return;
    }
    int tail = mesh.cornerPreviousOnEdge[head];
    mesh.cornerNextOnEdge[tail] = c;
    mesh.cornerPreviousOnEdge[c] = tail;
    mesh.cornerNextOnEdge[c] = head;
    mesh.cornerPreviousOnEdge[head] = c;
  }

  /** Takes the side that leaves corner c off its edge. */
  public void unlay(int c) {
    int e = mesh.cornerEdge[c];
    int next = mesh.cornerNextOnEdge[c];
    if (next == c) {
      mesh.edgeCorner[e] = NONE;
    } else {
      int previous = mesh.cornerPreviousOnEdge[c];
      mesh.cornerNextOnEdge[previous] = next;
      mesh.cornerPreviousOnEdge[next] = previous;
      if (mesh.edgeCorner[e] == c) {
        mesh.edgeCorner[e] = next;
      }
    }
    mesh.cornerEdge[c] = NONE;
  }

  /** Adds a value of an attribute to its table. */
  public int makeValue(Attribute attribute, Vec3 value) {
    return layer(attribute).add(value);
  }

  private CornerLayer layer(Attribute attribute) {
    CornerLayer layer = mesh.layers[attribute.ordinal()];
    if (layer == null) {
      layer = new CornerLayer(mesh.cornerVertex.length);
      mesh.layers[attribute.ordinal()] = layer;
    }
    return layer;
  }

  /** Gives the newest values back: those from this index on. */
  public void forgetValues(Attribute attribute, int end) {
    if (mesh.carries(attribute)) {
      layer(attribute).end = end;
    }
  }

  /** Lets corner c have a value of an attribute, or none. */
  public void giveValue(Attribute attribute, int c, int value) {
    if (value != NONE || mesh.carries(attribute)) {
      layer(attribute).ofCorner[c] = value;
    }
  }

  /** Adds a label to those that faces may have. */
  public int makeLabel(Label label) {
    mesh.labels.add(label);
    return mesh.labels.size() - 1;
  }

  /** Takes back the label that was added last; no face has it. */
  public void forgetLabel() {
    mesh.labels.removeLast();
  }

  /** Labels face f by one of the labels that there are. */
  public void label(int f, int label) {
    if (mesh.faceLabel == null) {
      if (label == 0) {
        return;
      }
      mesh.faceLabel = new int[mesh.faceCorner.length];
    }
    mesh.faceLabel[f] = label;
  }

  void nameMaterialFile(String name) {
    mesh.materialFiles.add(name);
  }
}
