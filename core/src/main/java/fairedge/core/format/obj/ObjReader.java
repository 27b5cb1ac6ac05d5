package fairedge.core.format.obj;

import fairedge.core.format.BadFile;
import fairedge.core.format.ReadResult;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.Oddity;
import java.io.BufferedReader;
import java.io.IOException;
import java.io.InputStream;
import java.io.InputStreamReader;
import java.nio.charset.CodingErrorAction;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.StringTokenizer;
import org.jspecify.annotations.Nullable;

/**
 * Reads OBJ: records {@code v}, {@code f}, {@code l}; other keywords are skipped.
 *
 * <ol>
 *   <li>UTF-8, undecodable bytes replaced, a byte order mark skipped; lines end in LF or CRLF;
 *       {@code #} begins a comment anywhere; a trailing backslash joins lines.
 *   <li>Indices may refer forward; negative ones count back from the {@code v} records so far.
 *   <li>A corner equal to the one before it in the face (cyclically) is dropped, and reported.
 *   <li>A face left with under 3 corners, or with an index of 0, out of range or unreadable, is
 *       left out and reported with its line.
 *   <li>A vertex with a missing or unreadable number keeps its index, and has no place.
 *   <li>A file without any face is refused.
 * </ol>
 *
 * Cost: the file; memory grows with what is read, never with a number that is only declared.
 */
public final class ObjReader {
  private static final int LONGEST_LINE = 16 * 1024 * 1024;

  private final MeshBuilder builder = new MeshBuilder();
  private final List<Oddity> oddities = new ArrayList<>();
  private final List<Pending> pending = new ArrayList<>();
  private int keywords;
  private int firstUnknownLine;
  private String firstUnknown = "";
  private int faces;

  /** Faces and loose edges wait until all vertices are known, as indices may refer forward. */
  private record Pending(int line, boolean isFace, int[] vertices, String problem) {}

  private ObjReader() {}

  /**
   * @throws BadFile if it holds no face, or is no OBJ at all
   */
  public static ReadResult read(InputStream in) throws IOException, BadFile {
    ObjReader reader = new ObjReader();
    reader.readLines(in);
    return reader.finish();
  }

  private void readLines(InputStream in) throws IOException, BadFile {
    var decoder =
        StandardCharsets.UTF_8
            .newDecoder()
            .onMalformedInput(CodingErrorAction.REPLACE)
            .onUnmappableCharacter(CodingErrorAction.REPLACE);
    LineSource lines = new LineSource(new BufferedReader(new InputStreamReader(in, decoder)));
    for (String line = lines.next(); line != null; line = lines.next()) {
      record(line, lines.begun());
    }
  }

  /** Joins continued lines, strips comments, and bounds their length. */
  private static final class LineSource {
    private final BufferedReader reader;
    private int number;
    private int begun;

    LineSource(BufferedReader reader) {
      this.reader = reader;
    }

    int begun() {
      return begun;
    }

    @Nullable String next() throws IOException, BadFile {
      String line = raw();
      begun = number;
      if (line == null || !line.endsWith("\\")) {
        return line;
      }
      StringBuilder joined = new StringBuilder();
      while (line != null && line.endsWith("\\")) {
        joined.append(line, 0, line.length() - 1).append(' ');
        if (joined.length() > LONGEST_LINE) {
          throw tooLong();
        }
        line = raw();
      }
      return line == null ? joined.toString() : joined.append(line).toString();
    }

    private @Nullable String raw() throws IOException, BadFile {
      StringBuilder line = new StringBuilder();
      int c = reader.read();
      if (c < 0) {
        return null;
      }
      number++;
      boolean comment = false;
      for (; c >= 0 && c != '\n'; c = reader.read()) {
        comment |= c == '#';
        if (!comment && !(number == 1 && line.isEmpty() && c == '\uFEFF')) {
          line.append((char) c);
        }
        if (line.length() > LONGEST_LINE) {
          throw tooLong();
        }
      }
      int end = line.length();
      while (end > 0 && line.charAt(end - 1) == '\r') {
        end--;
      }
      return line.substring(0, end);
    }

    private BadFile tooLong() {
      return new BadFile(number, "a line of over 16 million characters", "shorter lines");
    }
  }

  private void record(String line, int number) {
    StringTokenizer words = new StringTokenizer(line);
    if (!words.hasMoreTokens()) {
      return;
    }
    String keyword = words.nextToken();
    switch (keyword) {
      case "v" -> {
        keywords++;
        builder.vertex(number(words), number(words), number(words));
      }
      case "f" -> {
        keywords++;
        faces++;
        pending.add(indices(words, number, true));
      }
      case "l" -> pending.add(indices(words, number, false));
      default -> {
        if (firstUnknownLine == 0) {
          firstUnknownLine = number;
          firstUnknown = keyword;
        }
      }
    }
  }

