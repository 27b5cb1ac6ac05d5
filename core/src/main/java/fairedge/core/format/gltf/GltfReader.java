package fairedge.core.format.gltf;

import fairedge.core.format.Assembly;
import fairedge.core.format.BadFile;
import fairedge.core.format.Joining;
import fairedge.core.format.Limits;
import fairedge.core.format.ReadResult;
import java.io.IOException;
import java.io.InputStream;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * Reads glTF 2.0, as text with its data inside and as GLB: the meshes of the scene under the
 * transforms of their nodes, triangles, strips and fans, accessors with strides, also sparse ones.
 * Vertices in the very same place of one node are joined: the format splits them where normals or
 * texture differ. With the open extension {@code FB_ngon_encoding} triangles that begin at one
 * vertex are the polygon that they were made of; without it sides are lost, and that is said. Data
 * outside the file is never read. Cost: the file.
 */
public final class GltfReader {
  private static final int MAGIC = 0x46546C67;
  private static final int JSON = 0x4E4F534A;
  private static final int BIN = 0x004E4942;
  private static final int MOST_NODES = 100_000;
  private static final String ENCODING = "FB_ngon_encoding";
  private static final String LOST =
      "A glTF file without the polygon encoding extension holds triangles only: faces that had more"
          + " sides have lost them.";

  private final Map<?, ?> root;
  private final byte[] @Nullable [] buffers;
  private final byte @Nullable [] chunk;
  private final Assembly assembly;
  private final long mostNumbers;
  private long numbers;
  private boolean lost;
  private int nodes;

  private GltfReader(Map<?, ?> root, byte @Nullable [] chunk, Limits limits) {
    this.root = root;
    this.chunk = chunk;
    this.buffers = new byte[list(root, "buffers").size()][];
    this.assembly = new Assembly(limits);
    this.mostNumbers = 4L * limits.vertices() + 4L * limits.corners();
  }

  /**
   * @param in of a GLB or of a glTF text
   * @param mostBytes of the file; it is read whole
   * @throws BadFile if it is neither, names what is not there or outside, holds no face, or is over
   *     a limit
   */
  public static ReadResult read(InputStream in, Limits limits, int mostBytes)
      throws IOException, BadFile {
    byte[] file = in.readNBytes(mostBytes);
    if (file.length == mostBytes) {
      throw new BadFile(0, "more than " + mostBytes + " bytes", "a smaller file");
    }
    ByteBuffer bytes = ByteBuffer.wrap(file).order(ByteOrder.LITTLE_ENDIAN);
    if (file.length >= 12 && bytes.getInt(0) == MAGIC) {
      return binary(bytes, limits);
    }
    return of(GltfJson.parse(file), null, limits);
  }

  private static ReadResult binary(ByteBuffer bytes, Limits limits) throws BadFile {
    byte[] json = null;
    byte[] chunk = null;
    int at = 12;
    while (at + 8 <= bytes.capacity()) {
      long length = bytes.getInt(at) & 0xFFFF_FFFFL;
      int type = bytes.getInt(at + 4);
      if (at + 8 + length > bytes.capacity()) {
        throw new BadFile(0, "the end of the file", "a chunk of " + length + " bytes");
      }
      byte[] content = Arrays.copyOfRange(bytes.array(), at + 8, (int) (at + 8 + length));
      json = type == JSON && json == null ? content : json;
      chunk = type == BIN && chunk == null ? content : chunk;
      at += 8 + (int) length;
    }
    if (json == null) {
      throw new BadFile(0, "no JSON chunk", "a GLB file of version 2");
    }
    return of(GltfJson.parse(json), chunk, limits);
  }

  private static ReadResult of(@Nullable Object json, byte @Nullable [] chunk, Limits limits)
      throws BadFile {
    if (!(json instanceof Map<?, ?> root) || !root.containsKey("asset")) {
      throw new BadFile(1, "no \"asset\"", "a glTF file");
    }
    return new GltfReader(root, chunk, limits).scene();
  }

