package fairedge.core.fill;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Set;
import java.util.TreeSet;

/**
 * Divides a face with 2(a + b) corners into a times b quads. Its corners on the border stay as they
 * are; inner vertices lie on the bilinearly blended surface between the four sides (Coons,
 * "Surfaces for computer-aided design of space forms", 1967). Labels and values at corners are
 * carried from the face. Cost: the corners times the smaller of a and b, and the quads.
 */
public final class GridFill {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final int[] ring;
  private final int a;
  private final int b;
  private final int start;
  private final Set<Integer> parts = new TreeSet<>();

  private GridFill(MeshEdit edit, int face, int a, int start) {
    this.edit = edit;
    this.mesh = edit.mesh();
    this.ring = mesh.vertices(face);
    this.a = a;
    this.b = ring.length / 2 - a;
    this.start = start;
    parts.add(face);
  }

  /**
   * @param a how many quads along the side that begins at the starting corner
   * @param start which corner of the face, counted from its first, is a corner of the grid
   * @return the quads
   * @throws Refusal.Raised where the face has an odd number of corners, comes to a vertex twice, or
   *     a does not leave a side of at least one quad
   */
  public static List<Integer> divide(MeshEdit edit, int face, int a, int start) {
    Mesh mesh = edit.mesh();
    int n = mesh.size(face);
    Element here = Element.face(face);
    if (n % 2 == 1) {
      throw Refusal.because(
          "%d sides can't be filled with quads alone: give the ring beside it one vertex more or less."
              .formatted(n),
          here);
    }
    if (a < 1 || a > n / 2 - 1) {
      throw Refusal.because(
          "Of %d sides, one side of the grid has from 1 to %d.".formatted(n, n / 2 - 1), here);
    }
    if (Arrays.stream(mesh.vertices(face)).distinct().count() < n || !mesh.isMeasurable(face)) {
      throw Refusal.because("This face touches itself or has no place.", here);
    }
    return new GridFill(edit, face, a, start).divide();
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
    return ring[Math.floorMod(start + i, ring.length)];
  }

  private void splitColumn(int[][] grid, int i) {
    List<Vec3> bends = new ArrayList<>();
    for (int j = 1; j < b; j++) {
      bends.add(blended(i, j));
    }
    int made = mesh.vertexEnd();
    split(grid[i][0], grid[i][b], bends);
    for (int j = 1; j < b; j++) {
      grid[i][j] = made++;
    }
  }

  private Vec3 blended(int i, int j) {
    double u = (double) i / a;
    double v = (double) j / b;
    Vec3 rows = place(i).towards(place(2 * a + b - i), v);
    Vec3 columns = place(-j).towards(place(a + j), u);
    Vec3 corners =
        place(0).towards(place(a), u).towards(place(2 * a + b).towards(place(a + b), u), v);
    return rows.plus(columns).minus(corners);
  }

  private Vec3 place(int i) {
    return mesh.position(at(i));
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
