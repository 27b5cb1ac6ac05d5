package fairedge.server.account;

import fairedge.server.platform.Sha256;
import java.security.SecureRandom;
import java.util.Locale;

/** One-time codes as people type them, and the hashes that are kept of them. */
final class Codes {
  /** Letters and digits that nobody takes for each other. */
  private static final String LETTERS = "ABCDEFGHJKMNPQRSTUVWXYZ23456789";

  private static final int LENGTH = 12;
  private static final int GROUP = 4;
  private static final SecureRandom RANDOM = new SecureRandom();

  private Codes() {}

  /** A new one, {@code K7MQ-4XRT-9HPW}: 59 bits. */
  static String made() {
    StringBuilder code = new StringBuilder();
    for (int i = 0; i < LENGTH; i++) {
      if (i > 0 && i % GROUP == 0) {
        code.append('-');
      }
      code.append(LETTERS.charAt(RANDOM.nextInt(LETTERS.length())));
    }
    return code.toString();
  }

  /** Of what was typed, however it was: small letters, other dashes, blanks. */
  static byte[] hashOf(String typed) {
    String plain = typed.toUpperCase(Locale.ROOT).replaceAll("[^A-Z0-9]", "");
    return Sha256.of(plain);
  }
}
