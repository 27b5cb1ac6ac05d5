package fairedge.core.format.off;

import fairedge.core.format.Assembly;
import fairedge.core.format.BadFile;
import fairedge.core.format.Limits;
import fairedge.core.format.ReadResult;
import fairedge.core.format.Tokens;
import java.io.IOException;
import java.io.InputStream;
import org.jspecify.annotations.Nullable;

/**
 * Reads OFF in text: a vertex or a face a line, {@code #} begins a comment. Of a vertex the first
 * three numbers are taken, of a face its count and so many indices; colours, normals and texture
 * after them are passed over. Counts are believed only as far as there are lines. Cost: the file,
 * once.
 */
public final class OffReader {
  private final Tokens tokens;

  private OffReader(Tokens tokens) {
    this.tokens = tokens;
  }

  /**
   * @param in buffered
   * @throws BadFile if it is no OFF in three dimensions, ends too early, holds no face, or is over
   *     a limit
   */
  public static ReadResult read(InputStream in, Limits limits) throws IOException, BadFile {
    return new OffReader(new Tokens(in, true)).mesh(new Assembly(limits));
  }

  private ReadResult mesh(Assembly assembly) throws IOException, BadFile {
    String first = tokens.anywhere();
    if (first == null || !first.matches("(ST|st)?C?N?OFF")) {
      throw new BadFile(tokens.line(), "\"" + shortened(first) + "\"", "OFF, in three dimensions");
    }
    long vertices = count("the number of vertices");
    long faces = count("the number of faces");
    tokens.nextLine();
    for (long v = 0; v < vertices; v++) {
      String x = firstOfLine("a vertex");
      int line = tokens.line();
      double y = Tokens.number(tokens.onLine());
      assembly.vertex(Tokens.number(x), y, Tokens.number(tokens.onLine()), line);
      tokens.nextLine();
    }
    for (long f = 0; f < faces; f++) {
      face(assembly);
    }
    return assembly.finish(tokens.line());
  }

  private void face(Assembly assembly) throws IOException, BadFile {
    long size = Tokens.whole(firstOfLine("a face"));
    int line = tokens.line();
    boolean whole = size >= 0;
    for (long i = 0; i < size; i++) {
      String index = tokens.onLine();
      if (index == null) {
        whole = false;
        break;
      }
      assembly.corner(Tokens.whole(index), line);
    }
    if (!whole) {
      // An index that no vertex has: the face is left out, and told of with its line.
      assembly.corner(-1, line);
    }
    assembly.endFace(line);
    tokens.nextLine();
  }

  private long count(String what) throws IOException, BadFile {
    String word = tokens.anywhere();
    long count = Tokens.whole(word);
    if (count < 0) {
      throw new BadFile(tokens.line(), "\"" + shortened(word) + "\"", what);
    }
    return count;
  }

  /** The first word of the next line that has one. */
  private String firstOfLine(String what) throws IOException, BadFile {
    String word = tokens.anywhere();
    if (word == null) {
      throw new BadFile(tokens.line(), "the end of the file", what + ", as its counts say");
    }
    return word;
  }

  private static String shortened(@Nullable String word) {
    String told = word == null ? "" : word.replaceAll("\\p{Cntrl}", "\uFFFD");
    return told.substring(0, Math.min(24, told.length()));
  }
}
