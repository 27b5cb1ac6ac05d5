package fairedge.core.cut;

import fairedge.core.cut.PlaneSides.Side;
import fairedge.core.fill.EndFill;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashMap;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * What happens to the two sides of a plane once all faces across it are cut. Which face is on which
 * side {@link PlaneSides} tells. A patch in the plane that belongs to both closes the side that is
 * kept, turned so that it is wound like what it closes; taken apart, each side has one of its own.
 * Cost: the mesh.
 */
final class Parting {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final FlatPlane plane;
  private final PlaneSides sides;

  /** How many open ends were closed. */
  private int closed;

  /** Faces that were laid for the side behind. */
  private final BitSet laidBehind = new BitSet();

  Parting(MeshEdit edit, FlatPlane plane, double merge) {
    this.edit = edit;
    this.mesh = edit.mesh();
    this.plane = plane;
    this.sides = new PlaneSides(mesh, plane, merge);
  }

  private List<Integer> faces(Side side) {
    List<Integer> found = new ArrayList<>();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f) && sides.of(f) == side) {
        found.add(f);
      }
    }
    return found;
  }

  /**
   * @throws Refusal.Raised if one side has no face
   */
  void requireTwoSides() {
    if (!sides.areTwo()) {
      throw Refusal.because("All of the model lies on one side of the plane.");
    }
  }

  int closed() {
    return closed;
  }

  void keep(boolean ahead, EndFill.@Nullable With ends) {
    Pruning.removeFaces(edit, faces(ahead ? Side.BEHIND : Side.AHEAD));
    turnLikeNeighbours(faces(Side.BOTH));
    if (ends != null) {
      close(ahead, ends);
    }
  }

  /** Gives the side behind vertices and edges of its own along the plane. */
  void takeApart(EndFill.@Nullable With ends) {
    List<Integer> both = faces(Side.BOTH);
    Map<Integer, Integer> twins = twins();
    for (int f : both) {
      laidBehind.set(Pruning.layFace(edit, twinned(f, twins), f));
    }
    TreeSet<Integer> left = new TreeSet<>();
    for (int f : faces(Side.BEHIND)) {
      int[] ring = twinned(f, twins);
      if (!Arrays.equals(ring, mesh.vertices(f))) {
        for (int e : mesh.edges(f)) {
          left.add(e);
        }
        Pruning.relay(edit, f, ring);
      }
    }
    Pruning.removeBare(edit, left);
    turnLikeNeighbours(both);
    turnLikeNeighbours(laidBehind.stream().boxed().toList());
    if (ends != null) {
      close(true, ends);
      close(false, ends);
    }
  }

  private int[] twinned(int face, Map<Integer, Integer> twins) {
    int[] ring = mesh.vertices(face);
    Arrays.setAll(ring, i -> twins.getOrDefault(ring[i], ring[i]));
    return ring;
  }

  /** A twin for every vertex in the plane that both sides use. */
  private Map<Integer, Integer> twins() {
    Map<Integer, Integer> twins = new LinkedHashMap<>();
    int end = mesh.vertexEnd();
    for (int v = 0; v < end; v++) {
      if (mesh.hasVertex(v) && sides.isInPlane(v) && isShared(v)) {
        twins.put(v, edit.makeVertex(mesh.position(v)));
      }
    }
    return twins;
  }

  private boolean isShared(int v) {
    boolean ahead = false;
    boolean behind = false;
    for (int f : mesh.facesAt(v)) {
      ahead |= sides.of(f) != Side.BEHIND;
      behind |= sides.of(f) != Side.AHEAD;
    }
    return ahead && behind;
  }

  /** Turns those that are wound unlike most of the faces that they came to lie beside. */
  private void turnLikeNeighbours(List<Integer> patches) {
    BitSet left = new BitSet();
    patches.forEach(left::set);
    BitSet own = (BitSet) left.clone();
    for (int f = left.nextSetBit(0); f >= 0; f = left.nextSetBit(f)) {
      List<Integer> patch = sides.takePatch(f, left);
      int unlike = 0;
      for (int g : patch) {
        for (int e : mesh.edges(g)) {
          boolean isBorder = mesh.isTwoSided(e) && hasOther(e, own);
          unlike += !isBorder ? 0 : sides.isWoundTwice(e) ? 1 : -1;
        }
      }
      if (unlike > 0) {
        patch.forEach(g -> Pruning.turnOver(edit, g));
      }
    }
  }

  private boolean hasOther(int edge, BitSet own) {
    return Arrays.stream(mesh.facesOn(edge)).anyMatch(f -> !own.get(f));
  }

  /** Closes the open ends of one side that lie in the plane. */
  private void close(boolean ahead, EndFill.With with) {
    Map<Integer, Integer> next = new HashMap<>();
    TreeSet<Integer> starts = new TreeSet<>();
    int like = Mesh.NONE;
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (!mesh.hasEdge(e)
          || mesh.uses(e) != 1
          || !sides.isInPlane(mesh.first(e))
          || !sides.isInPlane(mesh.second(e))) {
        continue;
      }
      int c = mesh.cornerOn(e);
      if (isAhead(mesh.faceOf(c)) == ahead) {
        // What closes the end runs against the side that is open.
        int from = mesh.vertexOf(mesh.next(c));
        if (next.put(from, mesh.vertexOf(c)) != null) {
          throw Refusal.because(
              "An open end touches itself here, so it can't be closed.", Element.vertex(from));
        }
        starts.add(from);
        like = like == Mesh.NONE ? mesh.faceOf(c) : like;
      }
    }
    List<int[]> rings = rings(next, starts);
    closed += rings.size();
    if (!rings.isEmpty()) {
      Vec3 outwards = ahead ? plane.normal().times(-1) : plane.normal();
      EndFill.close(edit, rings, outwards, with, like);
    }
  }

  private boolean isAhead(int face) {
    return !laidBehind.get(face) && sides.of(face) != Side.BEHIND;
  }

  private static List<int[]> rings(Map<Integer, Integer> next, TreeSet<Integer> starts) {
    List<int[]> rings = new ArrayList<>();
    while (!starts.isEmpty()) {
      int start = starts.first();
      List<Integer> ring = new ArrayList<>();
      Integer at = start;
      while (at != null && starts.remove(at)) {
        ring.add(at);
        at = next.get(at);
      }
      // One that does not come back to where it began is a border that leaves the plane.
      if (at != null && at == start && ring.size() > 2) {
        rings.add(ring.stream().mapToInt(Integer::intValue).toArray());
      }
    }
    return rings;
  }
}
