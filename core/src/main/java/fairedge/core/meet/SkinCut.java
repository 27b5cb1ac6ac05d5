package fairedge.core.meet;

import fairedge.core.cut.PlanarCut;
import fairedge.core.effort.Effort;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Refusal;
import fairedge.core.meet.MeetLine.Run;
import fairedge.core.meet.MeetLine.Spot;
import fairedge.core.meet.MeetLine.Stretch;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Collection;
import java.util.HashMap;
import java.util.LinkedHashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.TreeSet;

/**
 * One of two skins, cut along the line: its places become vertices, its pieces edges. Faces that
 * the line does not touch stay what they are. Cost: the faces at the line.
 */
final class SkinCut {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final Skin skin;
  private final boolean isA;
  private final MeetLine line;

  /** By the number of a place the vertex that it is on this skin. */
  private final int[] vertexOf;

  /** By piece of the line its edge, in the order of the stretches. */
  private final Map<Stretch, Integer> edgeOf = new HashMap<>();

  private final Skin other;
  private final int firstNew;
  private final Map<Integer, Integer> kinds = new HashMap<>();

  SkinCut(MeshEdit edit, Skin skin, Skin other, boolean isA, MeetLine line) {
    this.edit = edit;
    this.mesh = edit.mesh();
    this.skin = skin;
    this.isA = isA;
    this.line = line;
    this.other = other;
    this.firstNew = mesh.vertexEnd();
    this.vertexOf = new int[line.spots().size()];
    Arrays.fill(vertexOf, Mesh.NONE);
  }

  private int kind(Spot spot) {
    return isA ? spot.met().kindA() : spot.met().kindB();
  }

  private int id(Spot spot) {
    return isA ? spot.met().idA() : spot.met().idB();
  }

  int triangle(Run run) {
    return isA ? run.piece().ta() : run.piece().tb();
  }

  /** The side of the skin on which a run lies; -1 where it lies within a triangle. */
  int along(Run run) {
    return isA ? run.piece().alongA() : run.piece().alongB();
  }

  void cut() {
    Map<Integer, Set<Stretch>> byFace = chords();
    Map<Integer, Vec3> shapes = new HashMap<>();
    byFace.keySet().forEach(f -> shapes.put(f, mesh.polygon(f).newell()));
    splitSides();
    byFace.forEach((f, chords) -> divide(f, shapes.getOrDefault(f, Vec3.ZERO), chords));
    for (Stretch s : line.stretches()) {
      int e = mesh.findEdge(vertexOf[s.from()], vertexOf[s.to()]);
      if (e == Mesh.NONE) {
        throw Refusal.because(
            "The line can't be followed here.", Element.vertex(vertexOf[s.from()]));
      }
      edgeOf.put(s, e);
    }
  }

  /** By face what of the line runs through its inside. */
  private Map<Integer, Set<Stretch>> chords() {
    Map<Integer, Set<Stretch>> byFace = new TreeMap<>();
    for (Stretch stretch : line.stretches()) {
      for (Run run : stretch.runs()) {
        int side = along(run);
        if (side < 0 || skin.isDiagonal(side)) {
          byFace
              .computeIfAbsent(skin.faceOf(triangle(run)), f -> new LinkedHashSet<>())
              .add(stretch);
        }
      }
    }
    return byFace;
  }

  private Set<Integer> used() {
    Set<Integer> used = new TreeSet<>();
    for (Stretch s : line.stretches()) {
      used.add(s.from());
      used.add(s.to());
    }
    return used;
  }

  /** Puts vertices where the line crosses edges. */
  private void splitSides() {
    Map<Integer, List<Spot>> bySide = new TreeMap<>();
    for (int number : used()) {
      Spot spot = line.spots().get(number);
      int kind = kind(spot);
      if (kind == TrianglePair.VERTEX) {
        vertexOf[number] = id(spot);
      } else if (kind == TrianglePair.SIDE && !skin.isDiagonal(id(spot))) {
        bySide.computeIfAbsent(id(spot), s -> new ArrayList<>()).add(spot);
      }
    }
    bySide.forEach((e, spots) -> {
      Vec3 p = mesh.position(mesh.first(e));
      Vec3 q = mesh.position(mesh.second(e));
      // From the far end on, so that the edge is always the part at its first vertex.
      spots.sort(line.along(isA, p, q).reversed());
      for (Spot spot : spots) {
        vertexOf[spot.number()] = edit.splitEdge(e, spot.at());
      }
    });
  }

  private void divide(int f, Vec3 shape, Set<Stretch> chords) {
    Effort.check();
    PlanarCut cut = new PlanarCut(edit, f, shape);
    Map<Integer, Integer> nodes = new HashMap<>();
    for (Stretch chord : chords) {
      int from = node(chord.from(), cut, nodes);
      int to = node(chord.to(), cut, nodes);
      // To the left of a run all lies behind the other skin, or all before it.
      for (Run run : chord.runs()) {
        if (skin.faceOf(triangle(run)) == f) {
          cut.directed(run.isForward() ? from : to, run.isForward() ? to : from);
        }
      }
    }
    cut.told(this::kindOf);
    cut.divide();
    nodes.forEach((spot, node) -> vertexOf[spot] = cut.vertexOf(node));
  }

  /** Of a vertex that was there: 1 where it lies as all does to the left of a run. */
  private int kindOf(int vertex) {
    if (vertex >= firstNew) {
      return 0;
    }
    return kinds.computeIfAbsent(
        vertex,
        v -> {
          int inside = new Inside(other).of(mesh.position(v));
          return isA ? inside : -inside;
        });
  }

  private int node(int number, PlanarCut cut, Map<Integer, Integer> nodes) {
    return nodes.computeIfAbsent(
        number,
        n ->
            vertexOf[n] == Mesh.NONE
                ? cut.inside(line.spots().get(n).at())
                : cut.corner(vertexOf[n]));
  }

  int vertexOf(int spot) {
    return vertexOf[spot];
  }

  int edgeOf(Stretch stretch) {
    Integer e = edgeOf.get(stretch);
    if (e == null) {
      throw new IllegalArgumentException("a piece that was left out");
    }
    return e;
  }

  /** The edges of the line on this skin. */
  Collection<Integer> edges() {
    return edgeOf.values();
  }

  Mesh mesh() {
    return mesh;
  }

  Skin skin() {
    return skin;
  }

  boolean isA() {
    return isA;
  }
}
