package fairedge.core.format.gltf;

import fairedge.core.geometry.Bounds;
import fairedge.core.mesh.Mesh;
import java.io.IOException;
import java.io.OutputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Locale;

/**
 * Writes GLB 2.0 with polygons encoded ({@code FB_ngon_encoding}): a face is a fan of triangles
 * that begin at one of its vertices, another one than that of the face before. Places are single
 * precision: the format knows no other. Vertices without a place, and faces with one, have no place
 * in it. Cost: the mesh.
 */
public final class GlbWriter {
  private GlbWriter() {}

  public static void write(Mesh mesh, OutputStream out) throws IOException {
    int[] number = new int[mesh.vertexEnd()];
    int vertices = 0;
    Bounds box = Bounds.EMPTY;
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      number[v] = Mesh.NONE;
      if (mesh.hasVertex(v) && mesh.hasPlace(v)) {
        number[v] = vertices++;
        box = box.with(mesh.position(v));
      }
    }
    int corners = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      corners += isWritten(mesh, f) ? 3 * (mesh.size(f) - 2) : 0;
    }
    byte[] json = json(vertices, corners, box);
    int data = 12 * vertices + 4 * corners;
    ByteBuffer head = ByteBuffer.allocate(28 + json.length).order(ByteOrder.LITTLE_ENDIAN);
    head.putInt(0x46546C67).putInt(2).putInt(28 + json.length + data);
    head.putInt(json.length).putInt(0x4E4F534A).put(json);
    head.putInt(data).putInt(0x004E4942);
    out.write(head.array());
    places(mesh, number, out);
    triangles(mesh, number, out);
  }

  private static boolean isWritten(Mesh mesh, int f) {
    return mesh.hasFace(f) && mesh.isMeasurable(f);
  }

  private static byte[] json(int vertices, int corners, Bounds box) {
    String json =
        String.format(
            Locale.ROOT,
            "{\"asset\":{\"version\":\"2.0\",\"generator\":\"Fair Edge\"},"
                + "\"extensionsUsed\":[\"FB_ngon_encoding\"],\"scene\":0,"
                + "\"scenes\":[{\"nodes\":[0]}],\"nodes\":[{\"mesh\":0}],"
                + "\"meshes\":[{\"primitives\":[{\"attributes\":{\"POSITION\":0},\"indices\":1,"
                + "\"extensions\":{\"FB_ngon_encoding\":{}}}]}],"
                + "\"buffers\":[{\"byteLength\":%d}],"
                + "\"bufferViews\":[{\"buffer\":0,\"byteLength\":%d},"
                + "{\"buffer\":0,\"byteOffset\":%d,\"byteLength\":%d}],"
                + "\"accessors\":[{\"bufferView\":0,\"componentType\":5126,\"count\":%d,"
                + "\"type\":\"VEC3\",\"min\":[%s,%s,%s],\"max\":[%s,%s,%s]},"
                + "{\"bufferView\":1,\"componentType\":5125,\"count\":%d,\"type\":\"SCALAR\"}]}",
            12 * vertices + 4 * corners,
            12 * vertices,
            12 * vertices,
            4 * corners,
            vertices,
            (float) box.min().x(),
            (float) box.min().y(),
            (float) box.min().z(),
            (float) box.max().x(),
            (float) box.max().y(),
            (float) box.max().z(),
            corners);
    String padded = json + " ".repeat((4 - json.length() % 4) % 4);
    return padded.getBytes(StandardCharsets.US_ASCII);
  }

  private static void places(Mesh mesh, int[] number, OutputStream out) throws IOException {
    ByteBuffer place = ByteBuffer.allocate(12).order(ByteOrder.LITTLE_ENDIAN);
    for (int v = 0; v < number.length; v++) {
      if (number[v] != Mesh.NONE) {
        place.clear().putFloat((float) mesh.x(v)).putFloat((float) mesh.y(v));
        out.write(place.putFloat((float) mesh.z(v)).array());
      }
    }
  }

  private static void triangles(Mesh mesh, int[] number, OutputStream out) throws IOException {
    ByteBuffer triangle = ByteBuffer.allocate(12).order(ByteOrder.LITTLE_ENDIAN);
    int before = Mesh.NONE;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (isWritten(mesh, f)) {
        int[] ring = mesh.vertices(f);
        int n = ring.length;
        int start = ring[0] == before ? 1 : 0;
        before = ring[start];
        for (int i = 1; i + 1 < n; i++) {
          triangle.clear().putInt(number[before]).putInt(number[ring[(start + i) % n]]);
          out.write(triangle.putInt(number[ring[(start + i + 1) % n]]).array());
        }
      }
    }
  }
}
