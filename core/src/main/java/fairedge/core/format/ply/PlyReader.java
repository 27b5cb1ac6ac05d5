package fairedge.core.format.ply;

import fairedge.core.format.Assembly;
import fairedge.core.format.BadFile;
import fairedge.core.format.Limits;
import fairedge.core.format.ReadResult;
import fairedge.core.format.Tokens;
import java.io.EOFException;
import java.io.IOException;
import java.io.InputStream;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * Reads PLY 1.0: text, and binary of both byte orders, with any elements and properties in any
 * order. Of {@code vertex} x, y and z are taken, of {@code face} the list vertex_indices (or
 * vertex_index), of {@code edge} vertex1 and vertex2; the rest is passed over. Counts are believed
 * only as far as there is data. Cost: the file, once.
 */
public final class PlyReader {
  private static final int LONGEST_HEADER = 10_000;
  private static final Map<String, Type> TYPES =
      Map.ofEntries(
          Map.entry("char", Type.INT8),
          Map.entry("int8", Type.INT8),
          Map.entry("uchar", Type.UINT8),
          Map.entry("uint8", Type.UINT8),
          Map.entry("short", Type.INT16),
          Map.entry("int16", Type.INT16),
          Map.entry("ushort", Type.UINT16),
          Map.entry("uint16", Type.UINT16),
          Map.entry("int", Type.INT32),
          Map.entry("int32", Type.INT32),
          Map.entry("uint", Type.UINT32),
          Map.entry("uint32", Type.UINT32),
          Map.entry("float", Type.FLOAT32),
          Map.entry("float32", Type.FLOAT32),
          Map.entry("double", Type.FLOAT64),
          Map.entry("float64", Type.FLOAT64));

  private enum Type {
    INT8(1),
    UINT8(1),
    INT16(2),
    UINT16(2),
    INT32(4),
    UINT32(4),
    FLOAT32(4),
    FLOAT64(8);

    private final int bytes;

    Type(int bytes) {
      this.bytes = bytes;
    }

    double of(long bits) {
      return switch (this) {
        case INT8 -> (byte) bits;
        case INT16 -> (short) bits;
        case INT32 -> (int) bits;
        case UINT8, UINT16, UINT32 -> bits;
        case FLOAT32 -> Float.intBitsToFloat((int) bits);
        case FLOAT64 -> Double.longBitsToDouble(bits);
      };
    }
  }

  /**
   * @param count of a list the type of its length; null for a single value
   */
  private record Property(String name, Type type, @Nullable Type count) {}

  private record Element(String name, long count, List<Property> properties) {}

  /** Where values come from. */
  private interface Source {
    double value(Type type) throws IOException, BadFile;

    int line();
  }

  private final InputStream in;
  private final Assembly assembly;
  private final List<Element> elements = new ArrayList<>();
  private String format = "";
  private int headerLine;

  private PlyReader(InputStream in, Limits limits) {
    this.in = in;
    this.assembly = new Assembly(limits);
  }

  /**
   * @param in buffered
   * @throws BadFile if it is no PLY, ends too early, holds no face, or is over a limit
   */
  public static ReadResult read(InputStream in, Limits limits) throws IOException, BadFile {
    PlyReader reader = new PlyReader(in, limits);
    reader.header();
    Source source = reader.source();
    try {
      for (Element element : reader.elements) {
        reader.element(element, source);
      }
    } catch (EOFException end) {
      throw new BadFile(source.line(), "the end of the file", "more data, as its header says");
    }
    return reader.assembly.finish(source.line());
  }

  private void header() throws IOException, BadFile {
    if (!line().equals("ply")) {
      throw new BadFile(1, "no \"ply\"", "the first line of a PLY file");
    }
    for (String line = line(); !line.equals("end_header"); line = line()) {
      String[] words = line.split("\\s+");
      switch (words[0]) {
        case "format" -> format = words.length > 1 ? words[1] : "";
        case "element" -> elements.add(element(words));
        case "property" -> property(words);
        case "comment", "obj_info", "" -> {}
        default -> throw bad(words[0], "format, element, property or end_header");
      }
    }
  }

  private BadFile bad(String found, String expected) {
    String told = found.replaceAll("\\p{Cntrl}", "\uFFFD");
    return new BadFile(
        headerLine, "\"" + told.substring(0, Math.min(24, told.length())) + "\"", expected);
  }

