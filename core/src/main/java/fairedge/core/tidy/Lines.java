package fairedge.core.tidy;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;

/**
 * The borders and hard edges through chosen vertices, as lines on which these can go to and fro.
 * Where a line turns sharply, ends or meets another its vertex stays, and so do those that are not
 * chosen. Cost: the chosen vertices and the edges at them.
 */
final class Lines {
  /** Degrees: an edge that turns by more is hard, a line that turns by more has a corner. */
  private static final double SHARP = 30;

  private final Mesh mesh;
  private final List<Integer> free = new ArrayList<>();

  /** Of each vertex that can go along a line its two edges of it. */
  private final Map<Integer, int[]> gliding = new TreeMap<>();

  private final List<Line> lines = new ArrayList<>();

  Lines(Mesh mesh, Set<Integer> chosen) {
    this.mesh = mesh;
    for (int v : chosen) {
      sort(v);
    }
    Set<Integer> known = new HashSet<>();
    for (int v : gliding.keySet()) {
      if (known.add(v)) {
        lines.add(line(v, known));
      }
    }
  }

  private void sort(int v) {
    int[] on = Arrays.stream(mesh.edgesAt(v)).filter(this::isLine).toArray();
    boolean isSound = Arrays.stream(mesh.edgesAt(v)).allMatch(e -> mesh.uses(e) <= 2);
    if (mesh.facesAt(v).length == 0 || !isSound) {
      return;
    }
    if (on.length == 0) {
      free.add(v);
    } else if (on.length == 2) {
      Vec3 at = mesh.position(v);
      Vec3 one = at.minus(mesh.position(mesh.otherEnd(on[0], v)));
      Vec3 two = mesh.position(mesh.otherEnd(on[1], v)).minus(at);
      if (one.angleTo(two) <= SHARP) {
        gliding.put(v, on);
      }
    }
  }

  private boolean isLine(int e) {
    if (mesh.uses(e) != 2) {
      return mesh.uses(e) == 1;
    }
    int c = mesh.firstSideOn(e);
    int f = mesh.faceOf(c);
    int g = mesh.faceOf(mesh.nextOnEdge(c));
    return mesh.isMeasurable(f)
        && mesh.isMeasurable(g)
        && mesh.polygon(f).newell().angleTo(mesh.polygon(g).newell()) > SHARP;
  }

  /** The whole line through a vertex: on both ways to one that stays, or all round. */
  private Line line(int v, Set<Integer> known) {
    int[] edges = gliding.getOrDefault(v, new int[0]);
    List<Integer> back = walk(v, edges[0], known);
    boolean isClosed = back.getLast() == v;
    List<Integer> all = new ArrayList<>(back.reversed());
    all.add(v);
    if (isClosed) {
      all.removeFirst();
      all.addFirst(v);
    } else {
      all.addAll(walk(v, edges[1], known));
    }
    return new Line(all);
  }

  private List<Integer> walk(int from, int edge, Set<Integer> known) {
    List<Integer> met = new ArrayList<>();
    int e = edge;
    int v = mesh.otherEnd(e, from);
    met.add(v);
    while (gliding.containsKey(v) && v != from) {
      known.add(v);
      int[] both = gliding.getOrDefault(v, new int[0]);
      e = both[0] == e ? both[1] : both[0];
      v = mesh.otherEnd(e, v);
      met.add(v);
    }
    return met;
  }

  /** Those that lie on no line. */
  List<Integer> free() {
    return free;
  }

  /** All go a part of the way to the middle between their neighbours on their line. */
  void relax(double strength) {
    lines.forEach(line -> line.relax(strength));
  }

  /** Where those on lines lie now. */
  Map<Integer, Vec3> places() {
    Map<Integer, Vec3> places = new HashMap<>();
    lines.forEach(line -> line.tell(places));
    return places;
  }

  /** A line, with where on it its vertices are. Of a closed one first and last are the same. */
  private final class Line {
    private final List<Integer> vertices;
    private final Vec3[] bends;

    /** Lengths from the line's beginning, of its bends and of the vertices. */
    private final double[] at;

    private double[] now;

    Line(List<Integer> vertices) {
      this.vertices = vertices;
      this.bends = vertices.stream().map(mesh::position).toArray(Vec3[]::new);
      this.at = new double[bends.length];
      for (int i = 1; i < bends.length; i++) {
        at[i] = at[i - 1] + bends[i].distance(bends[i - 1]);
      }
      this.now = at.clone();
    }

    private boolean isClosed() {
      return vertices.getFirst().equals(vertices.getLast());
    }

    void relax(double strength) {
      double[] next = now.clone();
      int last = now.length - 1;
      for (int i = 1; i < last; i++) {
        next[i] += strength * (0.5 * (now[i - 1] + now[i + 1]) - now[i]);
      }
      if (isClosed()) {
        double whole = at[last];
        double before = now[last - 1] - whole;
        next[0] += strength * (0.5 * (before + now[1]) - now[0]);
        next[last] = next[0] + whole;
      }
      now = next;
    }

    void tell(Map<Integer, Vec3> places) {
      for (int i = 0; i < now.length; i++) {
        if (gliding.containsKey(vertices.get(i)) && now[i] != at[i]) {
          places.put(vertices.get(i), place(now[i]));
        }
      }
    }

    private Vec3 place(double along) {
      double whole = at[at.length - 1];
      double from = isClosed() ? along - whole * Math.floor(along / whole) : along;
      int found = Arrays.binarySearch(at, from);
      int i = Math.clamp(found >= 0 ? found : -found - 2, 0, at.length - 2);
      double length = at[i + 1] - at[i];
      return length > 0 ? bends[i].towards(bends[i + 1], (from - at[i]) / length) : bends[i];
    }
  }
}
