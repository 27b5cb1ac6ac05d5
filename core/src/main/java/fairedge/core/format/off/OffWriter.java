package fairedge.core.format.off;

import fairedge.core.mesh.Mesh;
import java.io.IOException;

/**
 * Writes OFF in text: vertices by id with numbers that read back to the same doubles, faces by id
 * from their first corner. Loose edges have no place in it. Cost: the mesh.
 */
public final class OffWriter {
  private OffWriter() {}

  public static void write(Mesh mesh, Appendable out) throws IOException {
    out.append("OFF\n")
        .append(Integer.toString(mesh.vertexCount()))
        .append(' ')
        .append(Integer.toString(mesh.faceCount()))
        .append(" 0\n");
    int[] number = new int[mesh.vertexEnd()];
    int count = 0;
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v)) {
        number[v] = count++;
        out.append(Double.toString(mesh.x(v)))
            .append(' ')
            .append(Double.toString(mesh.y(v)))
            .append(' ')
            .append(Double.toString(mesh.z(v)))
            .append('\n');
      }
    }
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        out.append(Integer.toString(mesh.size(f)));
        for (int v : mesh.vertices(f)) {
          out.append(' ').append(Integer.toString(number[v]));
        }
        out.append('\n');
      }
    }
  }
}
