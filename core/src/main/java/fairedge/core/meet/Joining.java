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
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.stream.Stream;

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

  /** Pieces at which it is the other way round: else one edge would have four faces. */
  private final Set<Stretch> turned = new HashSet<>();

  /** By place of the line the pairs of faces that have an edge of the line in common. */
  private final Map<Integer, List<int[]>> pairs = new HashMap<>();

  /** Pieces at which four faces are left, and these in pairs. */
  private final Map<Stretch, List<int[]>> crossed = new LinkedHashMap<>();

  /** Edges of the line on either skin. */
  private final BitSet across = new BitSet();

  private final Map<Integer, Wedges> wedges = new TreeMap<>();
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

  /**
   * The faces at a place of the line, by what hangs together there.
   *
   * @param ofA how many of them, the first ones, are at the vertex of the first skin
   */
  private record Wedges(List<Left> left, int ofA, Map<Integer, Integer> ofFace, Unions unions) {
    /** Whether two faces hang together there. */
    boolean isOne(int f, int g) {
      Integer i = ofFace.get(f);
      Integer k = ofFace.get(g);
      return i != null && k != null && unions.rootOf(i) == unions.rootOf(k);
    }
  }

  void join() {
    TreeSet<Integer> used = new TreeSet<>();
    for (Stretch s : line.stretches()) {
      used.add(s.from());
      used.add(s.to());
    }
    parallels(used);
    boolean isMore = true;
    while (isMore) {
      pairs.clear();
      crossed.clear();
      line.stretches().forEach(this::pair);
      used.forEach(spot -> wedges.put(spot, wedges(spot)));
      isMore = turnCrowded();
    }
    wedges.forEach(this::assign);
    relay();
    requireSound(used);
  }

  /**
   * Edges of both skins that are not of the line but join the same places of it would become one:
   * the second's gets a vertex in its middle.
   */
  private void parallels(Collection<Integer> used) {
    Map<Integer, Integer> spotOf = new HashMap<>();
    used.forEach(spot -> spotOf.put(b.vertexOf(spot), spot));
    Set<Integer> line = new HashSet<>(b.edges());
    for (int spot : used) {
      int v = b.vertexOf(spot);
      for (int e : mesh.hasVertex(v) ? mesh.edgesAt(v) : new int[0]) {
        Integer other = spotOf.get(mesh.otherEnd(e, v));
        int va = a.vertexOf(spot);
        if (other == null || line.contains(e) || mesh.uses(e) == 0 || !mesh.hasVertex(va)) {
          continue;
        }
        int vb = a.vertexOf(other);
        int twin = mesh.hasVertex(vb) ? mesh.findEdge(va, vb) : Mesh.NONE;
        if (twin != Mesh.NONE && twin != e && mesh.uses(twin) > 0) {
          edit.splitEdge(e, mesh.along(e, 0.5));
        }
      }
    }
  }

  /**
   * Where both pairs at a piece hang together at both its ends, they would have one edge: there the
   * faces are paired the other way.
   */
  private boolean turnCrowded() {
    boolean isAny = false;
    for (Map.Entry<Stretch, List<int[]>> at : crossed.entrySet()) {
      Stretch s = at.getKey();
      int f = at.getValue().getFirst()[0];
      int g = at.getValue().getLast()[0];
      boolean isCrowded =
          Stream.of(s.from(), s.to())
              .allMatch(spot -> Objects.requireNonNull(wedges.get(spot)).isOne(f, g));
      isAny |= isCrowded && turned.add(s);
    }
    return isAny;
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
    } else if (ofA.size() == 2 && ofB.size() == 2) {
      List<Left> one = new ArrayList<>(ofA);
      List<Left> two = new ArrayList<>(ofB);
      if (apart == turned.contains(s)) {
        boolean startsA = mesh.vertexOf(ofA.getFirst().corner()) == a.vertexOf(s.from());
        boolean startsB = mesh.vertexOf(ofB.getFirst().corner()) == b.vertexOf(s.from());
        // Two faces that follow each other run along their edge in opposite ways.
        int other = startsA == startsB ? 1 : 0;
        one.set(1, ofB.get(other));
        two.set(0, ofA.getLast());
        two.set(1, ofB.get(1 - other));
      }
      note(s, one.getFirst(), one.getLast());
      note(s, two.getFirst(), two.getLast());
      crossed.put(
          s,
          List.of(
              new int[] {one.getFirst().face(), one.getLast().face()},
              new int[] {two.getFirst().face(), two.getLast().face()}));
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

  /** What hangs together at a place of the line. */
  private Wedges wedges(int spot) {
    List<Left> left = new ArrayList<>();
    addCorners(a.vertexOf(spot), left);
    int ofA = left.size();
    addCorners(b.vertexOf(spot), left);
    Unions unions = new Unions(left.size());
    Map<Integer, Integer> ofFace = new HashMap<>();
    for (int i = 0; i < left.size(); i++) {
      ofFace.put(left.get(i).face(), i);
    }
    for (int i = 0; i < left.size(); i++) {
      int c = left.get(i).corner();
      for (int e : new int[] {mesh.edgeOf(c), mesh.edgeOf(mesh.previous(c))}) {
        for (int f : across.get(e) ? new int[0] : mesh.facesOn(e)) {
          unions.join(i, ofFace.getOrDefault(f, i));
        }
      }
    }
    for (int[] pair : pairs.getOrDefault(spot, List.of())) {
      Integer one = ofFace.get(pair[0]);
      Integer two = ofFace.get(pair[1]);
      if (one != null && two != null) {
        unions.join(one, two);
      }
    }
    return new Wedges(left, ofA, ofFace, unions);
  }

  /** Gives each wedge at a place of the line its vertex. */
  private void assign(int spot, Wedges wedges) {
    int va = a.vertexOf(spot);
    int vb = b.vertexOf(spot);
    Map<Integer, Integer> vertexOf = new TreeMap<>();
    boolean isFreeB = mesh.hasVertex(vb);
    for (int i = 0; i < wedges.left().size(); i++) {
      int root = wedges.unions().rootOf(i);
      if (!vertexOf.containsKey(root)) {
        int v;
        if (vertexOf.isEmpty() && i < wedges.ofA()) {
          v = va;
        } else if (i >= wedges.ofA() && isFreeB) {
          v = vb;
          isFreeB = false;
        } else {
          v = edit.makeVertex(place(va, vb));
        }
        vertexOf.put(root, v);
      }
      int to = vertexOf.getOrDefault(root, va);
      int corner = wedges.left().get(i).corner();
      if (mesh.vertexOf(corner) != to) {
        corners.put(corner, to);
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
