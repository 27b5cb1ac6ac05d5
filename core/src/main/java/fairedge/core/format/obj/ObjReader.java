package fairedge.core.format.obj;

import fairedge.core.format.BadFile;
import fairedge.core.format.Limits;
import fairedge.core.format.ReadResult;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.Oddity;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Reads OBJ: records {@code v}, {@code f}, {@code l}, and what faces and corners carry ({@link
 * Attributes}); other keywords are skipped.
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
 * Cost: the file, read once; memory grows with what is read, never with a number that is only
 * declared.
 */
public final class ObjReader {
  private static final int FACE = 1;
  private static final int LINE = 2;

  private double[] places = new double[1 << 12];
  private int vertices;

  /** Vertices of faces and lines, one after the other; each record's end, line and sort. */
  private int[] indices = new int[1 << 12];

  private int indexCount;
  private int[] ends = new int[1 << 10];
  private int[] lines = new int[1 << 10];
  private byte[] sorts = new byte[1 << 10];
  private int records;
  private final Map<Integer, String> problems = new HashMap<>();
  private final Attributes attributes = new Attributes();
  private final Decimal decimal = new Decimal();
  private int wordEnd;

  private int faces;
  private boolean known;
  private int firstUnknownLine;
  private String firstUnknown = "";
  private final List<Oddity> oddities = new ArrayList<>();

  private ObjReader() {}

  /**
   * @throws BadFile if it holds no face, or is no OBJ at all
   */
  public static ReadResult read(InputStream in) throws IOException, BadFile {
    return read(in, Limits.NONE);
  }

  /**
   * @throws BadFile if it holds no face, is no OBJ at all, or is over a limit
   */
  public static ReadResult read(InputStream in, Limits limits) throws IOException, BadFile {
    ObjReader reader = new ObjReader();
    TextLines lines = new TextLines(in);
    while (lines.advance()) {
      reader.record(lines);
      reader.checkLimits(limits, lines.begun);
    }
    return reader.finish(lines.last());
  }

  private void checkLimits(Limits limits, int line) throws BadFile {
    require(vertices <= limits.vertices(), line, limits.vertices(), "vertices");
    require(records <= limits.faces(), line, limits.faces(), "faces");
    require(indexCount <= limits.corners(), line, limits.corners(), "corners of faces");
  }

  private static void require(boolean holds, int line, int limit, String what) throws BadFile {
    if (!holds) {
      String most = String.format(Locale.ROOT, "%,d %s", limit, what);
      throw new BadFile(line, "more than " + most, "at most " + most);
    }
  }

  private void record(TextLines line) {
    byte[] b = line.bytes;
    int from = Words.skipBlank(b, line.from, line.to);
    int to = Words.wordEnd(b, from, line.to);
    if (to == from) {
      return;
    }
    int keyword = to - from == 1 ? b[from] : 0;
    switch (keyword) {
      case 'v' -> vertex(b, to, line.to);
      case 'f' -> {
        faces++;
        known = true;
        indices(b, to, line, FACE);
      }
      case 'l' -> indices(b, to, line, LINE);
      default -> {
        if (!attributes.record(b, from, to, line.to) && firstUnknownLine == 0) {
          firstUnknownLine = line.begun;
          firstUnknown = shortened(b, from, to);
        }
      }
    }
  }

  private static String shortened(byte[] b, int from, int to) {
    boolean whole = to - from <= 24;
    String word = new String(b, from, whole ? to - from : 24, StandardCharsets.UTF_8);
    // Said to people and kept in databases, neither of which can do with control characters.
    String told = word.replaceAll("\\p{Cntrl}", "\uFFFD");
    return whole ? told : told + "...";
  }

  private void vertex(byte[] b, int from, int to) {
    known = true;
    int at = 3 * vertices++;
    if (at + 3 > places.length) {
      places = Arrays.copyOf(places, 2 * places.length);
    }
    int word = from;
    for (int i = 0; i < 3; i++) {
      places[at + i] = decimal.read(b, Words.skipBlank(b, word, to), to);
      word = decimal.end();
    }
  }

  private void indices(byte[] b, int from, TextLines line, int sort) {
    int begin = indexCount;
    String problem = null;
    int word = Words.skipBlank(b, from, line.to);
    while (!Words.endsAt(b, word, line.to) && problem == null) {
      problem = index(b, word, line.to);
      word = Words.skipBlank(b, wordEnd, line.to);
    }
    if (problem != null) {
      indexCount = begin;
      problems.put(records, problem);
    }
    if (records == ends.length) {
      ends = Arrays.copyOf(ends, 2 * records);
      lines = Arrays.copyOf(lines, 2 * records);
      sorts = Arrays.copyOf(sorts, 2 * records);
    }
    attributes.label(records);
    ends[records] = indexCount;
    lines[records] = line.begun;
    sorts[records++] = (byte) sort;
  }

