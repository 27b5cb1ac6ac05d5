package fairedge.core.format.wire;

import fairedge.core.geometry.Vec3;
import fairedge.core.subdivide.Limit;
import fairedge.core.subdivide.Refined;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * The message that carries the smooth surface of a mesh to a browser: the quads of one level, their
 * vertices where they end, with the surface's normals; layout in docs/wire.md. Cost: the quads.
 */
public final class SurfaceMessage {
  /** "FESS" as the first four bytes. */
  static final int MAGIC = 0x53534546;

  static final int VERSION = 1;
  private static final int HEADER = 56;

  /** The largest whole number of a normal's part. */
  private static final int ONE = Short.MAX_VALUE;

  private SurfaceMessage() {}

  /**
   * @param origin what positions are sent relative to
   * @param highest the highest level that may be asked for
   */
  public static byte[] of(Refined refined, Vec3 origin, int highest) {
    Limit limit = refined.limit();
    int vertices = refined.vertexEnd();
    int faces = refined.cage().faceEnd();
    long size = HEADER + 20L * vertices + 4L * (faces + 1) + 16L * refined.quadCount();
    ByteBuffer out = ByteBuffer.allocate(Math.toIntExact(size)).order(ByteOrder.LITTLE_ENDIAN);
    out.putInt(MAGIC).putInt(VERSION).putInt(refined.level()).putInt(highest);
    out.putDouble(origin.x()).putDouble(origin.y()).putDouble(origin.z());
    out.putInt(vertices).putInt(faces).putInt(refined.quadCount()).putInt(0);
    for (int v = 0; v < vertices; v++) {
      Vec3 p = limit.position(v).minus(origin);
      out.putFloat((float) p.x()).putFloat((float) p.y()).putFloat((float) p.z());
    }
    for (int v = 0; v < vertices; v++) {
      Vec3 n = limit.normal(v);
      out.putShort(part(n.x())).putShort(part(n.y())).putShort(part(n.z())).putShort((short) 0);
    }
    for (int f = 0; f <= faces; f++) {
      out.putInt(refined.firstQuad(f));
    }
    for (int q = 0; q < refined.quadCount(); q++) {
      for (int i = 0; i < 4; i++) {
        out.putInt(refined.vertex(q, i));
      }
    }
    return out.array();
  }

  private static short part(double of) {
    return (short) Math.round(of * ONE);
  }
}
