package fairedge.core.form;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayDeque;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.Deque;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * What hinges part a surface into, and how it hangs together: from the panel that is held each
 * other hangs on one before it by a hinge; a hinge that is left over closes a ring. Cost: the faces
 * that hang together with the hinges.
 */
final class Panels {
  /** A hinge is so straight, as a share of the model's size. */
  private static final double STRAIGHT = 1e-6;

  /**
   * A line about which two panels turn.
   *
   * @param number among the hinges that were asked for
   * @param left the panel on the left of it, as seen from the front along the line
   * @param now the angle by which they are folded, 0 flat, positive where their fronts face
   */
  record Line(int number, int left, int right, Vec3 place, Vec3 unit, int[] ends, double now) {
    int other(int panel) {
      return panel == left ? right : left;
    }
  }

  private final Mesh mesh;
  private final double straight;
  private final Map<Integer, Integer> panelOf = new HashMap<>();
  private final List<Line> lines = new ArrayList<>();
  private final List<TreeSet<Integer>> vertices = new ArrayList<>();

  /** By panel the line it hangs on; null for the one that is held. */
  private final Map<Integer, Line> hangsOn = new HashMap<>();

  /** The panels, each after what it hangs on. */
  private final List<Integer> inOrder = new ArrayList<>();

  /**
   * @param hinges the edges of each
   * @param held a face of the panel that stays, or {@link Mesh#NONE} for the one of the lowest face
   * @throws Refusal.Raised where a hinge is not straight or has not two panels
   */
  Panels(Mesh mesh, double scale, List<List<Integer>> hinges, int held) {
    this.mesh = mesh;
    this.straight = STRAIGHT * scale;
    BitSet parting = new BitSet();
    hinges.forEach(hinge -> hinge.forEach(parting::set));
    int first = Mesh.NONE;
    for (List<Integer> hinge : hinges) {
      for (int e : hinge) {
        for (int f : mesh.facesOn(e)) {
          first = first == Mesh.NONE ? f : Math.min(first, f);
          find(f, parting);
        }
      }
    }
    for (int i = 0; i < hinges.size(); i++) {
      lines.add(line(i, hinges.get(i)));
    }
    Integer stays = panelOf.get(held == Mesh.NONE ? first : held);
    if (stays == null) {
      throw Refusal.because(
          "The face that is to stay does not hang together with the hinges.", Element.face(held));
    }
    hang(stays);
  }

  private void find(int first, BitSet parting) {
    if (panelOf.containsKey(first)) {
      return;
    }
    int panel = vertices.size();
    TreeSet<Integer> own = new TreeSet<>();
    Deque<Integer> next = new ArrayDeque<>(List.of(first));
    panelOf.put(first, panel);
    while (!next.isEmpty()) {
      int f = next.remove();
      if (!mesh.isMeasurable(f)) {
        throw Refusal.because("This face has no area: it can't be turned.", Element.face(f));
      }
      for (int v : mesh.vertices(f)) {
        own.add(v);
      }
      for (int e : mesh.edges(f)) {
        for (int g : parting.get(e) ? new int[0] : mesh.facesOn(e)) {
          if (panelOf.putIfAbsent(g, panel) == null) {
            next.add(g);
          }
        }
      }
    }
    vertices.add(own);
  }

  private int panelOf(int c) {
    return Objects.requireNonNull(panelOf.get(mesh.faceOf(c)));
  }

  private Line line(int number, List<Integer> edges) {
    int e = edges.getFirst();
    int c = mesh.firstSideOn(e);
    int left = panelOf(c);
    int right = panelOf(mesh.nextOnEdge(c));
    if (left == right) {
      throw Refusal.because(
          "The surface hangs together on both sides of this hinge: nothing can turn about it.",
          Element.edge(e));
    }
    Vec3 place = mesh.position(mesh.vertexOf(c));
    Vec3 unit = mesh.position(mesh.vertexOf(mesh.next(c))).minus(place).unit();
    TreeSet<Integer> ends = new TreeSet<>();
    for (int other : edges) {
      int d = mesh.firstSideOn(other);
      int one = panelOf(d);
      int two = panelOf(mesh.nextOnEdge(d));
      if (Math.min(one, two) != Math.min(left, right)
          || Math.max(one, two) != Math.max(left, right)) {
        throw Refusal.because("A hinge lies between two panels only.", Element.edge(other));
      }
      ends.add(mesh.first(other));
      ends.add(mesh.second(other));
    }
    for (int v : ends) {
      Vec3 to = mesh.position(v).minus(place);
      if (to.minus(unit.times(to.dot(unit))).length() > straight) {
        throw Refusal.because("This hinge is not straight.", Element.vertex(v));
      }
    }
    Vec3 one = mesh.polygon(mesh.faceOf(c)).newell().unit();
    Vec3 two = mesh.polygon(mesh.faceOf(mesh.nextOnEdge(c))).newell().unit();
    double now = Math.toDegrees(StrictMath.atan2(-one.cross(two).dot(unit), one.dot(two)));
    int[] all = ends.stream().mapToInt(Integer::intValue).toArray();
    return new Line(number, left, right, place, unit, all, now);
  }

  private void hang(int stays) {
    Deque<Integer> next = new ArrayDeque<>(List.of(stays));
    BitSet hung = new BitSet();
    hung.set(stays);
    while (!next.isEmpty()) {
      int panel = next.remove();
      inOrder.add(panel);
      for (Line line : lines) {
        int other = line.other(panel);
        if ((line.left() == panel || line.right() == panel) && !hung.get(other)) {
          hung.set(other);
          hangsOn.put(other, line);
          next.add(other);
        }
      }
    }
    for (Line line : lines) {
      if (!hung.get(line.left())) {
        throw Refusal.because(
            "This hinge does not hang together with the panel that stays: fold it by itself.",
            Element.vertex(line.ends()[0]));
      }
    }
  }

  List<Line> lines() {
    return lines;
  }

  List<Integer> inOrder() {
    return inOrder;
  }

  TreeSet<Integer> vertices(int panel) {
    return vertices.get(panel);
  }

  /** By face its panel, of all that hang together with the hinges. */
  Map<Integer, Integer> panels() {
    return panelOf;
  }

  /** Whether a line closes a ring of panels. */
  boolean closes(Line line) {
    return hangsOn.get(line.left()) != line && hangsOn.get(line.right()) != line;
  }

  /**
   * How each panel moves if the hinges come to have these angles.
   *
   * @param angles by the numbers of the lines, in degrees
   */
  Map<Integer, Rigid> motions(double[] angles) {
    Map<Integer, Rigid> motions = new TreeMap<>();
    for (int panel : inOrder) {
      Line line = hangsOn.get(panel);
      if (line == null) {
        motions.put(panel, Rigid.NONE);
      } else {
        double by = angles[line.number()] - line.now();
        // Seen along the line the right one turns to the front by turning to the right.
        Rigid own = Rigid.about(line.place(), line.unit(), panel == line.right() ? -by : by);
        Rigid before = Objects.requireNonNull(motions.get(line.other(panel)));
        motions.put(panel, before.after(own));
      }
    }
    return motions;
  }
}
