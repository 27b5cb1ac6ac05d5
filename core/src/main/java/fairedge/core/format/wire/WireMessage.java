package fairedge.core.format.wire;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.BitSet;
import java.util.function.IntPredicate;

/**
 * The message that carries a mesh, or what changed of it, to a browser; layout in docs/wire.md. A
 * whole mesh is the delta from nothing: the same records for all elements. Cost: the elements in
 * it.
 */
public final class WireMessage {
  /** "FEWM" as the first four bytes. */
  static final int MAGIC = 0x4D574546;

  static final int VERSION = 2;
  private static final int WHOLE = 0;
  private static final int DELTA = 1;
  private static final int GONE = -1;

  private final Mesh mesh;
  private final Vec3 origin;
  private final Growing out = new Growing();

  private WireMessage(Mesh mesh, Vec3 origin) {
    this.mesh = mesh;
    this.origin = origin;
  }

  /**
   * @param origin what positions are sent relative to, so that single precision is enough
   */
  public static byte[] whole(Mesh mesh, Vec3 origin, long revision) {
    WireMessage message = new WireMessage(mesh, origin);
    message.header(WHOLE, 0, revision);
    message.vertices(living(mesh.vertexEnd(), mesh::hasVertex));
    message.edges(living(mesh.edgeEnd(), mesh::hasEdge));
    message.faces(living(mesh.faceEnd(), mesh::hasFace));
    return message.out.bytes();
  }

  /** What a browser that holds revision {@code from} needs in order to hold {@code to}. */
  public static byte[] delta(Mesh mesh, Vec3 origin, ElementSet touched, long from, long to) {
    WireMessage message = new WireMessage(mesh, origin);
    message.header(DELTA, from, to);
    message.vertices(touched.vertices());
    message.edges(touched.edges());
    message.faces(touched.faces());
    return message.out.bytes();
  }

  private static BitSet living(int end, IntPredicate isThere) {
    BitSet ids = new BitSet(end);
    for (int id = 0; id < end; id++) {
      ids.set(id, isThere.test(id));
    }
    return ids;
  }

  private void header(int kind, long from, long to) {
    out.putInt(MAGIC);
    out.putInt(VERSION);
    out.putInt(kind);
    out.putInt(0);
    out.putDouble(from);
    out.putDouble(to);
    out.putDouble(origin.x());
    out.putDouble(origin.y());
    out.putDouble(origin.z());
    out.putInt(mesh.vertexEnd());
    out.putInt(mesh.edgeEnd());
    out.putInt(mesh.faceEnd());
  }

  private void vertices(BitSet ids) {
    out.putInt(ids.cardinality());
    for (int v = ids.nextSetBit(0); v >= 0; v = ids.nextSetBit(v + 1)) {
      boolean shown = mesh.hasVertex(v) && mesh.hasPlace(v);
      Vec3 p = shown ? mesh.position(v).minus(origin) : Vec3.ZERO;
      out.putInt(shown ? v : -1 - v);
      out.putFloat((float) p.x());
      out.putFloat((float) p.y());
      out.putFloat((float) p.z());
    }
  }

  private void edges(BitSet ids) {
    out.putInt(ids.cardinality());
    for (int e = ids.nextSetBit(0); e >= 0; e = ids.nextSetBit(e + 1)) {
      boolean shown =
          mesh.hasEdge(e) && mesh.hasPlace(mesh.first(e)) && mesh.hasPlace(mesh.second(e));
      out.putInt(e);
      out.putInt(shown ? mesh.first(e) : GONE);
      out.putInt(shown ? mesh.second(e) : GONE);
    }
  }

  /** A face without place for a corner keeps its corners and has no triangles. */
  private void faces(BitSet ids) {
    out.putInt(ids.cardinality());
    for (int f = ids.nextSetBit(0); f >= 0; f = ids.nextSetBit(f + 1)) {
      out.putInt(f);
      if (!mesh.hasFace(f)) {
        out.putInt(0);
        continue;
      }
      int[] corners = mesh.vertices(f);
      out.putInt(corners.length);
      for (int v : corners) {
        out.putInt(v);
      }
      int c = mesh.firstCorner(f);
      for (int i = 0; i < corners.length; i++) {
        out.putInt(mesh.edgeOf(c));
        c = mesh.next(c);
      }
      int[] triangles = mesh.isMeasurable(f) ? mesh.polygon(f).triangles() : new int[0];
      out.putInt(triangles.length / 3);
      for (int corner : triangles) {
        out.putInt(corner);
      }
    }
  }

  /** A little-endian buffer that grows. */
  private static final class Growing {
    private ByteBuffer buffer = ByteBuffer.allocate(4096).order(ByteOrder.LITTLE_ENDIAN);

    private ByteBuffer room() {
      if (buffer.remaining() < 8) {
        ByteBuffer larger =
            ByteBuffer.allocate(2 * buffer.capacity()).order(ByteOrder.LITTLE_ENDIAN);
        buffer = larger.put(buffer.flip());
      }
      return buffer;
    }

    void putInt(int value) {
      room().putInt(value);
    }

    void putFloat(float value) {
      room().putFloat(value);
    }

    void putDouble(double value) {
      room().putDouble(value);
    }

    byte[] bytes() {
      byte[] result = new byte[buffer.position()];
      buffer.flip().get(result);
      return result;
    }
  }
}
