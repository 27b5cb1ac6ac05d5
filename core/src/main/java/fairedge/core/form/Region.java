package fairedge.core.form;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Collection;
import java.util.Deque;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;
import java.util.function.IntPredicate;
import org.jspecify.annotations.Nullable;

/**
 * Chosen faces that hang together over edges, and where they end. At a vertex the faces of a region
 * form fans; where a region meets itself in a vertex alone, each fan is by itself.
 *
 * @param rings its faces, by id
 * @param fans of all vertices, in the order of the rings' corners
 * @param ends the corners with whose leaving sides it ends, as long as the mesh is as it was
 */
record Region(List<Ring> rings, List<Fan> fans, Set<Integer> ends) {
  /**
   * A face.
   *
   * @param fans those of its corners, in their order
   * @param ends by corner whether the region ends at the side that leaves it
   */
  record Ring(int face, List<Fan> fans, List<Boolean> ends) {}

  /**
   * Faces of a region round a vertex, one after the other.
   *
   * @param number in the order of the fans
   * @param corners of its faces at the vertex
   * @param isOpen whether it ends at two sides of the region
   * @param isAlone whether nothing else is at the vertex: then the vertex itself may move
   */
  record Fan(int number, int vertex, List<Integer> corners, boolean isOpen, boolean isAlone) {}

  /** Whether a region ends at the border of the mesh. */
  enum AtBorder {
    ENDS,
    /** It goes on there: nothing stands on such a side. */
    OPEN
  }

  /**
   * Faces in regions.
   *
   * @param each every face is a region by itself
   * @throws Refusal.Raised where it can't be said what lies beside a side of a region
   */
  static List<Region> of(Mesh mesh, Collection<Integer> chosen, boolean each, AtBorder border) {
    List<Region> regions = new ArrayList<>();
    BitSet left = new BitSet();
    chosen.forEach(left::set);
    for (int f : chosen) {
      if (left.get(f)) {
        TreeSet<Integer> faces = each ? alone(f, left) : connected(mesh, f, left);
        regions.add(
            new Finding(mesh, faces, outer -> border == AtBorder.ENDS || outer >= 0).region());
      }
    }
    return regions;
  }

