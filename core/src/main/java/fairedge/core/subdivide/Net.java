package fairedge.core.subdivide;

import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Runs;
import java.util.Arrays;
import java.util.BitSet;
import org.jspecify.annotations.Nullable;

/**
 * How the surface hangs together at one level: polygons at first, quads from then on; without
 * places. Corners are numbered along the faces; a corner stands also for the side that leaves it.
 *
 * <p><b>Numbers of the next level.</b> Its vertices are those of this one under the same numbers,
 * then one for each edge, then one for each face. Corner c becomes quad c, which begins at the
 * corner's vertex and goes on to its edge's, its face's and its previous edge's. Edge e becomes the
 * edges 2 e and 2 e + 1, at its first and its second end; corner c gives the edge 2 n + c from its
 * edge's vertex to its face's, with n edges here. So everything is known by counting, and all of it
 * can be written at once.
 */
final class Net {
  /** What moves a vertex: all that is round it, the sharp edges through it, or nothing. */
  static final byte SMOOTH = 0;

  static final byte CREASE = 1;
  static final byte PINNED = 2;

  static final int NONE = Mesh.NONE;

  final int vertices;
  final int edges;
  final int faces;

  /** Of each face its first corner, and the end; null where each face has four. */
  private final int @Nullable [] start;

  /** Of each corner its face; null likewise. */
  private final int @Nullable [] face;

  final int[] cornerVertex;
  final int[] cornerEdge;

  /** Two of each edge; {@link #NONE} for one that is not there any more. */
  final int[] ends;

  /**
   * Two of each edge: the corners whose sides lie on it, {@link #NONE} for the second at a border
   * and for both where more than two do.
   */
  final int[] sides;

  /** Edges that have one side, or more than two; ascending. */
  final int[] sharp;

  /** By vertex: {@link #SMOOTH}, {@link #CREASE} or {@link #PINNED}. */
  final byte[] kind;

  /** By vertex: how many edges meet there. */
  final int[] valence;

  private Net(
      int faces,
      int @Nullable [] start,
      int @Nullable [] face,
      int[] cornerVertex,
      int[] cornerEdge,
      int[] ends,
      int[] sides,
      int[] sharp,
      byte[] kind,
      int[] valence) {
    this.vertices = kind.length;
    this.edges = ends.length / 2;
    this.faces = faces;
    this.start = start;
    this.face = face;
    this.cornerVertex = cornerVertex;
    this.cornerEdge = cornerEdge;
    this.ends = ends;
    this.sides = sides;
    this.sharp = sharp;
    this.kind = kind;
    this.valence = valence;
  }

  int start(int f) {
    return start == null ? 4 * f : start[f];
  }

  /** Whether two sides lie on an edge. */
  boolean isSmooth(int e) {
    return sides[2 * e + 1] != NONE;
  }

  int corners() {
    return cornerVertex.length;
  }

  int faceOf(int c) {
    return face == null ? c >> 2 : face[c];
  }

  int next(int c) {
    int f = faceOf(c);
    return c + 1 == start(f + 1) ? start(f) : c + 1;
  }

  int previous(int c) {
    int f = faceOf(c);
    return c == start(f) ? start(f + 1) - 1 : c - 1;
  }

