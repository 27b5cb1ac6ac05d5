package fairedge.core.fill;

import fairedge.core.fill.GridPlaces.Flat;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Predicates;
import fairedge.core.geometry.Projection;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * Closes the open ends that lie in one plane: rings of vertices that wind to the left round the
 * normal are outer ones, those that wind to the right are holes in the one round them (the end of a
 * pipe). Cost: corners of a ring times those of its hole, and what lies in the plane.
 */
public final class EndFill {
  private static final double LONGER = 1.25;
  private static final int MOST_JOINS = 1_000_000;

  private final MeshEdit edit;
  private final Mesh mesh;
  private final Vec3 normal;
  private final Projection seen;
  private final int like;

  /** With what an end is closed. */
  public enum With {
    /** One face, or two where it has a hole. */
    FACES,
    /** Quads only. */
    QUADS
  }

  private record Join(int outer, int hole, double length) {}

  private EndFill(MeshEdit edit, Vec3 normal, int like) {
    this.normal = normal.unit();
    this.edit = edit;
    this.mesh = edit.mesh();
    this.seen = Projection.along(normal);
    this.like = like;
  }

  /**
   * @param rings as the new faces shall run; each vertex once
   * @param normal to which the new faces look
   * @param like a face whose label they get
   * @throws Refusal.Raised where quads alone can't do it
   */
  public static void close(MeshEdit edit, List<int[]> rings, Vec3 normal, With with, int like) {
    EndFill fill = new EndFill(edit, normal, like);
    List<int[]> outer = new ArrayList<>(rings.stream().filter(r -> fill.area(r) > 0).toList());
    List<int[]> holes = rings.stream().filter(r -> fill.area(r) <= 0).toList();
    if (with == With.QUADS) {
      fill.closeWithQuads(outer, holes);
    } else {
      holes.forEach(hole -> fill.joinHole(outer, hole));
      outer.forEach(ring -> Pruning.layFace(edit, ring, like));
    }
  }

  private double area(int[] ring) {
    double sum = 0;
    for (int i = 0; i < ring.length; i++) {
      Vec3 p = mesh.position(ring[i]);
      Vec3 q = mesh.position(ring[(i + 1) % ring.length]);
      sum += seen.across(p) * seen.up(q) - seen.across(q) * seen.up(p);
    }
    return sum;
  }

  private void closeWithQuads(List<int[]> outer, List<int[]> holes) {
    List<int[]> open = new ArrayList<>(outer);
    for (int[] hole : holes) {
      int[] round = roundIt(open, hole);
      open.remove(round);
      if (round.length != hole.length) {
        throw Refusal.because(
            "The outer end has %d vertices and the inner one %d: quads need as many in both."
                .formatted(round.length, hole.length),
            Element.vertex(hole[0]));
      }
      Strip.betweenRings(edit, round, hole, like);
    }
    for (int[] ring : open) {
      divide(Pruning.layFace(edit, ring, like), ring);
    }
  }

  private void divide(int face, int[] ring) {
    GridFill.requireEven(ring.length, Element.face(face));
    if (ring.length <= 4) {
      return;
    }
    Vec3[] corners = Arrays.stream(ring).mapToObj(mesh::position).toArray(Vec3[]::new);
    GridStarts starts = GridStarts.of(corners, Flat.of(corners, normal).orElse(null));
    for (int a = ring.length / 4; a > 0; a--) {
      Optional<GridPlaces> places = starts.best(a);
      if (places.isPresent()) {
        GridFill.divide(edit, face, places.get());
        return;
      }
    }
    throw Refusal.because(
        "No grid of quads lies in this open end without turning over: close it with a face.",
        Element.vertex(ring[0]));
  }

  private Vec3 at(int[] ring, int i) {
    return mesh.position(ring[Math.floorMod(i, ring.length)]);
  }

  private int[] roundIt(List<int[]> outer, int[] hole) {
    return outer.stream()
        .filter(ring -> holds(ring, hole[0]))
        .min(Comparator.comparingDouble(this::area))
        .orElseThrow(() ->
            Refusal.because(
                "An open end lies the wrong way round: unify the face directions first.",
                Element.vertex(hole[0])));
  }

  private boolean holds(int[] ring, int v) {
    return polygon(ring).flat().contains(mesh.position(v));
  }