  /**
   * What lies round chosen faces: those that touch their border, ending at the chosen ones alone.
   *
   * @throws Refusal.Raised as for the regions themselves
   */
  static Region round(Mesh mesh, Collection<Integer> chosen) {
    TreeSet<Integer> inside = new TreeSet<>(chosen);
    TreeSet<Integer> beside = new TreeSet<>();
    for (int f : inside) {
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--, c = mesh.next(c)) {
        int e = mesh.edgeOf(c);
        boolean isEnd = mesh.uses(e) == 2 && !inside.contains(mesh.faceOf(mesh.nextOnEdge(c)));
        for (int v : isEnd ? new int[] {mesh.first(e), mesh.second(e)} : new int[0]) {
          for (int other : mesh.facesAt(v)) {
            if (!inside.contains(other)) {
              beside.add(other);
            }
          }
        }
      }
    }
    return new Finding(mesh, beside, inside::contains).region();
  }

  /**
   * What lies round chosen edges: the faces at their ends, ending at the edges alone, on both
   * sides. Only the fans at those ends mean something.
   *
   * @throws Refusal.Raised where the edges or what hangs at their ends tells of no sides
   */
  static Region along(Mesh mesh, Collection<Integer> edges) {
    BitSet chosen = new BitSet();
    BitSet ends = new BitSet();
    TreeSet<Integer> beside = new TreeSet<>();
    for (int e : edges) {
      chosen.set(e);
      for (int v : new int[] {mesh.first(e), mesh.second(e)}) {
        if (!ends.get(v)) {
          ends.set(v);
          for (int f : mesh.facesAt(v)) {
            beside.add(f);
          }
        }
      }
    }
    return new Finding(mesh, beside, chosen, ends).region();
  }

  private static TreeSet<Integer> alone(int f, BitSet left) {
    left.clear(f);
    return new TreeSet<>(List.of(f));
  }

  private static TreeSet<Integer> connected(Mesh mesh, int first, BitSet left) {
    TreeSet<Integer> faces = new TreeSet<>();
    Deque<Integer> next = new ArrayDeque<>(List.of(first));
    left.clear(first);
    while (!next.isEmpty()) {
      int f = next.remove();
      faces.add(f);
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--, c = mesh.next(c)) {
        if (mesh.isTwoSided(mesh.edgeOf(c))) {
          int other = mesh.faceOf(mesh.nextOnEdge(c));
          if (left.get(other)) {
            left.clear(other);
            next.add(other);
          }
        }
      }
    }
    return faces;
  }

  /** The sum of its faces' Newell vectors. */
  Vec3 normal(Mesh mesh) {
    Vec3 sum = Vec3.ZERO;
    for (Ring ring : rings) {
      sum = sum.plus(mesh.polygon(ring.face()).newell());
    }
    return sum;
  }

  /** The area of its faces, as their Newell vectors have it. */
  double area(Mesh mesh) {
    return rings.stream().mapToDouble(r -> mesh.polygon(r.face()).newell().length()).sum();
  }

  List<Integer> faces() {
    return rings.stream().map(Ring::face).toList();
  }

  /** Whether it ends anywhere. */
  boolean hasEnd() {
    return !ends.isEmpty();
  }

  /** Its ends by faces and their corners: the ids of corners are no part of a mesh's state. */
  List<Integer> endsInOrder(Mesh mesh) {
    List<Integer> inOrder = new ArrayList<>();
    for (Ring ring : rings) {
      int c = mesh.firstCorner(ring.face());
      for (boolean isEnd : ring.ends()) {
        if (isEnd) {
          inOrder.add(c);
        }
        c = mesh.next(c);
      }
    }
    return inOrder;
  }

  /** The corner of a fan with whose leaving side it begins; {@link Mesh#NONE} for none. */
  int leaving(Fan fan) {
    return fan.corners().stream().filter(ends::contains).findFirst().orElse(Mesh.NONE);
  }

  /** The corner of a fan at whose arriving side it stops; {@link Mesh#NONE} for none. */
  int arriving(Mesh mesh, Fan fan) {
    return fan.corners().stream()
        .filter(c -> ends.contains(mesh.previous(c)))
        .findFirst()
        .orElse(Mesh.NONE);
  }

  /** Whether one edge alone is where a fan begins and stops: no lines meet there. */
  boolean isRound(Mesh mesh, Fan fan) {
    int leaving = leaving(fan);
    int arriving = arriving(mesh, fan);
    return leaving != Mesh.NONE
        && arriving != Mesh.NONE
        && mesh.edgeOf(leaving) == mesh.edgeOf(mesh.previous(arriving));
  }

  /** The vertices of its faces, by id. */
  TreeSet<Integer> vertices() {
    TreeSet<Integer> vertices = new TreeSet<>();
    fans.forEach(fan -> vertices.add(fan.vertex()));
    return vertices;
  }

  /** Finds the fans of some faces. */
  private static final class Finding {
    private final Mesh mesh;
    private final TreeSet<Integer> faces;

    /** Whether the faces end at a side beyond which there is this face, or -1: none. */
    private final IntPredicate endsAt;

    /** Edges that part the faces, though both their sides are among them; none with a region. */
    private final BitSet parting;

    /** Vertices of which the fans are asked; null: all. */
    private final @Nullable BitSet asked;

    /** The corners of each fan, joined. */
    private final Groups fanOf = new Groups();

    /** The corners of the faces, face by face. */
    private final List<Integer> inOrder = new ArrayList<>();

    private final Set<Integer> sides = new HashSet<>();

    Finding(Mesh mesh, TreeSet<Integer> faces, IntPredicate endsAt) {
      this(mesh, faces, endsAt, new BitSet(), null);
    }

    /** Faces that end at some edges only. */
    Finding(Mesh mesh, TreeSet<Integer> faces, BitSet parting, BitSet asked) {
      this(mesh, faces, beyond -> false, parting, asked);
    }

    private Finding(
        Mesh mesh,
        TreeSet<Integer> faces,
        IntPredicate endsAt,
        BitSet parting,
        @Nullable BitSet asked) {
      this.mesh = mesh;
      this.faces = faces;
      this.endsAt = endsAt;
      this.parting = parting;
      this.asked = asked;
    }

    Region region() {
      for (int f : faces) {
        requireMeasurable(f);
        int c = mesh.firstCorner(f);
        for (int i = mesh.size(f); i > 0; i--, c = mesh.next(c)) {
          inOrder.add(c);
        }
      }
      for (int c : inOrder) {
        if (parting.get(mesh.edgeOf(c))) {
          sides.add(c);
        } else if (!isAsked(c)) {
          continue;
        } else if (isInner(c)) {
          int d = mesh.nextOnEdge(c);
          fanOf.join(c, mesh.next(d));
          fanOf.join(mesh.next(c), d);
        } else if (endsAt.test(beyond(c))) {
          sides.add(c);
        }
      }
      return fans();
    }

    private void requireMeasurable(int f) {
      if (!mesh.isMeasurable(f)) {
        throw Refusal.because(
            "This face has a vertex without a place, or no area: it has no direction.",
            Element.face(f));
      }
    }

    /** Whether another chosen face goes on beyond the side that leaves a corner. */
    private boolean isInner(int c) {
      int e = mesh.edgeOf(c);
      int uses = mesh.uses(e);
      if (uses > 2) {
        throw Refusal.because(
            "More than two faces meet at this edge: it can't be told what lies beside the region.",
            Element.edge(e));
      }
      if (uses < 2) {
        return false;
      }
      int d = mesh.nextOnEdge(c);
      if (!faces.contains(mesh.faceOf(d))) {
        return false;
      }
      if (mesh.vertexOf(d) == mesh.vertexOf(c)) {
        throw Refusal.because(
            "Two of the chosen faces are wound against each other here. Unify them first.",
            Element.edge(e));
      }
      return true;
    }

    private boolean isAsked(int c) {
      return asked == null || asked.get(mesh.vertexOf(c)) || asked.get(mesh.vertexOf(mesh.next(c)));
    }

    private int beyond(int c) {
      return mesh.uses(mesh.edgeOf(c)) == 2 ? mesh.faceOf(mesh.nextOnEdge(c)) : Mesh.NONE;
    }

    private Region fans() {
      BitSet open = new BitSet();
      for (int c : sides) {
        open.set(fanOf.of(c));
        open.set(fanOf.of(mesh.next(c)));
      }
      joinWhatStaysTogether(open);
      Map<Integer, List<Integer>> corners = new HashMap<>();
      inOrder.forEach(c -> corners.computeIfAbsent(fanOf.of(c), r -> new ArrayList<>()).add(c));
      List<Fan> fans = new ArrayList<>();
      Map<Integer, Fan> of = new HashMap<>();
      // By faces and their corners in order: the ids of corners are no part of a mesh's state.
      for (int c : inOrder) {
        if (!of.containsKey(c)) {
          List<Integer> own = Objects.requireNonNull(corners.get(fanOf.of(c)));
          int v = mesh.vertexOf(c);
          boolean isOpen = open.get(fanOf.of(c));
          boolean isAlone = !isOpen && own.size() == cornersAt(v);
          Fan fan = new Fan(fans.size(), v, own, isOpen, isAlone);
          fans.add(fan);
          own.forEach(corner -> of.put(corner, fan));
        }
      }
      return new Region(faces.stream().map(f -> ring(f, of)).toList(), fans, sides);
    }

    private Ring ring(int f, Map<Integer, Fan> of) {
      List<Fan> fans = new ArrayList<>();
      List<Boolean> ends = new ArrayList<>();
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--, c = mesh.next(c)) {
        fans.add(Objects.requireNonNull(of.get(c)));
        ends.add(sides.contains(c));
      }
      return new Ring(f, fans, ends);
    }

    /** Closed fans that have a vertex to themselves are moved as one: nothing tears there. */
    private void joinWhatStaysTogether(BitSet open) {
      Map<Integer, TreeSet<Integer>> roots = new TreeMap<>();
      Map<Integer, Integer> count = new TreeMap<>();
      for (int c : inOrder) {
        int v = mesh.vertexOf(c);
        roots.computeIfAbsent(v, at -> new TreeSet<>()).add(fanOf.of(c));
        count.merge(v, 1, Integer::sum);
      }
      roots.forEach((v, some) -> {
        if (some.size() > 1
            && some.stream().noneMatch(open::get)
            && count.getOrDefault(v, 0) == cornersAt(v)) {
          some.forEach(root -> fanOf.join(some.first(), root));
        }
      });
    }

    private int cornersAt(int v) {
      int count = 0;
      for (int f : mesh.facesAt(v)) {
        for (int w : mesh.vertices(f)) {
          count += w == v ? 1 : 0;
        }
      }
      return count;
    }
  }
}
