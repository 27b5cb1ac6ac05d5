package fairedge.server.exercise;

import fairedge.core.format.BadFile;
import fairedge.core.format.LengthUnit;
import fairedge.core.format.Limits;
import fairedge.core.format.Meant;
import fairedge.core.format.MeshFormat;
import fairedge.core.mesh.Mesh;
import fairedge.server.platform.Problem;
import java.io.IOException;
import java.io.InputStream;
import java.io.UncheckedIOException;
import java.util.Map;

/**
 * A mesh file as it came in.
 *
 * @param unit of its lengths, since files don't say it
 * @param up which of its axes points upwards
 */
public record SentMesh(String name, String unit, Meant.Up up, InputStream bytes) {
  private static final int LONGEST_NAME = 80;

  /**
   * @throws Problem if there is no such unit
   */
  LengthUnit lengths() {
    return LengthUnit.named(unit)
        .orElseThrow(() -> Problem.of(Problem.Kind.BAD_INPUT, "The unit is one of mm, cm, m, in."));
  }

  /**
   * Its mesh, Z upwards.
   *
   * @param into in which its lengths are told
   * @throws Problem saying where it can't be read
   */
  public Mesh read(Limits limits, LengthUnit into) {
    try {
      return new Meant(lengths(), up).mesh(MeshFormat.read(bytes, limits).mesh(), into);
    } catch (BadFile bad) {
      throw Problem.of(
          Problem.Kind.BAD_FILE,
          String.valueOf(bad.getMessage()),
          Map.of("line", bad.line(), "found", bad.found(), "expected", bad.expected()));
    } catch (IOException broken) {
      throw new UncheckedIOException(broken);
    }
  }

  /** Its name as it may stand in a sentence. */
  String plainName() {
    String plain = name.replaceAll("\\p{Cntrl}", "").strip();
    if (plain.isEmpty()) {
      return "a file";
    }
    return plain.length() > LONGEST_NAME ? plain.substring(0, LONGEST_NAME) : plain;
  }
}
