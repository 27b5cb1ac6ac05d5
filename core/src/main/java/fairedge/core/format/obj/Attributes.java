package fairedge.core.format.obj;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Attribute;
import fairedge.core.mesh.Label;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;

/**
 * What an OBJ says beside places and faces, as it is read: texture coordinates, normals, and the
 * object, groups, material and smoothing group that are in force. A corner whose reference is
 * unreadable or out of range carries nothing; its face stays. Costs nothing where a file has none.
 */
final class Attributes {
  private static final int NAMES_KEPT = 4096;

  private final Decimal decimal = new Decimal();
  private final Channel[] channels = {new Channel(), new Channel()};
  private Label label = Label.NONE;
  private int labelIndex;
  private final List<Label> labels = new ArrayList<>(List.of(Label.NONE));
  private final Map<Label, Integer> known = new HashMap<>(Map.of(Label.NONE, 0));
  private int[] labelOfRecord = new int[0];
  private final List<String> materialFiles = new ArrayList<>();

  /** The values of one attribute, and which of them each corner that was read refers to. */
  private static final class Channel {
    private double[] values = new double[0];
    private int count;
    private int[] ofCorner = new int[0];

    void add(double x, double y, double z) {
      int at = 3 * count++;
      if (at + 3 > values.length) {
        values = Arrays.copyOf(values, Math.max(1 << 10, 2 * values.length));
      }
      values[at] = x;
      values[at + 1] = y;
      values[at + 2] = z;
    }

    void refer(int corner, int value) {
      if (corner >= ofCorner.length) {
        int before = ofCorner.length;
        ofCorner = Arrays.copyOf(ofCorner, Math.max(1 << 10, corner + (corner >> 1) + 1));
        Arrays.fill(ofCorner, before, ofCorner.length, Mesh.NONE);
      }
      ofCorner[corner] = value;
    }

    int at(int corner) {
      return corner < ofCorner.length ? ofCorner[corner] : Mesh.NONE;
    }
  }

  /** Takes a record in that is neither vertex, face nor line; false if it is none of ours. */
  boolean record(byte[] b, int from, int wordEnd, int to) {
    int length = wordEnd - from;
    if (length == 2 && b[from] == 'v' && (b[from + 1] == 't' || b[from + 1] == 'n')) {
      value(b[from + 1] == 't' ? Attribute.TEXTURE : Attribute.NORMAL, b, wordEnd, to);
      return true;
    }
    if (length > 6 || length == 0) {
      return false;
    }
    switch (new String(b, from, length, StandardCharsets.ISO_8859_1)) {
      case "o" -> now(new Label(rest(b, wordEnd, to), "", label.material(), label.smoothing()));
      case "g" ->
          now(new Label(label.object(), rest(b, wordEnd, to), label.material(), label.smoothing()));
      case "usemtl" ->
          now(new Label(label.object(), label.group(), rest(b, wordEnd, to), label.smoothing()));
      case "s" ->
          now(
              new Label(
                  label.object(), label.group(), label.material(), smoothing(b, wordEnd, to)));
      case "mtllib" -> materialFiles.add(rest(b, wordEnd, to));
      default -> {
        return false;
      }
    }
    return true;
  }

  private void value(Attribute attribute, byte[] b, int from, int to) {
    double[] read = new double[3];
    int word = from;
    for (int i = 0; i < 3; i++) {
      read[i] = decimal.read(b, Words.skipBlank(b, word, to), to);
      word = decimal.end();
    }
    channels[attribute.ordinal()].add(read[0], read[1], read[2]);
  }

  private void now(Label next) {
    label = next;
    Integer before = known.putIfAbsent(next, labels.size());
    labelIndex = before == null ? labels.size() : before;
    if (before == null) {
      labels.add(next);
    }
  }

  /** No smoothing group can be said in three ways. */
  private static String smoothing(byte[] b, int from, int to) {
    String group = rest(b, from, to);
    return group.equals("off") || group.equals("0") ? "" : group;
  }

  /** What follows a keyword up to a comment, without blanks round it. */
  private static String rest(byte[] b, int from, int to) {
    int begin = Words.skipBlank(b, from, to);
    int end = begin;
    while (end < to && b[end] != '#' && end - begin < NAMES_KEPT) {
      end++;
    }
    return new String(b, begin, end - begin, StandardCharsets.UTF_8).strip();
  }

  /** Takes in what stands behind the vertex of a corner: from a slash on. */
  void corner(int corner, byte[] b, int slash, int to) {
    int second = slash + 1;
    while (second < to && b[second] != '/') {
      second++;
    }
    refer(Attribute.TEXTURE, corner, b, slash + 1, second);
    if (second < to) {
      refer(Attribute.NORMAL, corner, b, second + 1, to);
    }
  }

  private void refer(Attribute attribute, int corner, byte[] b, int from, int to) {
    Channel channel = channels[attribute.ordinal()];
    if (from == to) {
      return;
    }
    double read = Numbers.decimal(b, from, to);
    double index = read < 0 ? channel.count + read : read - 1;
    boolean readable = index >= 0 && index < Integer.MAX_VALUE && index == Math.rint(index);
    channel.refer(corner, readable ? (int) index : Mesh.NONE);
  }

  /** Lets one corner of the record at hand take the place of another in its list. */
  void move(int from, int to) {
    for (Channel channel : channels) {
      if (channel.ofCorner.length > 0) {
        channel.refer(to, channel.at(from));
      }
    }
  }

  /** Keeps what label is in force at this record. */
  void label(int record) {
    if (labelIndex == 0 && labelOfRecord.length <= record) {
      return;
    }
    if (labelOfRecord.length <= record) {
      labelOfRecord = Arrays.copyOf(labelOfRecord, Math.max(1 << 10, record + (record >> 1) + 1));
    }
    labelOfRecord[record] = labelIndex;
  }

  void begin(MeshBuilder builder) {
    materialFiles.forEach(builder::materialFile);
    for (Attribute attribute : Attribute.values()) {
      Channel channel = channels[attribute.ordinal()];
      for (int i = 0; i < channel.count && channel.ofCorner.length > 0; i++) {
        builder.value(
            attribute,
            new Vec3(channel.values[3 * i], channel.values[3 * i + 1], channel.values[3 * i + 2]));
      }
      channel.values = new double[0];
    }
  }

  /** Gives a face that was built from this record what it and its corners carry. */
  void giveTo(MeshBuilder builder, int face, int record, int from, int size) {
    if (record < labelOfRecord.length) {
      builder.label(face, labels.get(labelOfRecord[record]));
    }
    for (Attribute attribute : Attribute.values()) {
      Channel channel = channels[attribute.ordinal()];
      if (from < channel.ofCorner.length && channel.count > 0) {
        channel.refer(from + size - 1, channel.at(from + size - 1));
        builder.values(face, attribute, channel.ofCorner, from);
      }
    }
  }
}
