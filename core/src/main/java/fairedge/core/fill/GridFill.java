package fairedge.core.fill;

import fairedge.core.fill.GridPlaces.Flat;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Optional;
import java.util.Set;
import java.util.TreeSet;

/**
 * Divides a face with 2(a + b) corners into a times b quads. Its corners on the border stay as they
 * are; where inner vertices lie {@link GridPlaces} tells. Labels and values at corners are carried
 * from the face. Cost: the corners times the smaller of a and b, and the quads.
 */
public final class GridFill {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final int[] ring;
  private final int a;
  private final int b;
  private final GridPlaces places;
  private final Set<Integer> parts = new TreeSet<>();

  private GridFill(MeshEdit edit, int face, GridPlaces places) {
    this.edit = edit;
    this.mesh = edit.mesh();
    this.ring = mesh.vertices(face);
    this.a = places.a;
    this.b = places.b;
    this.places = places;
    parts.add(face);
  }

  /**
   * @param a how many quads along the side that begins at the starting corner
   * @param start which corner of the face, counted from its first, is a corner of the grid
   * @return the quads
   * @throws Refusal.Raised where the face has an odd number of corners, comes to a vertex twice, a
   *     does not leave a side of at least one quad, or the face is flat and quads of it would turn
   *     over; says then which start would do
   */
  public static List<Integer> divide(MeshEdit edit, int face, int a, int start) {
    Mesh mesh = edit.mesh();
    int n = mesh.size(face);
    Element here = Element.face(face);
    requireEven(n, here);
    if (a < 1 || a > n / 2 - 1) {
      throw Refusal.because(
          "Of %d sides, one side of the grid has from 1 to %d.".formatted(n, n / 2 - 1), here);
    }
    if (Arrays.stream(mesh.vertices(face)).distinct().count() < n || !mesh.isMeasurable(face)) {
      throw Refusal.because("This face touches itself or has no place.", here);
    }
    Polygon shape = mesh.polygon(face);
    Vec3[] corners = new Vec3[n];
    Arrays.setAll(corners, shape::corner);
    GridPlaces blended = GridPlaces.blended(corners, a, start);
    Flat plane = Flat.of(corners, shape.normal()).orElse(null);
    GridPlaces places = plane == null ? blended : blended.unfolded(plane).orElse(null);
    if (places == null) {
      throw turnsOver(mesh.vertices(face), GridStarts.of(corners, plane).best(a), blended);
    }
    return divide(edit, face, places);
  }

  /**
   * @throws Refusal.Raised for a number of sides that quads alone can't fill
   */
  static void requireEven(int sides, Element where) {
    if (sides % 2 == 1) {
      throw Refusal.because(
          "%d sides can't be filled with quads alone: give the ring beside it one vertex more or less."
              .formatted(sides),
          where);
    }
  }

  /** The same with places that are known to do. */
  static List<Integer> divide(MeshEdit edit, int face, GridPlaces places) {
    return new GridFill(edit, face, places).divide();
  }

  private static Refusal.Raised turnsOver(
      int[] ring, Optional<GridPlaces> other, GridPlaces asked) {
    if (other.isEmpty()) {
      return Refusal.because(
          "No grid of %d by %d quads lies in this form without turning over: part it first."
              .formatted(asked.a, asked.b),
          Element.vertex(ring[Math.floorMod(asked.start, ring.length)]));
    }
    int further = Math.floorMod(other.get().start - asked.start, ring.length);
    return Refusal.because(
        "Begun at this corner, quads turn over. Begun %d %s further on, none does."
            .formatted(further, further == 1 ? "corner" : "corners"),
        Element.vertex(ring[Math.floorMod(other.get().start, ring.length)]));
  }

  private List<Integer> divide() {
    int[][] grid = new int[a + 1][b + 1];
    for (int i = 0; i <= a; i++) {
      grid[i][0] = at(i);
      grid[i][b] = at(2 * a + b - i);
    }
    for (int j = 0; j <= b; j++) {
      grid[a][j] = at(a + j);
      grid[0][j] = at(-j);
    }
    for (int i = 1; i < a; i++) {
      splitColumn(grid, i);
    }
    for (int i = 0; i < a; i++) {
      for (int j = 1; j < b; j++) {
        split(grid[i][j], grid[i + 1][j], List.of());
      }
    }
    return new ArrayList<>(parts);
  }

  private int at(int i) {
    return ring[Math.floorMod(places.start + i, ring.length)];
  }

  private void splitColumn(int[][] grid, int i) {
    List<Vec3> bends = new ArrayList<>();
    for (int j = 1; j < b; j++) {
      bends.add(places.at(i, j));
    }
    int made = mesh.vertexEnd();
    split(grid[i][0], grid[i][b], bends);
    for (int j = 1; j < b; j++) {
      grid[i][j] = made++;
    }
  }

  private void split(int from, int to, List<Vec3> bends) {
    if (bends.isEmpty() && mesh.findEdge(from, to) != Mesh.NONE) {
      throw Refusal.because(
          "Another edge joins two vertices that the grid would join; a second one can't be.",
          Element.edge(mesh.findEdge(from, to)));
    }
    for (int part : mesh.facesAt(from)) {
      int d = parts.contains(part) ? mesh.findCorner(part, to) : Mesh.NONE;
      if (d != Mesh.NONE) {
        parts.add(edit.splitFace(part, mesh.findCorner(part, from), d, bends));
        return;
      }
    }
    throw new IllegalStateException("no part has both " + from + " and " + to);
  }
}
