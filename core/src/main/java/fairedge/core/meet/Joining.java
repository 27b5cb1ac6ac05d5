package fairedge.core.meet;

import fairedge.core.flow.Unions;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.meet.MeetLine.Stretch;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Sews what is left of two skins together along the line. Where solid meets solid in edges or
 * points only, each wedge gets vertices of its own. Cost: the faces at the line.
 */
final class Joining {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final SkinCut a;
  private final SkinCut b;
  private final MeetLine line;

  /** Whether what both skins leave at one piece of the line belongs to one skin each. */
  private final boolean apart;

  /** By vertex at the line the pairs of faces that have an edge of the line in common. */
  private final Map<Integer, List<int[]>> pairs = new HashMap<>();

  /** Edges of the line on either skin. */
  private final BitSet across = new BitSet();

  private final Map<Integer, Integer> corners = new TreeMap<>();

  /**
   * @param apart where all four faces at a piece of the line are left, whether those of one skin
   *     belong together; else each with one of the other
   */
  Joining(MeshEdit edit, SkinCut a, SkinCut b, MeetLine line, boolean apart) {
    this.edit = edit;
    this.mesh = edit.mesh();
    this.a = a;
    this.b = b;
    this.line = line;
    this.apart = apart;
  }

  /** A corner of a face that is left, with the vertex of the line at which it is. */
  private record Left(int corner, int face) {}

  void join() {
    line.stretches().forEach(this::pair);
    TreeSet<Integer> used = new TreeSet<>();
    for (Stretch s : line.stretches()) {
      used.add(s.from());
      used.add(s.to());
    }
    used.forEach(this::group);
    relay();
    requireSound(used);
  }

  /** Which faces follow each other across a piece of the line. */
  private void pair(Stretch s) {
    List<Left> ofA = at(a.edgeOf(s), a.vertexOf(s.from()), a.vertexOf(s.to()));
    List<Left> ofB = at(b.edgeOf(s), b.vertexOf(s.from()), b.vertexOf(s.to()));
    if (mesh.hasEdge(a.edgeOf(s))) {
      across.set(a.edgeOf(s));
    }
    if (mesh.hasEdge(b.edgeOf(s))) {
      across.set(b.edgeOf(s));
    }
    if (ofA.size() + ofB.size() == 2) {
      List<Left> both = new ArrayList<>(ofA);
      both.addAll(ofB);
      note(s, both.getFirst(), both.getLast());
    } else if (ofA.size() == 2 && ofB.size() == 2 && apart) {
      note(s, ofA.getFirst(), ofA.getLast());
      note(s, ofB.getFirst(), ofB.getLast());
    } else if (ofA.size() == 2 && ofB.size() == 2) {
      boolean startsA = mesh.vertexOf(ofA.getFirst().corner()) == a.vertexOf(s.from());
      boolean startsB = mesh.vertexOf(ofB.getFirst().corner()) == b.vertexOf(s.from());
      // Two faces that follow each other run along their edge in opposite ways.
      int other = startsA == startsB ? 1 : 0;
      note(s, ofA.getFirst(), ofB.get(other));
      note(s, ofA.getLast(), ofB.get(1 - other));
    } else if (ofA.size() + ofB.size() != 0) {
      int f = (ofA.isEmpty() ? ofB : ofA).getFirst().face();
      throw Refusal.because("What is left does not close here.", Element.face(f));
    }
  }

  /** The faces that are left at an edge, by the corner at which each begins to run along it. */
  private List<Left> at(int e, int from, int to) {
    List<Left> found = new ArrayList<>();
    if (mesh.hasEdge(e) && mesh.cornerOn(e) != Mesh.NONE) {
      int start = mesh.cornerOn(e);
      int c = start;
      do {
        found.add(new Left(c, mesh.faceOf(c)));
        c = mesh.nextOnEdge(c);
      } while (c != start);
    }
    found.sort((p, q) -> Integer.compare(p.face(), q.face()));
    return found;
  }

  private void note(Stretch s, Left one, Left two) {
    for (int spot : new int[] {s.from(), s.to()}) {
      pairs.computeIfAbsent(spot, n -> new ArrayList<>()).add(new int[] {one.face(), two.face()});
    }
  }

