package fairedge.server.exercise;

import java.util.HexFormat;

/**
 * A solution that an exercise knows of.
 *
 * @param hash of its mesh
 * @param from where it came from, in words
 */
public record Reference(String hash, String from) {
  static Reference of(byte[] hash, String from) {
    return new Reference(HexFormat.of().formatHex(hash), from);
  }

  /**
   * @throws IllegalArgumentException if the hash is none
   */
  public byte[] bytes() {
    return HexFormat.of().parseHex(hash);
  }
}