  private ReadResult scene() throws BadFile {
    List<?> scenes = list(root, "scenes");
    int chosen = root.get("scene") instanceof Double d ? d.intValue() : 0;
    if (scenes.isEmpty()) {
      for (int mesh = 0; mesh < list(root, "meshes").size(); mesh++) {
        mesh(mesh, Transform.NONE);
      }
    } else {
      for (Object node : list(map(item(scenes, chosen, "scene")), "nodes")) {
        node(index(node, "node"), Transform.NONE, new ArrayList<>());
      }
    }
    return lost ? assembly.finish(0, LOST) : assembly.finish(0);
  }

  private void node(int id, Transform above, List<Integer> path) throws BadFile {
    if (path.contains(id)) {
      throw new BadFile(0, "node " + id + " under itself", "nodes without a cycle");
    }
    if (++nodes > MOST_NODES || path.size() > 200) {
      throw new BadFile(0, "too many nodes", MOST_NODES + " nodes, 200 deep, at the most");
    }
    Map<?, ?> node = map(item(list(root, "nodes"), id, "node"));
    Transform here = above.then(Transform.of(node));
    if (node.containsKey("mesh")) {
      mesh(index(node.get("mesh"), "mesh"), here);
    }
    path.add(id);
    for (Object child : list(node, "children")) {
      node(index(child, "node"), here, path);
    }
    path.removeLast();
  }

  private void mesh(int id, Transform here) throws BadFile {
    // Within one node what lies in one place is one vertex, whatever primitive names it.
    Joining joining = new Joining(assembly);
    for (Object primitive : list(map(item(list(root, "meshes"), id, "mesh")), "primitives")) {
      primitive(map(primitive), here, joining);
    }
  }

  private void primitive(Map<?, ?> primitive, Transform here, Joining joining) throws BadFile {
    int mode = primitive.get("mode") instanceof Double d ? d.intValue() : 4;
    if (mode < 4 || mode > 6) {
      return;
    }
    Map<?, ?> attributes = map(Objects.requireNonNullElse(primitive.get("attributes"), Map.of()));
    if (!attributes.containsKey("POSITION")) {
      return;
    }
    double[] places = accessor(index(attributes.get("POSITION"), "accessor"), 3);
    int[] vertices = new int[places.length / 3];
    for (int v = 0; v < vertices.length; v++) {
      double[] p = here.of(places[3 * v], places[3 * v + 1], places[3 * v + 2]);
      vertices[v] = joining.vertex(p[0], p[1], p[2], 0);
    }
    int[] corners = corners(primitive, vertices.length);
    boolean polygons =
        map(Objects.requireNonNullElse(primitive.get("extensions"), Map.of()))
            .containsKey(ENCODING);
    lost |= !polygons;
    int[] triangles = mode == 4 ? corners : asTriangles(corners, mode == 5);
    if (polygons && mode == 4) {
      polygons(triangles, vertices);
    } else {
      for (int i = 0; i + 2 < triangles.length; i += 3) {
        face(vertices, triangles[i], triangles[i + 1], triangles[i + 2]);
      }
    }
  }

  private int[] corners(Map<?, ?> primitive, int vertices) throws BadFile {
    if (!primitive.containsKey("indices")) {
      int[] all = new int[vertices];
      Arrays.setAll(all, i -> i);
      return all;
    }
    double[] read = accessor(index(primitive.get("indices"), "accessor"), 1);
    return Arrays.stream(read).mapToInt(d -> (int) d).toArray();
  }

  private static int[] asTriangles(int[] corners, boolean strip) {
    int count = Math.max(0, corners.length - 2);
    int[] triangles = new int[3 * count];
    for (int i = 0; i < count; i++) {
      boolean odd = strip && i % 2 == 1;
      triangles[3 * i] = strip ? corners[i] : corners[0];
      triangles[3 * i + 1] = corners[odd ? i + 2 : i + 1];
      triangles[3 * i + 2] = corners[odd ? i + 1 : i + 2];
    }
    return triangles;
  }

