package fairedge.core.mesh;

import fairedge.core.geometry.Vec3;
import java.nio.BufferUnderflowException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * The state of a mesh as bytes, ids and all: what is stored and hashed, and what "the same bytes"
 * means. Little-endian: magic, version, the three ends, then per vertex id a flag and three
 * doubles, per edge id its two ends (-1 where freed), per face id its size (0 where freed) and
 * vertices from its first corner; from version 2 on labels and values at corners ({@link
 * AttributeBytes}). Version 1 is still read.
 */
public final class MeshBytes {
  private static final int MAGIC = 0x4D_45_46_45;
  private static final int VERSION = 2;
  private static final int FIRST_VERSION = 1;

  private MeshBytes() {}

  /** Cost: the whole mesh. */
  public static byte[] write(Mesh mesh) {
    byte[] attributes = AttributeBytes.write(mesh);
    ByteBuffer out =
        ByteBuffer.allocate(Math.addExact(size(mesh), attributes.length))
            .order(ByteOrder.LITTLE_ENDIAN);
    out.putInt(MAGIC).putInt(VERSION);
    out.putInt(mesh.vertexEnd()).putInt(mesh.edgeEnd()).putInt(mesh.faceEnd());
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      out.put((byte) (mesh.hasVertex(v) ? 1 : 0));
      if (mesh.hasVertex(v)) {
        out.putDouble(mesh.x[v]).putDouble(mesh.y[v]).putDouble(mesh.z[v]);
      }
    }
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      boolean alive = mesh.hasEdge(e);
      out.putInt(alive ? mesh.first(e) : -1).putInt(alive ? mesh.second(e) : -1);
    }
    for (int f = 0; f < mesh.faceEnd(); f++) {
      int[] vertices = mesh.hasFace(f) ? mesh.vertices(f) : new int[0];
      out.putInt(vertices.length);
      for (int v : vertices) {
        out.putInt(v);
      }
    }
    return out.put(attributes).array();
  }

  private static int size(Mesh mesh) {
    long size = 20L + mesh.vertexEnd() + 24L * mesh.vertexCount() + 8L * mesh.edgeEnd();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      size += 4 + (mesh.hasFace(f) ? 4L * mesh.size(f) : 0);
    }
    return Math.toIntExact(size);
  }

  /**
   * Cost: the whole mesh.
   *
   * @throws IllegalArgumentException if these are not bytes that {@link #write} wrote
   */
  public static Mesh read(byte[] bytes) {
    try {
      return readUnchecked(ByteBuffer.wrap(bytes).order(ByteOrder.LITTLE_ENDIAN));
    } catch (BufferUnderflowException | IndexOutOfBoundsException e) {
      throw new IllegalArgumentException("these bytes of a mesh end too early", e);
    }
  }

  private static Mesh readUnchecked(ByteBuffer in) {
    int magic = in.getInt();
    int version = in.getInt();
    if (magic != MAGIC || version < FIRST_VERSION || version > VERSION) {
      throw new IllegalArgumentException(
          "these are not the bytes of a mesh, version " + FIRST_VERSION + " to " + VERSION);
    }
    int vertexEnd = in.getInt();
    int edgeEnd = in.getInt();
    int faceEnd = in.getInt();
    Mesh mesh = new Mesh();
    MeshLinks links = new MeshLinks(mesh);
    for (int v = 0; v < vertexEnd; v++) {
      if (in.get() == 1) {
        links.makeVertex(new Vec3(in.getDouble(), in.getDouble(), in.getDouble()));
      } else {
        links.skipVertex();
      }
    }
    EdgeTable table = readEdges(in, links, edgeEnd);
    for (int f = 0; f < faceEnd; f++) {
      readFace(in, links, table, mesh);
    }
    if (version > FIRST_VERSION) {
      AttributeBytes.read(in, mesh, links);
    }
    return mesh;
  }

  private static EdgeTable readEdges(ByteBuffer in, MeshLinks links, int edgeEnd) {
    EdgeTable table = new EdgeTable(Math.min(edgeEnd, in.remaining() / 8));
    for (int e = 0; e < edgeEnd; e++) {
      int a = in.getInt();
      int b = in.getInt();
      if (a < 0) {
        links.skipEdge();
      } else {
        table.put(a, b, links.makeEdge(a, b));
      }
    }
    return table;
  }

  private static void readFace(ByteBuffer in, MeshLinks links, EdgeTable table, Mesh mesh) {
    int f = links.makeFace();
    int n = in.getInt();
    if (n == 0) {
      return;
    }
    int[] corners = new int[Math.min(n, in.remaining() / 4 + 1)];
    for (int i = 0; i < n; i++) {
      corners[i] = links.makeCorner(f, in.getInt());
    }
    for (int i = 0; i < n; i++) {
      int c = corners[i];
      int d = corners[(i + 1) % n];
      links.chain(c, d);
      links.lay(c, table.find(mesh.vertexOf(c), mesh.vertexOf(d)));
    }
    links.begin(f, corners[0], n);
  }
}
