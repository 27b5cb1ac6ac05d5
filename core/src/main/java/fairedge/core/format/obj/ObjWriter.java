package fairedge.core.format.obj;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.io.IOException;

/**
 * Writes OBJ: living vertices by id, faces by id from their first corner, loose edges. Numbers are
 * the shortest that read back to the same double. Cost: the mesh.
 */
public final class ObjWriter {
  private ObjWriter() {}

  public static void write(Mesh mesh, Appendable out) throws IOException {
    int[] number = new int[mesh.vertexEnd()];
    int count = 0;
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v)) {
        number[v] = ++count;
        Vec3 p = mesh.position(v);
        out.append("v ").append(Double.toString(p.x())).append(' ');
        out.append(Double.toString(p.y())).append(' ').append(Double.toString(p.z())).append('\n');
      }
    }
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        out.append('f');
        for (int v : mesh.vertices(f)) {
          out.append(' ').append(Integer.toString(number[v]));
        }
        out.append('\n');
      }
    }
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && mesh.cornerOn(e) == Mesh.NONE) {
        out.append("l ").append(Integer.toString(number[mesh.first(e)])).append(' ');
        out.append(Integer.toString(number[mesh.second(e)])).append('\n');
      }
    }
  }
}