  /** Triangles one after the other that begin at one vertex are a polygon's fan. */
  private void polygons(int[] triangles, int[] vertices) throws BadFile {
    for (int i = 0; i + 2 < triangles.length; ) {
      int first = triangles[i];
      corner(vertices, first);
      corner(vertices, triangles[i + 1]);
      corner(vertices, triangles[i + 2]);
      int last = triangles[i + 2];
      i += 3;
      while (i + 2 < triangles.length && triangles[i] == first && triangles[i + 1] == last) {
        last = triangles[i + 2];
        corner(vertices, last);
        i += 3;
      }
      assembly.endFace(0);
    }
  }

  private void face(int[] vertices, int a, int b, int c) throws BadFile {
    corner(vertices, a);
    corner(vertices, b);
    corner(vertices, c);
    assembly.endFace(0);
  }

  private void corner(int[] vertices, int i) throws BadFile {
    assembly.corner(i >= 0 && i < vertices.length ? vertices[i] : -1, 0);
  }

  /** The numbers of an accessor, one after the other. */
  private double[] accessor(int id, int width) throws BadFile {
    Map<?, ?> accessor = map(item(list(root, "accessors"), id, "accessor"));
    Component component = Component.of(accessor.get("componentType"));
    long count = number(accessor, "count", 0);
    String type = width == 3 ? "VEC3" : "SCALAR";
    if (!type.equals(accessor.get("type")) || count < 0 || count > 1 << 30) {
      throw new BadFile(0, "accessor " + id, "a " + type + " accessor with a count");
    }
    // Many primitives may name one accessor, so what is read is not bounded by the file's size.
    numbers += count * width;
    if (numbers > mostNumbers) {
      throw new BadFile(0, "more numbers than a mesh within the limits has", "a smaller mesh");
    }
    double[] values;
    if (accessor.containsKey("bufferView")) {
      View view = view(index(accessor.get("bufferView"), "buffer view"));
      long from = number(accessor, "byteOffset", 0);
      values = view.read(from, (int) count, width, component, id);
    } else {
      Assembly.within(count * width <= 1 << 24, 0, 1 << 24, "numbers without data");
      values = new double[(int) count * width];
    }
    if (accessor.get("sparse") instanceof Map<?, ?> sparse) {
      fill(values, width, component, sparse, id);
    }
    return values;
  }

  private void fill(double[] values, int width, Component component, Map<?, ?> sparse, int id)
      throws BadFile {
    int count = (int) Math.clamp(number(sparse, "count", 0), 0, values.length);
    Map<?, ?> where = map(Objects.requireNonNullElse(sparse.get("indices"), Map.of()));
    Map<?, ?> what = map(Objects.requireNonNullElse(sparse.get("values"), Map.of()));
    double[] at =
        view(index(where.get("bufferView"), "buffer view"))
            .read(
                number(where, "byteOffset", 0),
                count,
                1,
                Component.of(where.get("componentType")),
                id);
    double[] to =
        view(index(what.get("bufferView"), "buffer view"))
            .read(number(what, "byteOffset", 0), count, width, component, id);
    for (int i = 0; i < count; i++) {
      int place = (int) at[i] * width;
      if (place < 0 || place + width > values.length) {
        throw new BadFile(0, "a sparse index of " + (int) at[i], "one in accessor " + id);
      }
      System.arraycopy(to, i * width, values, place, width);
    }
  }

  /** A part of a buffer. */
  private record View(ByteBuffer bytes, int stride) {
    double[] read(long from, int count, int width, Component component, int accessor)
        throws BadFile {
      int size = component.bytes * width;
      long step = stride > 0 ? stride : size;
      if (step < size) {
        throw new BadFile(0, "a stride of " + step + " bytes", "at least " + size);
      }
      if (from < 0 || (count > 0 && from + (count - 1) * step + size > bytes.capacity())) {
        throw new BadFile(0, "accessor " + accessor + " beyond its buffer view", "data for it");
      }
      double[] values = new double[count * width];
      for (int i = 0; i < count; i++) {
        for (int k = 0; k < width; k++) {
          values[i * width + k] =
              component.at(bytes, (int) (from + i * step) + k * component.bytes);
        }
      }
      return values;
    }
  }