  private static double number(StringTokenizer words) {
    if (!words.hasMoreTokens()) {
      return Double.NaN;
    }
    String word = words.nextToken();
    try {
      // Java would also read suffixes and hexadecimal numbers, which the format does not know.
      char last = word.charAt(word.length() - 1);
      boolean plain = Character.isDigit(last) || last == '.';
      return plain && word.indexOf('x') < 0 && word.indexOf('X') < 0
          ? Double.parseDouble(word)
          : Double.NaN;
    } catch (NumberFormatException unreadable) {
      return Double.NaN;
    }
  }

  private Pending indices(StringTokenizer words, int line, boolean isFace) {
    int[] vertices = new int[words.countTokens()];
    for (int i = 0; i < vertices.length; i++) {
      String word = words.nextToken();
      int slash = word.indexOf('/');
      String first = slash < 0 ? word : word.substring(0, slash);
      long index;
      try {
        index = Long.parseLong(first);
      } catch (NumberFormatException unreadable) {
        return new Pending(line, isFace, new int[0], "\"" + shortened(word) + "\" is no index");
      }
      if (index == 0) {
        return new Pending(line, isFace, new int[0], "index 0 names no vertex");
      }
      long id = index > 0 ? index - 1 : builder.vertexCount() + index;
      if (id < 0 || id > Integer.MAX_VALUE - 8) {
        return new Pending(line, isFace, new int[0], "index " + index + " is out of range");
      }
      vertices[i] = (int) id;
    }
    return new Pending(line, isFace, vertices, "");
  }

  private static String shortened(String word) {
    return word.length() <= 24 ? word : word.substring(0, 24) + "...";
  }

  private ReadResult finish() throws BadFile {
    if (faces == 0) {
      throw keywords == 0 && firstUnknownLine > 0
          ? new BadFile(
              firstUnknownLine, "\"" + shortened(firstUnknown) + "\"", "the records of an OBJ file")
          : new BadFile(0, "no face", "at least one \"f\" record");
    }
    int accepted = 0;
    for (Pending p : pending) {
      accepted += add(p) ? 1 : 0;
    }
    if (accepted == 0) {
      Oddity first = oddities.getFirst();
      throw new BadFile(first.line(), "no readable face (" + first.text() + ")", "at least one");
    }
    return new ReadResult(builder.build(), List.copyOf(oddities));
  }

  /** Whether it was a face and was accepted. */
  private boolean add(Pending p) {
    String problem = p.problem();
    for (int v : p.vertices()) {
      if (v >= builder.vertexCount() && problem.isEmpty()) {
        problem = "it names vertex " + (v + 1) + ", the file has " + builder.vertexCount();
      }
    }
    if (!p.isFace()) {
      addLooseEdges(p, problem);
      return false;
    }
    int[] ring = problem.isEmpty() ? withoutRepeats(p.vertices()) : p.vertices();
    if (problem.isEmpty() && ring.length < 3) {
      problem = "it has " + ring.length + " different corners in a row, a face needs 3";
    }
    if (!problem.isEmpty()) {
      oddities.add(
          new Oddity(
              Oddity.Kind.UNREADABLE_FACE, p.line(), Mesh.NONE, known(p.vertices()), problem));
      return false;
    }
    int face = builder.face(ring);
    if (ring.length < p.vertices().length) {
      int dropped = p.vertices().length - ring.length;
      oddities.add(
          new Oddity(
              Oddity.Kind.REPEATED_CORNER,
              p.line(),
              face,
              known(ring),
              dropped
                  + (dropped == 1 ? " corner repeats" : " corners repeat")
                  + " the one before"));
    }
    return true;
  }

  /** The vertices that are there. */
  private List<Integer> known(int[] vertices) {
    return Arrays.stream(vertices).filter(v -> v < builder.vertexCount()).boxed().toList();
  }

  private void addLooseEdges(Pending p, String problem) {
    if (!problem.isEmpty()) {
      return;
    }
    for (int i = 0; i + 1 < p.vertices().length; i++) {
      if (p.vertices()[i] != p.vertices()[i + 1]) {
        builder.edge(p.vertices()[i], p.vertices()[i + 1]);
      }
    }
  }

  private static int[] withoutRepeats(int[] vertices) {
    int[] kept = new int[vertices.length];
    int count = 0;
    for (int v : vertices) {
      if (count == 0 || kept[count - 1] != v) {
        kept[count++] = v;
      }
    }
    while (count > 1 && kept[count - 1] == kept[0]) {
      count--;
    }
    return Arrays.copyOf(kept, count);
  }
}