  /**
   * Takes one index in, and notes where its word ends; what is wrong with it, or null.
   *
   * @param to where the line ends
   */
  private @Nullable String index(byte[] b, int from, int to) {
    int at = from;
    boolean negative = false;
    if (b[at] == '-' || b[at] == '+') {
      negative = b[at++] == '-';
    }
    long value = 0;
    int digits = 0;
    while (at < to && b[at] >= '0' && b[at] <= '9' && digits++ <= 17) {
      value = 10 * value + b[at++] - '0';
    }
    wordEnd = Words.wordEnd(b, at, to);
    if (digits == 0 || at < wordEnd && b[at] != '/') {
      return "\"" + shortened(b, from, wordEnd) + "\" is no index";
    }
    if (value == 0) {
      return "index 0 names no vertex";
    }
    long id = negative ? vertices - value : value - 1;
    if (id < 0 || id > Integer.MAX_VALUE - 8) {
      return "index " + (negative ? -value : value) + " is out of range";
    }
    if (indexCount == indices.length) {
      indices = Arrays.copyOf(indices, 2 * indexCount);
    }
    if (at < wordEnd) {
      attributes.corner(indexCount, b, at, wordEnd);
    }
    indices[indexCount++] = (int) id;
    return null;
  }

  private ReadResult finish(int lastLine) throws BadFile {
    if (faces == 0) {
      throw !known && firstUnknownLine > 0
          ? new BadFile(firstUnknownLine, "\"" + firstUnknown + "\"", "the records of an OBJ file")
          : BadFile.withoutFace(lastLine, "at least one \"f\" record");
    }
    MeshBuilder builder = new MeshBuilder(vertices, faces, indexCount);
    for (int i = 0; i < vertices; i++) {
      builder.vertex(places[3 * i], places[3 * i + 1], places[3 * i + 2]);
    }
    places = new double[0];
    attributes.begin(builder);
    int accepted = 0;
    int from = 0;
    for (int r = 0; r < records; r++) {
      accepted += sorts[r] == FACE ? face(builder, r, from) : looseEdges(builder, r, from);
      from = ends[r];
    }
    if (accepted == 0) {
      Oddity first = oddities.getFirst();
      throw new BadFile(first.line(), "no readable face (" + first.text() + ")", "at least one");
    }
    return new ReadResult(builder.build(), List.copyOf(oddities));
  }

  /** What is wrong with a record's vertices, or null. */
  private @Nullable String problemOf(int record, int from) {
    String problem = problems.isEmpty() ? null : problems.get(record);
    for (int i = from; i < ends[record] && problem == null; i++) {
      if (indices[i] >= vertices) {
        problem = "it names vertex " + (indices[i] + 1) + ", the file has " + vertices;
      }
    }
    return problem;
  }

  /** 1 if the face was accepted, else 0. */
  private int face(MeshBuilder builder, int record, int from) {
    String problem = problemOf(record, from);
    int size = ends[record] - from;
    int kept = problem == null ? dropRepeats(from, ends[record]) : size;
    if (problem == null && kept < 3) {
      problem = "it has " + kept + " different corners in a row, a face needs 3";
    }
    if (problem != null) {
      oddities.add(
          new Oddity(
              Oddity.Kind.UNREADABLE_FACE, lines[record], Mesh.NONE, known(from, size), problem));
      return 0;
    }
    int face = builder.face(indices, from, kept);
    attributes.giveTo(builder, face, record, from, kept);
    if (kept < size) {
      int dropped = size - kept;
      String corners = dropped == 1 ? " corner repeats" : " corners repeat";
      oddities.add(
          new Oddity(
              Oddity.Kind.REPEATED_CORNER,
              lines[record],
              face,
              known(from, kept),
              dropped + corners + " the one before"));
    }
    return 1;
  }

  private int looseEdges(MeshBuilder builder, int record, int from) {
    if (problemOf(record, from) == null) {
      for (int i = from; i + 1 < ends[record]; i++) {
        if (indices[i] != indices[i + 1]) {
          builder.edge(indices[i], indices[i + 1]);
        }
      }
    }
    return 0;
  }

  /** The vertices of a record that are there. */
  private List<Integer> known(int from, int size) {
    return Arrays.stream(indices, from, from + size).filter(v -> v < vertices).boxed().toList();
  }

  /** Moves the corners that don't repeat the one before to the front; how many there are. */
  private int dropRepeats(int from, int to) {
    int count = 0;
    for (int i = from; i < to; i++) {
      if (count == 0 || indices[from + count - 1] != indices[i]) {
        if (i > from + count) {
          attributes.move(i, from + count);
        }
        indices[from + count++] = indices[i];
      }
    }
    while (count > 1 && indices[from + count - 1] == indices[from]) {
      count--;
    }
    return count;
  }
}
