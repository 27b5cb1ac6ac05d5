package fairedge.core.fill;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Draws rings of quads into a face, each nearer to its middle, for round ends. Labels and values at
 * corners are carried from the face. Cost: the corners times the rings.
 */
public final class RingsFill {
  private RingsFill() {}

  /**
   * @param rings how many, from 1
   * @param inner how large the innermost ring is, as a share of the face: between 0 and 1
   * @return the face that is left inside
   * @throws Refusal.Raised where the face touches itself or the numbers make no sense
   */
  public static int draw(MeshEdit edit, int face, int rings, double inner) {
    Mesh mesh = edit.mesh();
    if (rings < 1 || rings > 100 || !(inner > 0 && inner < 1)) {
      throw Refusal.because(
          "From 1 to 100 rings can be drawn, the innermost between 0 and 1 of the face.",
          Element.face(face));
    }
    int[] vertices = mesh.vertices(face);
    if (Arrays.stream(vertices).distinct().count() < vertices.length || !mesh.isMeasurable(face)) {
      throw Refusal.because("This face touches itself or has no place.", Element.face(face));
    }
    Vec3 middle = mesh.polygon(face).middle();
    int left = face;
    int[] outer = vertices;
    for (int k = 1; k <= rings; k++) {
      double share = 1 - (1 - inner) * k / rings;
      List<Vec3> places = new ArrayList<>();
      for (int v : vertices) {
        places.add(middle.towards(mesh.position(v), share));
      }
      int[] within = new int[outer.length];
      left = ring(edit, left, outer, places, within);
      outer = within;
    }
    return left;
  }

  /** Cuts one ring of quads off a face, quad by quad; the face that is left. */
  private static int ring(MeshEdit edit, int face, int[] outer, List<Vec3> places, int[] within) {
    Mesh mesh = edit.mesh();
    int n = outer.length;
    int first = mesh.vertexEnd();
    for (int i = 0; i < n; i++) {
      within[i] = first + i;
    }
    int left = cutOff(edit, face, outer[0], outer[1], places.subList(0, 2), outer[0], outer[1]);
    for (int i = 2; i < n; i++) {
      List<Vec3> bend = List.of(places.get(i));
      left = cutOff(edit, left, within[i - 1], outer[i], bend, outer[i - 1], outer[i]);
    }
    return cutOff(edit, left, within[n - 1], within[0], List.of(), outer[n - 1], outer[0]);
  }

  /** Splits a face; of both parts the one that is not on the edge between a and b. */
  private static int cutOff(
      MeshEdit edit, int face, int from, int to, List<Vec3> bends, int a, int b) {
    Mesh mesh = edit.mesh();
    int made = edit.splitFace(face, mesh.findCorner(face, from), mesh.findCorner(face, to), bends);
    boolean madeIsOff = Arrays.stream(mesh.facesOn(mesh.findEdge(a, b))).anyMatch(f -> f == made);
    return madeIsOff ? face : made;
  }
}
