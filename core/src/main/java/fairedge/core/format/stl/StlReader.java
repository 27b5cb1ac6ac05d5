package fairedge.core.format.stl;

import fairedge.core.format.Assembly;
import fairedge.core.format.BadFile;
import fairedge.core.format.Joining;
import fairedge.core.format.Limits;
import fairedge.core.format.ReadResult;
import fairedge.core.format.Tokens;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;

/**
 * Reads STL, text and binary. Its triangles don't share vertices: those in the very same place are
 * joined. Sides that a face had before it was written are lost, and that is said. The count of a
 * binary file is believed only as far as there is data. Cost: the file, once.
 */
public final class StlReader {
  private static final String LOST =
      "An STL file holds triangles only: faces that had more sides have lost them. Hand in a format"
          + " that keeps them.";

  private StlReader() {}

  /**
   * @param in buffered
   * @throws BadFile if it is no STL, holds no face, or is over a limit
   */
  public static ReadResult text(InputStream in, Limits limits) throws IOException, BadFile {
    Tokens tokens = new Tokens(in, false);
    Assembly assembly = new Assembly(limits);
    Joining joining = new Joining(assembly);
    int corners = 0;
    for (String word = tokens.anywhere(); word != null; word = tokens.anywhere()) {
      switch (word) {
        case "vertex" -> {
          double x = Tokens.number(tokens.onLine());
          double y = Tokens.number(tokens.onLine());
          int line = tokens.line();
          assembly.corner(joining.vertex(x, y, Tokens.number(tokens.onLine()), line), line);
          corners++;
        }
        case "endfacet", "facet" -> {
          if (corners > 0) {
            assembly.endFace(tokens.line());
          }
          corners = 0;
        }
        default -> {
          // Names, normals and the words between.
        }
      }
    }
    if (corners > 0) {
      assembly.endFace(tokens.line());
    }
    return assembly.finish(tokens.line(), LOST);
  }

  /**
   * @throws BadFile if it ends too early, holds no face, or is over a limit
   */
  public static ReadResult binary(InputStream in, Limits limits) throws IOException, BadFile {
    byte[] head = in.readNBytes(84);
    if (head.length < 84) {
      throw new BadFile(0, head.length + " bytes", "the 84 bytes with which a binary STL begins");
    }
    long count = ByteBuffer.wrap(head).order(ByteOrder.LITTLE_ENDIAN).getInt(80) & 0xFFFF_FFFFL;
    Assembly assembly = new Assembly(limits);
    Joining joining = new Joining(assembly);
    byte[] facet = new byte[50];
    ByteBuffer numbers = ByteBuffer.wrap(facet).order(ByteOrder.LITTLE_ENDIAN);
    for (long i = 0; i < count; i++) {
      if (in.readNBytes(facet, 0, 50) < 50) {
        throw new BadFile(0, "the end of the file after " + i + " triangles", count + " triangles");
      }
      for (int corner = 0; corner < 3; corner++) {
        int at = 12 + 12 * corner;
        assembly.corner(
            joining.vertex(
                numbers.getFloat(at), numbers.getFloat(at + 4), numbers.getFloat(at + 8), 0),
            0);
      }
      assembly.endFace(0);
    }
    return assembly.finish(0, LOST);
  }
}