  /** The net of a mesh, under its own numbers; faces with a corner without place are left out. */
  static Net of(Mesh mesh) {
    int[] start = new int[mesh.faceEnd() + 1];
    for (int f = 0; f < mesh.faceEnd(); f++) {
      boolean there = mesh.hasFace(f) && mesh.isMeasurable(f);
      start[f + 1] = start[f] + (there ? mesh.size(f) : 0);
    }
    int corners = start[mesh.faceEnd()];
    int[] face = new int[corners];
    int[] cornerVertex = new int[corners];
    int[] cornerEdge = new int[corners];
    Runs.each(
        mesh.faceEnd(),
        (from, to) -> {
          for (int f = from; f < to; f++) {
            int c = start[f + 1] > start[f] ? mesh.firstCorner(f) : NONE;
            for (int i = start[f]; i < start[f + 1]; i++) {
              face[i] = f;
              cornerVertex[i] = mesh.vertexOf(c);
              cornerEdge[i] = mesh.edgeOf(c);
              c = mesh.next(c);
            }
          }
        });
    int[] ends = new int[2 * mesh.edgeEnd()];
    Runs.each(
        mesh.edgeEnd(),
        (from, to) -> {
          for (int e = from; e < to; e++) {
            ends[2 * e] = mesh.hasEdge(e) ? mesh.first(e) : NONE;
            ends[2 * e + 1] = mesh.hasEdge(e) ? mesh.second(e) : NONE;
          }
        });
    int[] uses = new int[mesh.edgeEnd()];
    int[] sides = new int[2 * mesh.edgeEnd()];
    Arrays.fill(sides, NONE);
    for (int c = 0; c < corners; c++) {
      int e = cornerEdge[c];
      if (uses[e] < 2) {
        sides[2 * e + uses[e]] = c;
      }
      uses[e]++;
    }
    BitSet sharp = new BitSet();
    int[] valence = new int[mesh.vertexEnd()];
    int[] sharpAt = new int[mesh.vertexEnd()];
    for (int e = 0; e < uses.length; e++) {
      for (int i = 2 * e; uses[e] > 0 && i < 2 * e + 2; i++) {
        valence[ends[i]]++;
        sharpAt[ends[i]] += uses[e] == 2 ? 0 : 1;
      }
      sharp.set(e, uses[e] > 0 && uses[e] != 2);
      if (uses[e] > 2) {
        sides[2 * e] = NONE;
        sides[2 * e + 1] = NONE;
      }
    }
    Net net =
        new Net(
            mesh.faceEnd(),
            start,
            face,
            cornerVertex,
            cornerEdge,
            ends,
            sides,
            sharp.stream().toArray(),
            new byte[mesh.vertexEnd()],
            valence);
    net.classify(sharpAt);
    return net;
  }

  /** Of each vertex a corner, at a border one at an end of its fan; {@link #NONE} without faces. */
  int[] firstCorners() {
    int[] first = new int[vertices];
    Arrays.fill(first, NONE);
    for (int c = corners() - 1; c >= 0; c--) {
      boolean isEnd = isBorder(cornerEdge[c]) || isBorder(cornerEdge[previous(c)]);
      int v = cornerVertex[c];
      if (first[v] == NONE
          || isEnd
          || !(isBorder(cornerEdge[first[v]]) || isBorder(cornerEdge[previous(first[v])]))) {
        first[v] = c;
      }
    }
    return first;
  }

  private boolean isBorder(int e) {
    return sides[2 * e] != NONE && sides[2 * e + 1] == NONE;
  }

  private void classify(int[] sharpAt) {
    int[] first = firstCorners();
    Runs.each(
        vertices,
        (from, to) -> {
          for (int v = from; v < to; v++) {
            boolean goesThrough = valence[v] > 0 && (sharpAt[v] == 0 || sharpAt[v] == 2);
            boolean isWhole = goesThrough && isOneFan(v, first[v], sharpAt[v]);
            kind[v] = !isWhole ? PINNED : sharpAt[v] == 0 ? SMOOTH : CREASE;
          }
        });
  }

  /**
   * Whether all corners at a vertex are joined through edges there. Where edges of three and more
   * faces end, all counts as joined.
   */
  private boolean isOneFan(int v, int first, int sharpThere) {
    boolean isOpen = sharpThere == 2;
    Walk walk = new Walk(v, first);
    if (isOpen && !isBorder(walk.from)) {
      return true;
    }
    int passed = 1;
    while (passed <= valence[v] && walk.goOn()) {
      passed++;
    }
    return isOpen ? !isBorder(walk.to) || passed == valence[v] - 1 : passed == valence[v];
  }

  /** Goes from corner to corner round a vertex, whichever way the faces run. */
  final class Walk {
    private final int v;
    private final int first;
    int corner;

    /** The edge by which the corner was entered, and that by which it is left. */
    int from;

    int to;

    /** Begins at a corner; at the border, if one of the corner's edges is one. */
    Walk(int v, int first) {
      this.v = v;
      this.first = first;
      this.corner = first;
      boolean backwards = isBorder(cornerEdge[previous(first)]) && !isBorder(cornerEdge[first]);
      this.from = backwards ? cornerEdge[previous(first)] : cornerEdge[first];
      this.to = backwards ? cornerEdge[first] : cornerEdge[previous(first)];
    }

    /** Whether the first corner is passed the way round that its face runs. */
    boolean runsWithFace() {
      return from == cornerEdge[first] && to == cornerEdge[previous(first)];
    }