  private Polygon polygon(int[] ring) {
    return new Polygon(Arrays.stream(ring).mapToObj(mesh::position).toArray(Vec3[]::new));
  }

  /** Joins a hole to the ring round it by two edges, which makes two rings of it. */
  private void joinHole(List<int[]> outer, int[] hole) {
    int[] round = roundIt(outer, hole);
    if ((long) round.length * hole.length > MOST_JOINS) {
      throw Refusal.because(
          "These open ends have too many vertices to be joined.", Element.vertex(hole[0]));
    }
    List<Join> joins = new ArrayList<>();
    for (int i = 0; i < round.length; i++) {
      for (int j = 0; j < hole.length; j++) {
        joins.add(new Join(i, j, at(round, i).distance(at(hole, j))));
      }
    }
    joins.sort(Comparator.comparingDouble(Join::length));
    Join first = free(joins, outer, round, hole, null);
    Join second = free(joins, outer, round, hole, first);
    outer.remove(round);
    outer.add(merged(round, first.outer(), second.outer(), hole, second.hole(), first.hole()));
    outer.add(merged(round, second.outer(), first.outer(), hole, first.hole(), second.hole()));
  }

  /** The shortest way that is free; of a second nearly as short the one farthest from the first. */
  private Join free(
      List<Join> joins, List<int[]> outer, int[] round, int[] hole, @Nullable Join taken) {
    Join best = null;
    int bestApart = -1;
    for (Join j : joins) {
      if (best != null && (taken == null || j.length() > LONGER * best.length())) {
        break;
      }
      boolean apart = taken == null || j.outer() != taken.outer() && j.hole() != taken.hole();
      int steps = taken == null ? 0 : Math.floorMod(j.outer() - taken.outer(), round.length);
      int between = Math.min(steps, round.length - steps);
      if (apart
          && between > bestApart
          && !crosses(round[j.outer()], hole[j.hole()], outer, hole, round, taken)) {
        best = j;
        bestApart = between;
      }
    }
    if (best == null) {
      throw Refusal.because(
          "These open ends can't be joined by two edges.", Element.vertex(hole[0]));
    }
    return best;
  }

  private boolean crosses(
      int a, int b, List<int[]> outer, int[] hole, int[] round, @Nullable Join taken) {
    List<int[]> rings = new ArrayList<>(outer);
    rings.add(hole);
    for (int[] ring : rings) {
      for (int i = 0; i < ring.length; i++) {
        if (meet(a, b, ring[i], ring[(i + 1) % ring.length])) {
          return true;
        }
      }
    }
    return taken != null && meet(a, b, round[taken.outer()], hole[taken.hole()]);
  }

  private boolean meet(int a, int b, int c, int d) {
    if (a == c || a == d || b == c || b == d) {
      return false;
    }
    int ac = turn(a, b, c);
    int ad = turn(a, b, d);
    int ca = turn(c, d, a);
    int cb = turn(c, d, b);
    return ac * ad < 0 && ca * cb < 0
        || ac == 0 && isBetween(a, b, c)
        || ad == 0 && isBetween(a, b, d)
        || ca == 0 && isBetween(c, d, a)
        || cb == 0 && isBetween(c, d, b);
  }

  private boolean isBetween(int a, int b, int c) {
    Vec3 whole = mesh.position(b).minus(mesh.position(a));
    double along = mesh.position(c).minus(mesh.position(a)).dot(whole);
    return along > 0 && along < whole.dot(whole);
  }

  private int turn(int a, int b, int c) {
    Vec3 p = mesh.position(a);
    Vec3 q = mesh.position(b);
    Vec3 r = mesh.position(c);
    return Predicates.turn(
        seen.across(p), seen.up(p), seen.across(q), seen.up(q), seen.across(r), seen.up(r));
  }

  private static int[] merged(int[] round, int from, int to, int[] hole, int holeFrom, int holeTo) {
    List<Integer> ring = new ArrayList<>();
    for (int i = from; ; i = (i + 1) % round.length) {
      ring.add(round[i]);
      if (i == to) {
        break;
      }
    }
    for (int j = holeFrom; ; j = (j + 1) % hole.length) {
      ring.add(hole[j]);
      if (j == holeTo) {
        break;
      }
    }
    return ring.stream().mapToInt(Integer::intValue).toArray();
  }
}
