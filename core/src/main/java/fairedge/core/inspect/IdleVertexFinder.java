package fairedge.core.inspect;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;

/**
 * {@code idle-vertex}:
 *
 * <ol>
 *   <li>a vertex in faces at which exactly two edges of faces meet (loose edges don't count);
 *   <li>all three vertices of these edges have a place;
 *   <li>the direction turns there by the profile's angle (1 degree) or less, on a border too.
 * </ol>
 *
 * Cost: every vertex once.
 */
final class IdleVertexFinder {
  private final double largestTurn;

  IdleVertexFinder(double largestTurn) {
    this.largestTurn = largestTurn;
  }

  List<Finding> find(Mesh mesh) {
    List<Finding> found = new ArrayList<>();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && mesh.edgeAt(v) != Mesh.NONE && mesh.valence(v) == 2) {
        int[] ends = faceNeighbours(mesh, v);
        if (mesh.hasPlace(v) && mesh.hasPlace(ends[0]) && mesh.hasPlace(ends[1])) {
          add(found, mesh, v, ends);
        }
      }
    }
    return found;
  }

  private static int[] faceNeighbours(Mesh mesh, int v) {
    int[] ends = new int[2];
    int count = 0;
    for (int e : mesh.edgesAt(v)) {
      if (mesh.cornerOn(e) != Mesh.NONE) {
        ends[count++] = mesh.otherEnd(e, v);
      }
    }
    return ends;
  }

  private void add(List<Finding> found, Mesh mesh, int v, int[] ends) {
    Vec3 at = mesh.position(v);
    Vec3 in = at.minus(mesh.position(ends[0]));
    Vec3 out = mesh.position(ends[1]).minus(at);
    double turn = in.angleTo(out);
    if (turn <= largestTurn) {
      found.add(new Finding.IdleVertex(v, turn, at, Places.meanEdge(mesh, mesh.facesAt(v))));
    }
  }
}
