package fairedge.core.format;

import java.nio.charset.StandardCharsets;
import java.util.Map;
import java.util.Optional;

/** Files of other sorts, known by how they begin, so that they are refused as what they are. */
final class NoMesh {
  private static final Map<String, String> BEGINNINGS =
      Map.of(
          "\u0089PNG", "a PNG picture",
          "\u00FF\u00D8\u00FF", "a JPEG picture",
          "GIF8", "a GIF picture",
          "%PDF", "a PDF document",
          "PK\u0003\u0004", "a zip",
          "\u001F\u008B", "a file packed by gzip",
          "<svg", "an SVG drawing");

  private NoMesh() {}

  /** What a file is that is no mesh. */
  static Optional<String> of(byte[] head) {
    String begin = new String(head, StandardCharsets.ISO_8859_1);
    return BEGINNINGS.entrySet().stream()
        .filter(known -> begin.startsWith(known.getKey()))
        .map(Map.Entry::getValue)
        .findFirst();
  }
}
