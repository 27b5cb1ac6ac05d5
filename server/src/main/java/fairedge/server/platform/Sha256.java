package fairedge.server.platform;

import java.nio.charset.StandardCharsets;
import java.security.MessageDigest;
import java.security.NoSuchAlgorithmException;

/** The hash of the house. */
public final class Sha256 {
  private Sha256() {}

  public static byte[] of(byte[] bytes) {
    try {
      return MessageDigest.getInstance("SHA-256").digest(bytes);
    } catch (NoSuchAlgorithmException e) {
      // Every Java has it.
      throw new IllegalStateException(e);
    }
  }

  /** Of a text in UTF-8. */
  public static byte[] of(String text) {
    return of(text.getBytes(StandardCharsets.UTF_8));
  }
}