  /** Gives each wedge at a place of the line its vertex. */
  private void group(int spot) {
    List<Left> left = new ArrayList<>();
    int va = a.vertexOf(spot);
    int vb = b.vertexOf(spot);
    addCorners(va, left);
    int ofA = left.size();
    addCorners(vb, left);
    int count = left.size();
    Unions wedges = new Unions(count);
    Map<Integer, Integer> ofFace = new HashMap<>();
    for (int i = 0; i < count; i++) {
      ofFace.put(left.get(i).face(), i);
    }
    for (int i = 0; i < count; i++) {
      int c = left.get(i).corner();
      for (int e : new int[] {mesh.edgeOf(c), mesh.edgeOf(mesh.previous(c))}) {
        for (int f : across.get(e) ? new int[0] : mesh.facesOn(e)) {
          wedges.join(i, ofFace.getOrDefault(f, i));
        }
      }
    }
    for (int[] pair : pairs.getOrDefault(spot, List.of())) {
      Integer one = ofFace.get(pair[0]);
      Integer two = ofFace.get(pair[1]);
      if (one != null && two != null) {
        wedges.join(one, two);
      }
    }
    Map<Integer, Integer> vertexOf = new TreeMap<>();
    boolean isFreeB = mesh.hasVertex(vb);
    for (int i = 0; i < count; i++) {
      int root = wedges.rootOf(i);
      if (!vertexOf.containsKey(root)) {
        int v;
        if (vertexOf.isEmpty() && i < ofA) {
          v = va;
        } else if (i >= ofA && isFreeB) {
          v = vb;
          isFreeB = false;
        } else {
          v = edit.makeVertex(place(va, vb));
        }
        vertexOf.put(root, v);
      }
      int to = vertexOf.getOrDefault(root, va);
      if (mesh.vertexOf(left.get(i).corner()) != to) {
        corners.put(left.get(i).corner(), to);
      }
    }
  }

  private Vec3 place(int va, int vb) {
    return mesh.position(mesh.hasVertex(va) ? va : vb);
  }

  private void addCorners(int v, List<Left> to) {
    if (!mesh.hasVertex(v)) {
      return;
    }
    int[] faces = mesh.facesAt(v).clone();
    Arrays.sort(faces);
    for (int f : faces) {
      to.add(new Left(mesh.findCorner(f, v), f));
    }
  }

  private void relay() {
    Map<Integer, Map<Integer, Integer>> byFace = new TreeMap<>();
    corners.forEach((c, v) ->
        byFace.computeIfAbsent(mesh.faceOf(c), f -> new HashMap<>()).put(mesh.vertexOf(c), v));
    Collection<Integer> before = new TreeSet<>();
    byFace.forEach((f, to) -> {
      int[] ring = mesh.vertices(f);
      int[] carried = new int[ring.length];
      for (int e : mesh.edges(f)) {
        before.add(e);
      }
      for (int i = 0; i < ring.length; i++) {
        ring[i] = to.getOrDefault(ring[i], ring[i]);
        carried[i] = i;
      }
      for (int i = 0; i < ring.length; i++) {
        Pruning.edgeBetween(edit, ring[i], ring[(i + 1) % ring.length]);
      }
      edit.reshapeFace(f, ring, carried);
    });
    Pruning.removeBare(edit, before);
  }

  /** What was sewn is a surface: two faces at each edge, wound alike. */
  private void requireSound(Collection<Integer> used) {
    for (int spot : used) {
      for (int v : new int[] {a.vertexOf(spot), b.vertexOf(spot)}) {
        for (int e : mesh.hasVertex(v) ? mesh.edgesAt(v) : new int[0]) {
          int c = mesh.cornerOn(e);
          if (mesh.uses(e) > 0
              && (mesh.uses(e) != 2 || mesh.vertexOf(c) == mesh.vertexOf(mesh.nextOnEdge(c)))) {
            throw Refusal.because(
                "The line runs so near to itself here that what is left does not close.",
                Element.vertex(v));
          }
        }
      }
    }
  }
}
