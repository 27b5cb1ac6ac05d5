package fairedge.core.tidy;

import fairedge.core.effort.Effort;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.near.Surface;
import fairedge.core.work.Asked;
import fairedge.core.work.Done;
import fairedge.core.work.Site;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * Evens vertices out, on the surface as it was. In each round a vertex goes a part of the way to
 * where it would lie evenly, and onto the nearest place of the faces that lay about the chosen
 * ones. One on a border or a hard edge goes along that line only; a corner of one stays, and where
 * several meet. Cost: rounds times vertices times the logarithm of the faces about them.
 */
public final class Relax {
  private static final int MOST_ROUNDS = 200;
  private static final int MOST_MOVES = 1_000_000;

  /** Who waits for a preview is asked after so many moves. */
  private static final int MOVES_BETWEEN_LOOKS = 4096;

  /** What is evened out. */
  public enum RelaxWay {
    /** Distances: each vertex towards the mean of its neighbours. */
    EVEN,
    /**
     * Loops: each vertex of four faces towards the lines between its neighbours on both loops, at
     * the share at which it lies by length of arc.
     */
    FLOW
  }

  private final Mesh mesh;
  private final RelaxWay way;
  private final double strength;
  private final Lines lines;
  private final Surface ground;
  private final Map<Integer, Vec3> now = new HashMap<>();
  private final Map<Integer, Integer> under = new HashMap<>();

  private Relax(Mesh mesh, Set<Integer> chosen, double strength, RelaxWay way) {
    this.mesh = mesh;
    this.way = way;
    this.strength = strength;
    this.lines = new Lines(mesh, chosen);
    this.ground = ground(mesh, chosen);
  }

  /**
   * @param rounds from 1
   * @param strength the part of the way, over 0 to 1
   */
  public static Done relax(
      Site site, Collection<Integer> vertices, int rounds, double strength, RelaxWay way) {
    TreeSet<Integer> chosen = Asked.placed(site, vertices);
    if (rounds < 1 || rounds > MOST_ROUNDS || !(strength > 0 && strength <= 1)) {
      throw Refusal.because(
          "Relaxing takes 1 to %d rounds, each by a part of the way up to all of it."
              .formatted(MOST_ROUNDS));
    }
    if ((long) rounds * chosen.size() > MOST_MOVES) {
      throw Refusal.because("Relax fewer vertices at once, or in fewer rounds.");
    }
    Relax relax = new Relax(site.mesh(), chosen, strength, way);
    Move.moveAll(site, relax.places(rounds));
    return new Done(List.of(), List.of(), 0);
  }

  /** The faces at the chosen vertices and those at them, as they are now. */
  private static Surface ground(Mesh mesh, Set<Integer> chosen) {
    TreeSet<Integer> at = new TreeSet<>();
    chosen.forEach(v -> add(at, mesh.facesAt(v)));
    TreeSet<Integer> about = new TreeSet<>();
    for (int f : at) {
      for (int v : mesh.vertices(f)) {
        add(about, mesh.facesAt(v));
      }
    }
    MeshBuilder builder = new MeshBuilder();
    Map<Integer, Integer> copies = new HashMap<>();
    for (int f : about) {
      if (mesh.isMeasurable(f)) {
        int[] ring = mesh.vertices(f);
        for (int i = 0; i < ring.length; i++) {
          Vec3 place = mesh.position(ring[i]);
          ring[i] =
              copies.computeIfAbsent(ring[i], v -> builder.vertex(place.x(), place.y(), place.z()));
        }
        builder.face(ring);
      }
    }
    return new Surface(builder.build());
  }

  private static void add(Set<Integer> to, int[] ids) {
    for (int id : ids) {
      to.add(id);
    }
  }

  private Map<Integer, Vec3> places(int rounds) {
    List<Integer> free = lines.free();
    int moves = 0;
    for (int i = 0; i < rounds; i++) {
      Map<Integer, Vec3> next = new HashMap<>();
      for (int v : free) {
        if (++moves % MOVES_BETWEEN_LOOKS == 0) {
          Effort.check();
        }
        Vec3 at = place(v);
        next.put(v, onGround(v, at.towards(goal(v), strength)));
      }
      if (way == RelaxWay.EVEN) {
        lines.relax(strength);
      }
      now.putAll(next);
      lines.places().forEach(now::put);
    }
    return new TreeMap<>(now);
  }

  private Vec3 place(int v) {
    Vec3 moved = now.get(v);
    return moved == null ? mesh.position(v) : moved;
  }

  private Vec3 onGround(int v, Vec3 place) {
    int triangle = ground.nearest(place, under.getOrDefault(v, Mesh.NONE));
    if (triangle < 0) {
      return place;
    }
    under.put(v, triangle);
    return ground.foot(triangle, place);
  }

  private Vec3 goal(int v) {
    int[] edges = mesh.edgesAt(v);
    return way == RelaxWay.FLOW && edges.length == 4 && mesh.facesAt(v).length == 4
        ? onLoops(v, edges)
        : way == RelaxWay.FLOW ? place(v) : mean(v, edges);
  }

  private Vec3 mean(int v, int[] edges) {
    Vec3 sum = Vec3.ZERO;
    int count = 0;
    for (int e : edges) {
      int w = mesh.otherEnd(e, v);
      if (mesh.uses(e) > 0 && mesh.hasPlace(w)) {
        sum = sum.plus(place(w));
        count++;
      }
    }
    return count == 0 ? place(v) : sum.times(1.0 / count);
  }

  /** The mean of where both loops through a vertex would run straight. */
  private Vec3 onLoops(int v, int[] edges) {
    Vec3 at = place(v);
    Vec3 sum = Vec3.ZERO;
    for (int e : edges) {
      Vec3 from = place(mesh.otherEnd(e, v));
      Vec3 to = place(mesh.otherEnd(across(e, edges), v));
      double before = from.distance(at);
      double whole = before + at.distance(to);
      // Each loop is met from both its sides.
      sum = sum.plus(whole > 0 ? from.towards(to, before / whole) : at);
    }
    return sum.times(0.25);
  }

  /** Of the four edges at a vertex the one that has no face in common with one. */
  private int across(int e, int[] edges) {
    Set<Integer> beside = new TreeSet<>();
    add(beside, mesh.facesOn(e));
    for (int other : edges) {
      boolean meets = false;
      for (int f : mesh.facesOn(other)) {
        meets |= beside.contains(f);
      }
      if (!meets) {
        return other;
      }
    }
    return e;
  }
}
