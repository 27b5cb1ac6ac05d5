package fairedge.core.cut;

import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * Cuts faces along chords: first every crossing gets its vertex, then each chain of chords (joined
 * at bends) splits that piece of its face in which it lies. Cost: what is cut.
 */
final class FaceCutter {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final double merge;
  private final Map<Integer, Integer> wholes = new HashMap<>();
  private final Map<Integer, List<Integer>> parts = new HashMap<>();

  /** A run of chords in one face from border to border, with the bends between. */
  private record Chain(int face, Node from, List<Vec3> bends, Node to) {
    /** Where it goes first from its beginning. */
    Vec3 first() {
      return bends.isEmpty() ? to.at() : bends.getFirst();
    }

    /** Where it comes from last to its end. */
    Vec3 last() {
      return bends.isEmpty() ? from.at() : bends.getLast();
    }
  }

  FaceCutter(MeshEdit edit, double merge) {
    this.edit = edit;
    this.merge = merge;
    this.mesh = edit.mesh();
  }

  void cut(List<Chord> chords) {
    EdgeSplitter splitter = new EdgeSplitter(edit, merge);
    for (Chord chord : chords) {
      requestAt(chord.from(), splitter);
      requestAt(chord.to(), splitter);
    }
    splitter.splitAll();
    for (Chain chain : chains(chords)) {
      split(chain, vertexOf(chain.from(), splitter), vertexOf(chain.to(), splitter));
    }
  }

  /** That part of a face, cut or not, in which a place lies; the face itself if none is. */
  int partAt(int face, Vec3 at) {
    for (int part : partsOf(face)) {
      if (mesh.polygon(part).flat().contains(at)) {
        return part;
      }
    }
    return face;
  }

  /** All faces that came of the one of which f is a part, itself among them. */
  private List<Integer> partsOf(int f) {
    int whole = wholes.getOrDefault(f, f);
    return parts.computeIfAbsent(whole, w -> new ArrayList<>(List.of(w)));
  }

  private static void requestAt(Node node, EdgeSplitter splitter) {
    if (node instanceof Node.OnEdge on) {
      splitter.request(on);
    }
  }

  private static int vertexOf(Node node, EdgeSplitter splitter) {
    return switch (node) {
      case Node.AtVertex v -> v.vertex();
      case Node.OnEdge on -> splitter.vertexAt(on);
      case Node.Inside in -> throw new IllegalStateException("a chain ends at a bend " + in);
    };
  }

  private static List<Chain> chains(List<Chord> chords) {
    List<Chain> chains = new ArrayList<>();
    Node from = null;
    List<Vec3> bends = new ArrayList<>();
    for (Chord chord : chords) {
      if (from == null) {
        from = chord.from();
      }
      if (chord.to() instanceof Node.Inside bend) {
        bends.add(bend.at());
      } else {
        chains.add(new Chain(chord.face(), from, List.copyOf(bends), chord.to()));
        from = null;
        bends.clear();
      }
    }
    return chains;
  }

  private void split(Chain chain, int a, int b) {
    List<Integer> candidates = partsOf(chain.face());
    for (int part : List.copyOf(candidates)) {
      int from = cornerOpenTo(part, a, chain.first());
      int to = cornerOpenTo(part, b, chain.last());
      if (from != Mesh.NONE && to != Mesh.NONE && holds(part, chain)) {
        if (a == b || chain.bends().isEmpty() && mesh.findEdge(a, b) != Mesh.NONE) {
          requireOwnEdge(part, a, b);
          return;
        }
        int made = edit.splitFace(part, from, to, chain.bends());
        candidates.add(made);
        wholes.put(made, wholes.getOrDefault(part, part));
        return;
      }
    }
    throw Refusal.because(
        "The trace crosses itself inside this face: end a piece on an edge between.",
        Element.face(chain.face()));
  }

  /**
   * The corner of a face at v; where the face comes to v more than once, that from which the way
   * towards a place sets out into the face.
   */
  private int cornerOpenTo(int f, int v, Vec3 towards) {
    int found = mesh.findCorner(f, v);
    if (found == Mesh.NONE || mesh.corners(f, v) == 1) {
      return found;
    }
    Polygon.Flat flat = mesh.polygon(f).flat();
    int c = mesh.firstCorner(f);
    for (int i = 0; i < mesh.size(f); i++) {
      if (mesh.vertexOf(c) == v && flat.opensTo(i, towards)) {
        return c;
      }
      c = mesh.next(c);
    }
    return found;
  }

  /** A chord where an edge of the same face runs already needs no cut; another edge forbids it. */
  private void requireOwnEdge(int part, int a, int b) {
    if (a == b) {
      throw Refusal.because(
          "The trace leaves a face where it came in, so it would cut nothing off.",
          Element.face(part));
    }
    int e = mesh.findEdge(a, b);
    for (int f : mesh.facesOn(e)) {
      if (f == part) {
        return;
      }
    }
    throw Refusal.because(
        "Another edge joins these two vertices already; a second one can't be.", Element.edge(e));
  }

  /** Whether the chain runs inside the part; a part that has no shape is taken as it is. */
  private boolean holds(int part, Chain chain) {
    if (chain.bends().isEmpty()) {
      Vec3 middle = chain.from().at().towards(chain.to().at(), 0.5);
      return mesh.size(part) == 3 || mesh.polygon(part).flat().contains(middle);
    }
    return chain.bends().stream().allMatch(mesh.polygon(part).flat()::contains);
  }
}