    /** The next corner; false at the end, or once it has come round. */
    boolean goOn() {
      if (!isSmooth(to)) {
        return false;
      }
      int own = cornerEdge[corner] == to ? corner : previous(corner);
      int side = sides[2 * to] == own ? sides[2 * to + 1] : sides[2 * to];
      int next = cornerVertex[side] == v ? side : next(side);
      if (next == first) {
        return false;
      }
      corner = next;
      from = to;
      to = cornerEdge[next] == from ? cornerEdge[previous(next)] : cornerEdge[next];
      return true;
    }
  }

  /** The next level. Cost: its corners. */
  Net split() {
    int corners = corners();
    int[] vertex = new int[4 * corners];
    int[] edge = new int[4 * corners];
    int[] nextEnds = new int[2 * (2 * edges + corners)];
    int[] nextSides = new int[nextEnds.length];
    Runs.each(
        corners,
        (from, to) -> {
          for (int c = from; c < to; c++) {
            int before = previous(c);
            int middle = vertices + edges + faceOf(c);
            vertex[4 * c] = cornerVertex[c];
            vertex[4 * c + 1] = vertices + cornerEdge[c];
            vertex[4 * c + 2] = middle;
            vertex[4 * c + 3] = vertices + cornerEdge[before];
            edge[4 * c] = half(cornerEdge[c], cornerVertex[c]);
            edge[4 * c + 1] = 2 * edges + c;
            edge[4 * c + 2] = 2 * edges + before;
            edge[4 * c + 3] = half(cornerEdge[before], cornerVertex[c]);
            int inner = 2 * (2 * edges + c);
            nextEnds[inner] = vertices + cornerEdge[c];
            nextEnds[inner + 1] = middle;
            nextSides[inner] = 4 * c + 1;
            nextSides[inner + 1] = 4 * next(c) + 2;
          }
        });
    Runs.each(edges, (from, to) -> halve(from, to, nextEnds, nextSides));
    int[] nextSharp = new int[2 * sharp.length];
    for (int i = 0; i < sharp.length; i++) {
      nextSharp[2 * i] = 2 * sharp[i];
      nextSharp[2 * i + 1] = 2 * sharp[i] + 1;
    }
    byte[] nextKind = Arrays.copyOf(kind, vertices + edges + faces);
    int[] nextValence = Arrays.copyOf(valence, nextKind.length);
    Arrays.fill(nextValence, vertices, vertices + edges, 4);
    for (int e : sharp) {
      nextKind[vertices + e] = CREASE;
    }
    for (int f = 0; f < faces; f++) {
      nextValence[vertices + edges + f] = start(f + 1) - start(f);
    }
    return new Net(
        corners, null, null, vertex, edge, nextEnds, nextSides, nextSharp, nextKind, nextValence);
  }

  /** The same as {@link #split}, but only the vertices of the quads. */
  int[] splitCorners() {
    int[] vertex = new int[4 * corners()];
    Runs.each(
        corners(),
        (from, to) -> {
          for (int c = from; c < to; c++) {
            vertex[4 * c] = cornerVertex[c];
            vertex[4 * c + 1] = vertices + cornerEdge[c];
            vertex[4 * c + 2] = vertices + edges + faceOf(c);
            vertex[4 * c + 3] = vertices + cornerEdge[previous(c)];
          }
        });
    return vertex;
  }

  private int half(int e, int v) {
    return ends[2 * e] == v ? 2 * e : 2 * e + 1;
  }

  private void halve(int from, int to, int[] nextEnds, int[] nextSides) {
    for (int e = from; e < to; e++) {
      if (ends[2 * e] == NONE) {
        Arrays.fill(nextEnds, 4 * e, 4 * e + 4, NONE);
        Arrays.fill(nextSides, 4 * e, 4 * e + 4, NONE);
        continue;
      }
      for (int end = 0; end < 2; end++) {
        int h = 2 * e + end;
        nextEnds[2 * h] = end == 0 ? ends[2 * e] : vertices + e;
        nextEnds[2 * h + 1] = end == 0 ? vertices + e : ends[2 * e + 1];
        for (int i = 0; i < 2; i++) {
          int c = sides[2 * e + i];
          int v = ends[2 * e + end];
          nextSides[2 * h + i] = c == NONE ? NONE : cornerVertex[c] == v ? 4 * c : 4 * next(c) + 3;
        }
      }
    }
  }
}
