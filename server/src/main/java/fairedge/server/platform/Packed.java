package fairedge.server.platform;

import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.zip.Deflater;
import java.util.zip.GZIPOutputStream;
import org.springframework.http.ResponseEntity;

/**
 * Replies with large binary bodies, packed fast rather than small: the server's own packing takes
 * several times as long for a tenth less.
 */
public final class Packed {
  private static final int SMALLEST = 16_000;

  private Packed() {}

  /**
   * @param accepted what the caller can unpack, as its request says; empty for nothing
   */
  public static ResponseEntity<byte[]> reply(String type, byte[] body, String accepted) {
    ResponseEntity.BodyBuilder reply =
        ResponseEntity.ok().header("Content-Type", type).header("Vary", "Accept-Encoding");
    if (body.length < SMALLEST || !accepted.contains("gzip")) {
      return reply.body(body);
    }
    return reply.header("Content-Encoding", "gzip").body(packed(body));
  }

  /** Length of the JSON, the JSON padded to 8 bytes, a message; see docs/wire.md. */
  public static ResponseEntity<byte[]> reply(
      String type, byte[] json, byte[] message, String accepted) {
    int padded = (json.length + 4 + 7) / 8 * 8;
    ByteBuffer out = ByteBuffer.allocate(padded + message.length).order(ByteOrder.LITTLE_ENDIAN);
    out.putInt(json.length).put(json).position(padded).put(message);
    return reply(type, out.array(), accepted);
  }

  private static byte[] packed(byte[] body) {
    ByteArrayOutputStream out = new ByteArrayOutputStream(body.length / 3 + 64);
    try (GZIPOutputStream gzip =
        new GZIPOutputStream(out, 1 << 16) {
          {
            def.setLevel(Deflater.BEST_SPEED);
          }
        }) {
      gzip.write(body);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return out.toByteArray();
  }
}