  private String line() throws IOException, BadFile {
    headerLine++;
    StringBuilder line = new StringBuilder();
    for (int b = in.read(); b != '\n'; b = in.read()) {
      if (b < 0 || line.length() > LONGEST_HEADER || headerLine > LONGEST_HEADER) {
        throw new BadFile(headerLine, "no end of the header", "end_header");
      }
      line.append((char) b);
    }
    return line.toString().strip();
  }

  private Element element(String[] words) throws BadFile {
    long count = words.length > 2 ? Tokens.whole(words[2]) : -1;
    if (count < 0) {
      throw bad(String.join(" ", words), "an element with its name and count");
    }
    return new Element(words[1], count, new ArrayList<>());
  }

  private void property(String[] words) throws BadFile {
    boolean list = words.length > 1 && words[1].equals("list");
    Type count = list && words.length == 5 ? TYPES.get(words[2]) : null;
    Type type = words.length == (list ? 5 : 3) ? TYPES.get(words[list ? 3 : 1]) : null;
    if (elements.isEmpty() || type == null || (list && count == null)) {
      throw bad(String.join(" ", words), "a property of an element, with a known type");
    }
    elements.getLast().properties().add(new Property(words[words.length - 1], type, count));
  }

  private Source source() throws IOException, BadFile {
    return switch (format) {
      case "ascii" -> new Text(new Tokens(in, false), headerLine);
      case "binary_little_endian" -> new Binary(in, false);
      case "binary_big_endian" -> new Binary(in, true);
      default -> throw bad(format, "ascii, binary_little_endian or binary_big_endian");
    };
  }

  private record Text(Tokens tokens, int header) implements Source {
    @Override
    public double value(Type type) throws IOException, EOFException {
      String word = tokens.anywhere();
      if (word == null) {
        throw new EOFException();
      }
      return Tokens.number(word);
    }

    @Override
    public int line() {
      return header + tokens.line();
    }
  }

  private record Binary(InputStream in, boolean bigEndian) implements Source {
    @Override
    public double value(Type type) throws IOException {
      long bits = 0;
      for (int i = 0; i < type.bytes; i++) {
        long b = in.read();
        if (b < 0) {
          throw new EOFException();
        }
        bits = bigEndian ? bits << 8 | b : bits | b << (8 * i);
      }
      return type.of(bits);
    }

    @Override
    public int line() {
      return 0;
    }
  }

  private void element(Element element, Source source) throws IOException, BadFile {
    List<Property> properties = element.properties();
    if (properties.isEmpty()) {
      return;
    }
    double[] values = new double[properties.size()];
    int[] taken = wanted(element);
    for (long i = 0; i < element.count(); i++) {
      for (int k = 0; k < values.length; k++) {
        Property property = properties.get(k);
        Type length = property.count();
        values[k] =
            length == null
                ? source.value(property.type())
                : list(element, property, length, source);
      }
      take(element, values, taken, source.line());
    }
  }

  /** Where in its properties an element's numbers that are taken stand. */
  private static int[] wanted(Element element) {
    List<String> names =
        switch (element.name()) {
          case "vertex" -> List.of("x", "y", "z");
          case "edge" -> List.of("vertex1", "vertex2");
          default -> List.of();
        };
    List<String> there = element.properties().stream().map(Property::name).toList();
    return names.stream().mapToInt(there::indexOf).toArray();
  }

  private double list(Element element, Property property, Type count, Source source)
      throws IOException, BadFile {
    double length = source.value(count);
    if (!(length >= 0) || length != Math.rint(length)) {
      throw new BadFile(source.line(), "a list of length " + length, "a whole number from 0 on");
    }
    boolean corners =
        element.name().equals("face")
            && (property.name().equals("vertex_indices") || property.name().equals("vertex_index"));
    for (long i = 0; i < (long) length; i++) {
      double value = source.value(property.type());
      if (corners) {
        assembly.corner(value == Math.rint(value) ? (long) value : -1, source.line());
      }
    }
    if (corners) {
      assembly.endFace(source.line());
    }
    return length;
  }

  private void take(Element element, double[] values, int[] taken, int line) throws BadFile {
    if (element.name().equals("vertex")) {
      assembly.vertex(at(values, taken[0]), at(values, taken[1]), at(values, taken[2]), line);
    } else if (element.name().equals("edge") && taken[0] >= 0 && taken[1] >= 0) {
      assembly.edge((long) values[taken[0]], (long) values[taken[1]], line);
    }
  }

  private static double at(double[] values, int i) {
    return i < 0 ? Double.NaN : values[i];
  }
}