  private View view(int id) throws BadFile {
    Map<?, ?> view = map(item(list(root, "bufferViews"), id, "buffer view"));
    byte[] buffer = buffer(index(view.get("buffer"), "buffer"));
    long from = number(view, "byteOffset", 0);
    long length = number(view, "byteLength", 0);
    if (from < 0 || length < 0 || from + length > buffer.length) {
      throw new BadFile(0, "buffer view " + id + " beyond its buffer", "a part of the buffer");
    }
    ByteBuffer bytes =
        ByteBuffer.wrap(buffer, (int) from, (int) length).slice().order(ByteOrder.LITTLE_ENDIAN);
    return new View(bytes, (int) Math.clamp(number(view, "byteStride", 0), 0, 1 << 20));
  }

  private byte[] buffer(int id) throws BadFile {
    Map<?, ?> buffer = map(item(list(root, "buffers"), id, "buffer"));
    byte[] known = buffers[id];
    if (known == null) {
      known = load(buffer, id);
      buffers[id] = known;
    }
    return known;
  }

  private byte[] load(Map<?, ?> buffer, int id) throws BadFile {
    if (!(buffer.get("uri") instanceof String uri)) {
      if (id == 0 && chunk != null) {
        return chunk;
      }
      throw new BadFile(0, "buffer " + id + " without data", "a GLB, or data in the file");
    }
    int comma = uri.indexOf(',');
    if (!uri.startsWith("data:") || comma < 0 || !uri.substring(0, comma).endsWith(";base64")) {
      throw new BadFile(
          0, "data outside the file", "one file that holds all of it: save it as GLB");
    }
    try {
      return Base64.getMimeDecoder().decode(uri.substring(comma + 1));
    } catch (IllegalArgumentException broken) {
      throw new BadFile(0, "data that is no base64 in buffer " + id, "base64");
    }
  }

  private enum Component {
    INT8(1),
    UINT8(1),
    INT16(2),
    UINT16(2),
    UINT32(4),
    FLOAT32(4);

    private final int bytes;

    Component(int bytes) {
      this.bytes = bytes;
    }

    static Component of(@Nullable Object code) throws BadFile {
      int number = code instanceof Double d ? d.intValue() : 0;
      return switch (number) {
        case 5120 -> INT8;
        case 5121 -> UINT8;
        case 5122 -> INT16;
        case 5123 -> UINT16;
        case 5125 -> UINT32;
        case 5126 -> FLOAT32;
        default -> throw new BadFile(0, "component type " + number, "one of glTF 2.0");
      };
    }

    double at(ByteBuffer bytes, int at) {
      return switch (this) {
        case INT8 -> bytes.get(at);
        case UINT8 -> bytes.get(at) & 0xFF;
        case INT16 -> bytes.getShort(at);
        case UINT16 -> bytes.getShort(at) & 0xFFFF;
        case UINT32 -> bytes.getInt(at) & 0xFFFF_FFFFL;
        case FLOAT32 -> bytes.getFloat(at);
      };
    }
  }

  private static List<?> list(Map<?, ?> map, String name) {
    return map.get(name) instanceof List<?> list ? list : List.of();
  }

  private static Map<?, ?> map(@Nullable Object value) throws BadFile {
    if (value instanceof Map<?, ?> map) {
      return map;
    }
    throw new BadFile(0, "something else", "an object");
  }

  private static @Nullable Object item(List<?> list, int index, String what) throws BadFile {
    if (index < 0 || index >= list.size()) {
      throw new BadFile(
          0,
          String.format(Locale.ROOT, "%s %d", what, index),
          "one of the " + list.size() + " there are");
    }
    return list.get(index);
  }

  private static int index(@Nullable Object value, String what) throws BadFile {
    if (value instanceof Double d && d >= 0 && d < Integer.MAX_VALUE) {
      return d.intValue();
    }
    throw new BadFile(0, "no number", "the number of a " + what);
  }

  private static long number(Map<?, ?> map, String name, long usual) {
    return map.get(name) instanceof Double d ? d.longValue() : usual;
  }
}
