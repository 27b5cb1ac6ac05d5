package fairedge.benchmark;

import fairedge.core.format.obj.ObjWriter;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.io.IOException;
import java.nio.charset.StandardCharsets;

/** Waved sheets of quads, as large as wanted. */
final class Sheets {
  private Sheets() {}

  /** About so many quads, as square as they go. */
  static Mesh sheet(int quads) {
    int side = (int) Math.round(Math.sqrt(quads));
    MeshBuilder b = new MeshBuilder((side + 1) * (side + 1), side * side, 4 * side * side);
    for (int j = 0; j <= side; j++) {
      for (int i = 0; i <= side; i++) {
        b.vertex(0.01 * i, 0.01 * j, Math.sin(0.02 * i) * Math.cos(0.03 * j));
      }
    }
    for (int j = 0; j < side; j++) {
      for (int i = 0; i < side; i++) {
        int v = j * (side + 1) + i;
        b.face(v, v + 1, v + side + 2, v + side + 1);
      }
    }
    return b.build();
  }

  /** The same as an OBJ file. */
  static byte[] file(int quads) throws IOException {
    StringBuilder text = new StringBuilder();
    ObjWriter.write(sheet(quads), text);
    return text.toString().getBytes(StandardCharsets.UTF_8);
  }
}
