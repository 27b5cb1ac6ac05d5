package fairedge.core.format.ply;

import fairedge.core.mesh.Mesh;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.stream.IntStream;

/**
 * Writes PLY, binary, little-endian: vertices by id as doubles, so that they read back the same;
 * faces by id from their first corner; loose edges. Cost: the mesh.
 */
public final class PlyWriter {
  private PlyWriter() {}

  public static void write(Mesh mesh, OutputStream out) throws IOException {
    int[] loose =
        IntStream.range(0, mesh.edgeEnd())
            .filter(e -> mesh.hasEdge(e) && mesh.cornerOn(e) == Mesh.NONE)
            .toArray();
    String header =
        "ply\nformat binary_little_endian 1.0\nelement vertex "
            + mesh.vertexCount()
            + "\nproperty double x\nproperty double y\nproperty double z\nelement face "
            + mesh.faceCount()
            + "\nproperty list uint uint vertex_indices\n"
            + (loose.length == 0
                ? ""
                : "element edge " + loose.length + "\nproperty int vertex1\nproperty int vertex2\n")
            + "end_header\n";
    out.write(header.getBytes(StandardCharsets.US_ASCII));
    int[] number = new int[mesh.vertexEnd()];
    ByteBuffer buffer = ByteBuffer.allocate(24).order(ByteOrder.LITTLE_ENDIAN);
    int count = 0;
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v)) {
        number[v] = count++;
        buffer.clear().putDouble(mesh.x(v)).putDouble(mesh.y(v)).putDouble(mesh.z(v));
        out.write(buffer.array(), 0, 24);
      }
    }
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        integer(out, buffer, mesh.size(f));
        for (int v : mesh.vertices(f)) {
          integer(out, buffer, number[v]);
        }
      }
    }
    for (int e : loose) {
      integer(out, buffer, number[mesh.first(e)]);
      integer(out, buffer, number[mesh.second(e)]);
    }
  }

  private static void integer(OutputStream out, ByteBuffer buffer, int value) throws IOException {
    buffer.clear().putInt(value);
    out.write(buffer.array(), 0, 4);
  }
}
