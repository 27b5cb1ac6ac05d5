package fairedge.core;

import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.StandardCharsets;
import java.util.Base64;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.function.Consumer;
import java.util.function.IntFunction;
import java.util.function.IntToDoubleFunction;
import java.util.function.Supplier;

/**
 * Mesh files made to take for ever: each puts as much as it can into one vertex, edge, face or
 * place, so that whatever looks at all pairs there would never end. A few megabytes at the most, as
 * a student could hand them in; {@code -Dfair-edge.hostile.share=1} makes them as large as that.
 */
public final class HostileFiles {
  /** By how much they are smaller than they could be, so that verify does not wait for them. */
  private static final int SHARE = Integer.getInteger("fair-edge.hostile.share", 40);

  private static final int HUB = 20_000 / SHARE;
  private static final int MANY = 50_000 / SHARE;

  private HostileFiles() {}

  /** By what is wrong with them. */
  public static Map<String, Supplier<byte[]>> all() {
    Map<String, Supplier<byte[]>> all = new LinkedHashMap<>();
    fans(all);
    polygons(all);
    tangles(all);
    heaps(all);
    places(all);
    lines(all);
    scenes(all);
    return all;
  }

  /** One that takes many seconds to inspect, whatever share the others have. */
  public static byte[] dear() {
    Obj obj = new Obj();
    beyondMeasure(obj, 600);
    return obj.bytes();
  }

  private static void put(Map<String, Supplier<byte[]>> all, String name, Consumer<Obj> made) {
    all.put(
        name,
        () -> {
          Obj obj = new Obj();
          made.accept(obj);
          return obj.bytes();
        });
  }

  private static void fans(Map<String, Supplier<byte[]>> all) {
    put(all, "a fan of triangles, flat", o -> fan(o, HUB, 0, false));
    put(all, "a fan of triangles, a cone, crumpled", o -> fan(o, HUB, 1, true));
    put(all, "a fan of quads", HostileFiles::fanOfQuads);
    put(
        all,
        "two hubs of triangles",
        o -> {
          fan(o, MANY, 1, false);
          fan(o, MANY, -1, false);
        });
    put(all, "a hub of triangles that share nothing else", o -> torn(o, MANY, 3));
    put(all, "a hub of quads that share nothing else", o -> torn(o, MANY, 4));
    put(all, "a hub of pairs of triangles", HostileFiles::windmill);
    put(all, "three hubs that know each other's neighbours", HostileFiles::threeHubs);
  }

  /** Triangles round a vertex, as a lid or a cone. */
  private static void fan(Obj o, int n, double height, boolean crumpled) {
    int hub = o.vertex(0, 0, height);
    int[] rim = o.ring(n, i -> crumpled ? 1 + 0.2 * (i * 7919 % 13) / 13 : 1);
    for (int i = 0; i < n; i++) {
      o.face(hub, rim[i], rim[(i + 1) % n]);
    }
  }

  private static void fanOfQuads(Obj o) {
    int hub = o.vertex(0, 0, 0.5);
    int[] rim = o.ring(2 * HUB, i -> i % 2 == 0 ? 1 : 1.1);
    for (int i = 0; i < 2 * HUB; i += 2) {
      o.face(hub, rim[i], rim[i + 1], rim[(i + 2) % (2 * HUB)]);
    }
  }

  private static void torn(Obj o, int n, int sides) {
    int hub = o.vertex(0, 0, 0);
    for (int i = 0; i < n; i++) {
      double at = 2 * Math.PI * i / n;
      int[] face = new int[sides];
      face[0] = hub;
      for (int k = 1; k < sides; k++) {
        double turn = at + 0.8 * (k - 1) * Math.PI / n / (sides - 2);
        double far = k == 2 && sides == 4 ? 1.2 : 1;
        face[k] = o.vertex(far * Math.cos(turn), far * Math.sin(turn), i % 3);
      }
      o.face(face);
    }
  }

  private static void windmill(Obj o) {
    int hub = o.vertex(0, 0, 0);
    for (int i = 0; i < HUB; i++) {
      double at = 2 * Math.PI * i / HUB;
      int[] v = new int[3];
      for (int k = 0; k < 3; k++) {
        double turn = at + 0.3 * k / HUB;
        v[k] = o.vertex(Math.cos(turn), Math.sin(turn), 0.1 * (i % 5));
      }
      o.face(hub, v[0], v[1]);
      o.face(hub, v[1], v[2]);
    }
  }

  private static void threeHubs(Obj o) {
    int[] hubs = {o.vertex(0, 0, 1), o.vertex(0, 0, -1), o.vertex(0.3, 0.2, 2)};
    int[] rim = o.ring(HUB, i -> 1);
    for (int hub : hubs) {
      for (int i = 0; i < HUB; i++) {
        o.face(hub, rim[i], rim[(i + 1) % HUB]);
      }
    }
  }

  private static void polygons(Map<String, Supplier<byte[]>> all) {
    put(all, "a disc of many corners", o -> o.face(o.ring(HUB, i -> 1)));
    put(all, "a disc of very many corners", o -> o.face(o.ring(2 * MANY, i -> 1)));
    put(all, "a star of 3,000 corners", o -> o.face(o.ring(3000, i -> 1 + i % 2)));
    put(all, "a star of many corners", o -> o.face(o.ring(HUB, i -> 1 + i % 2)));
    put(all, "a comb of many corners", o -> comb(o, HUB));
    put(all, "a spiral of many corners", o -> spiral(o, HUB));
    put(all, "a polygon of 4,900 corners at random", o -> scribble(o, 4900));
    put(all, "a polygon of very many corners at random", o -> scribble(o, 2 * MANY));
    put(all, "a polygon on a line", o -> o.face(o.vertices(MANY, i -> new double[] {i, 0, 0})));
    put(all, "stars beside each other", HostileFiles::stars);
    put(all, "a polygon that goes back the way it came", HostileFiles::slit);
  }

  private static void comb(Obj o, int teeth) {
    int[] way = new int[2 * teeth + 2];
    for (int i = 0; i < 2 * teeth; i++) {
      way[i] = o.vertex(i, i % 2 == 0 ? 1 : 0.001 * (i % 17), 0);
    }
    way[2 * teeth] = o.vertex(2 * teeth, -1, 0);
    way[2 * teeth + 1] = o.vertex(0, -1, 0);
    o.face(way);
  }

  private static void spiral(Obj o, int n) {
    int[] way = new int[2 * n];
    for (int i = 0; i < n; i++) {
      double turn = 0.05 * i;
      way[i] = o.vertex((1 + turn) * Math.cos(turn), (1 + turn) * Math.sin(turn), 0);
      way[2 * n - 1 - i] =
          o.vertex((1.5 + turn) * Math.cos(turn), (1.5 + turn) * Math.sin(turn), 0);
    }
    o.face(way);
  }

  private static void scribble(Obj o, int n) {
    SplittableRandom random = new SplittableRandom(n);
    o.face(
        o.vertices(
            n, i -> new double[] {random.nextDouble(), random.nextDouble(), random.nextDouble()}));
  }

  private static void stars(Obj o) {
    for (int k = 0; k < 40; k++) {
      double aside = 5.0 * k;
      o.face(
          o.vertices(
              1000,
              i -> {
                double far = 1 + i % 2;
                double turn = 2 * Math.PI * i / 1000;
                return new double[] {aside + far * Math.cos(turn), far * Math.sin(turn), 0};
              }));
    }
  }

  private static void slit(Obj o) {
    int[] line = o.vertices(10_000, i -> new double[] {i, 0.01 * (i % 7), 0});
    int[] way = new int[2 * line.length - 2];
    for (int i = 0; i < line.length; i++) {
      way[i] = line[i];
    }
    for (int i = line.length; i < way.length; i++) {
      way[i] = line[2 * line.length - 2 - i];
    }
    o.face(way);
  }

  private static void tangles(Map<String, Supplier<byte[]>> all) {
    put(all, "3 thousand triangles through each other", o -> tangle(o, 3000, 3));
    put(all, "very many triangles through each other", o -> tangle(o, MANY, 3));
    put(all, "quads through each other", o -> tangle(o, HUB, 4));
    put(all, "needles through one place", HostileFiles::needles);
    put(all, "planks across planks", HostileFiles::planks);
    put(all, "a sheet over very many triangles", HostileFiles::sheetOver);
    put(all, "n-gons through each other", o -> tangle(o, HUB / 40, 60));
  }

  private static void tangle(Obj o, int n, int sides) {
    SplittableRandom random = new SplittableRandom(sides * 31L + n);
    for (int i = 0; i < n; i++) {
      o.face(
          o.vertices(
              sides,
              k -> new double[] {random.nextDouble(), random.nextDouble(), random.nextDouble()}));
    }
  }

  private static void needles(Obj o) {
    SplittableRandom random = new SplittableRandom(5);
    for (int i = 0; i < HUB; i++) {
      double turn = random.nextDouble(Math.PI);
      double tilt = random.nextDouble(Math.PI);
      double x = Math.cos(turn) * Math.sin(tilt);
      double y = Math.sin(turn) * Math.sin(tilt);
      double z = Math.cos(tilt);
      o.face(o.vertex(x, y, z), o.vertex(-x, -y, -z), o.vertex(-x + 1e-4 * z, -y, -z - 1e-4 * x));
    }
  }

  private static void planks(Obj o) {
    for (int i = 0; i < HUB / 10; i++) {
      double at = 0.01 * i;
      o.face(o.vertex(at, 0, -1), o.vertex(at, 15, -1), o.vertex(at, 15, 1), o.vertex(at, 0, 1));
      o.face(o.vertex(0, at, -1), o.vertex(15, at, -1), o.vertex(15, at, 1), o.vertex(0, at, 1));
    }
  }

  private static void sheetOver(Obj o) {
    o.grid(100, MANY / 200, 0.01);
    o.face(o.vertex(-1, -1, 0), o.vertex(3, -1, 0), o.vertex(3, 3, 0), o.vertex(-1, 3, 0));
  }

  private static void heaps(Map<String, Supplier<byte[]>> all) {
    put(all, "triangles on one edge", HostileFiles::book);
    put(all, "quads on one edge", HostileFiles::bookOfQuads);
    put(all, "faces of the same corners", HostileFiles::twins);
    put(all, "faces in one place", o -> pile(o, 0));
    put(all, "faces hardly above each other", o -> pile(o, 1e-9));
    put(all, "triangles over 500 vertices", o -> heap(o, 500, 2 * MANY, 3));
    put(all, "quads over 300 vertices", o -> heap(o, 300, MANY, 4));
    put(all, "a triangulated sheet", o -> o.grid(250, MANY / 200, 0.01));
    put(all, "sheets of 58 triangles each", HostileFiles::smallSheets);
  }

  private static void book(Obj o) {
    int a = o.vertex(0, 0, -1);
    int b = o.vertex(0, 0, 1);
    for (int v : o.ring(MANY, i -> 1)) {
      o.face(a, b, v);
    }
  }

  private static void bookOfQuads(Obj o) {
    int a = o.vertex(0, 0, -1);
    int b = o.vertex(0, 0, 1);
    for (int i = 0; i < MANY; i++) {
      double turn = 2 * Math.PI * i / MANY;
      o.face(
          a,
          b,
          o.vertex(Math.cos(turn), Math.sin(turn), 1),
          o.vertex(Math.cos(turn), Math.sin(turn), -1));
    }
  }

  private static void twins(Obj o) {
    int[] corners = o.ring(4, i -> 1);
    for (int i = 0; i < MANY; i++) {
      o.face(corners[i % 4], corners[(i + 1) % 4], corners[(i + 2) % 4], corners[(i + 3) % 4]);
    }
  }

  private static void pile(Obj o, double above) {
    for (int i = 0; i < MANY; i++) {
      double z = above * i;
      o.face(o.vertex(0, 0, z), o.vertex(1, 0, z), o.vertex(1, 1, z), o.vertex(0, 1, z));
    }
  }

  private static void heap(Obj o, int vertices, int faces, int sides) {
    SplittableRandom random = new SplittableRandom(vertices);
    int[] of =
        o.vertices(
            vertices,
            i -> new double[] {random.nextDouble(), random.nextDouble(), random.nextDouble()});
    for (int i = 0; i < faces; i++) {
      int[] face = new int[sides];
      for (int k = 0; k < sides; k++) {
        face[k] = of[(random.nextInt(vertices / sides) * sides + k) % vertices];
      }
      o.face(face);
    }
  }

  private static void smallSheets(Obj o) {
    for (int i = 0; i < HUB / 20; i++) {
      o.gridAt(29, 1, 0.01, 0, 0.05 * i);
    }
  }

  private static void places(Map<String, Supplier<byte[]>> all) {
    put(all, "vertices in one place", HostileFiles::onePlace);
    put(all, "vertices on one edge", HostileFiles::onOneEdge);
    put(all, "triangles closer than they are told apart", HostileFiles::dust);
    put(all, "places beyond measure", o -> beyondMeasure(o, HUB / 4));
    put(all, "very many parts", o -> parts(o, 2 * MANY));
    put(all, "boxes, each in the next", HostileFiles::nested);
  }

  private static void onePlace(Obj o) {
    o.face(o.vertex(0, 0, 0), o.vertex(1, 0, 0), o.vertex(1, 1, 0), o.vertex(0, 1, 0));
    for (int i = 0; i < 4 * MANY; i++) {
      o.vertex(5, 5, 0);
    }
  }

  private static void onOneEdge(Obj o) {
    o.face(o.vertex(0, 0, 0), o.vertex(1, 0, 0), o.vertex(1, -1, 0), o.vertex(0, -1, 0));
    int[] low = o.vertices(MANY, i -> new double[] {(i + 1.0) / (MANY + 2), 0, 0});
    int[] high = o.vertices(MANY, i -> new double[] {(i + 1.0) / (MANY + 2), 1, 0});
    for (int i = 0; i + 1 < MANY; i++) {
      o.face(low[i], low[i + 1], high[i + 1], high[i]);
    }
  }

  private static void dust(Obj o) {
    o.face(o.vertex(0, 0, 0), o.vertex(1000, 0, 0), o.vertex(1000, 1000, 0), o.vertex(0, 1000, 0));
    SplittableRandom random = new SplittableRandom(11);
    for (int i = 0; i < HUB; i++) {
      o.face(
          o.vertices(
              3,
              k ->
                  new double[] {
                    1e-5 * random.nextDouble(),
                    1e-5 * random.nextDouble(),
                    random.nextDouble() * 1e-5
                  }));
    }
  }

  private static void beyondMeasure(Obj o, int faces) {
    SplittableRandom random = new SplittableRandom(12);
    for (int i = 0; i < faces; i++) {
      o.face(
          o.vertices(
              4,
              k ->
                  new double[] {
                    Math.pow(10, random.nextInt(-300, 300)),
                    -Math.pow(10, random.nextInt(-300, 300)),
                    k
                  }));
    }
  }

  private static void parts(Obj o, int n) {
    for (int i = 0; i < n; i++) {
      double x = 2 * (i % 316);
      double y = 2.0 * (i / 316);
      o.face(o.vertex(x, y, 0), o.vertex(x + 1, y, 0), o.vertex(x, y + 1, 0));
    }
  }

  private static void nested(Obj o) {
    for (int i = 0; i < HUB / 10; i++) {
      double s = 1 + 0.01 * i;
      int[] v = o.vertices(8, k -> new double[] {s * (k & 1), s * (k >> 1 & 1), s * (k >> 2 & 1)});
      o.face(v[0], v[2], v[3], v[1]);
      o.face(v[4], v[5], v[7], v[6]);
      o.face(v[0], v[1], v[5], v[4]);
      o.face(v[1], v[3], v[7], v[5]);
      o.face(v[3], v[2], v[6], v[7]);
      o.face(v[2], v[0], v[4], v[6]);
    }
  }

  private static void lines(Map<String, Supplier<byte[]>> all) {
    put(all, "a strip of quads that winds through itself", HostileFiles::winding);
    put(all, "a hub that a face comes back to again and again", HostileFiles::flower);
    put(all, "loose edges at one vertex", HostileFiles::looseHub);
    put(all, "quads with a vertex on each side, side by side", HostileFiles::withMiddles);
  }

  private static void winding(Obj o) {
    int n = 2 * MANY;
    int[] left = o.vertices(n, i -> winding(i, 1));
    int[] right = o.vertices(n, i -> winding(i, 1.3));
    for (int i = 0; i + 1 < n; i++) {
      o.face(left[i], left[i + 1], right[i + 1], right[i]);
    }
  }

  private static double[] winding(int i, double far) {
    double turn = 0.01 * i;
    return new double[] {far * Math.cos(turn), far * Math.sin(turn), Math.sin(0.0137 * turn)};
  }

  private static void flower(Obj o) {
    int hub = o.vertex(0, 0, 0);
    int[] way = new int[MANY];
    for (int i = 0; i < MANY; i += 2) {
      way[i] = hub;
      way[i + 1] = o.vertex(1 + i, i % 7, 0);
    }
    o.face(way);
    o.face(way);
  }

  private static void looseHub(Obj o) {
    int hub = o.vertex(0, 0, 0);
    int[] rim = o.ring(3 * MANY, i -> 1 + i % 2);
    o.face(hub, rim[0], rim[1]);
    for (int v : rim) {
      o.line(hub, v);
    }
  }

  private static void withMiddles(Obj o) {
    int n = 60;
    int[][] at = new int[2 * n + 1][2 * n + 1];
    for (int i = 0; i <= 2 * n; i++) {
      for (int k = 0; k <= 2 * n; k++) {
        at[i][k] = i % 2 == 1 && k % 2 == 1 ? 0 : o.vertex(i, k, 0);
      }
    }
    for (int i = 0; i < 2 * n; i += 2) {
      for (int k = 0; k < 2 * n; k += 2) {
        o.face(
            at[i][k],
            at[i + 1][k],
            at[i + 2][k],
            at[i + 2][k + 1],
            at[i + 2][k + 2],
            at[i + 1][k + 2],
            at[i][k + 2],
            at[i][k + 1]);
      }
    }
  }

  private static void scenes(Map<String, Supplier<byte[]>> all) {
    all.put("a glTF that uses one triangle again and again", () -> scene(3, 90_000 / SHARE));
    all.put("a glTF that uses one mesh again and again", () -> scene(300, 2000 / SHARE));
  }

  /** One mesh of triangles without indices, used by many nodes in one place. */
  private static byte[] scene(int vertices, int uses) {
    ByteBuffer places = ByteBuffer.allocate(12 * vertices).order(ByteOrder.LITTLE_ENDIAN);
    for (int i = 0; i < vertices; i++) {
      places.putFloat(i % 3).putFloat(i * 0.01F).putFloat(i * i % 7);
    }
    String data = Base64.getEncoder().encodeToString(places.array());
    StringBuilder text = new StringBuilder("{\"asset\":{\"version\":\"2.0\"},");
    text.append("\"buffers\":[{\"byteLength\":").append(12 * vertices);
    text.append(",\"uri\":\"data:application/octet-stream;base64,").append(data).append("\"}],");
    text.append("\"bufferViews\":[{\"buffer\":0,\"byteLength\":").append(12 * vertices);
    text.append("}],\"accessors\":[{\"bufferView\":0,\"componentType\":5126,\"count\":");
    text.append(vertices).append(",\"type\":\"VEC3\"}],");
    text.append("\"meshes\":[{\"primitives\":[{\"attributes\":{\"POSITION\":0}}]}],\"nodes\":[");
    for (int i = 0; i < uses; i++) {
      text.append(i == 0 ? "" : ",").append("{\"mesh\":0}");
    }
    text.append("],\"scenes\":[{\"nodes\":[");
    for (int i = 0; i < uses; i++) {
      text.append(i == 0 ? "" : ",").append(i);
    }
    return text.append("]}]}").toString().getBytes(StandardCharsets.UTF_8);
  }

  /** The text of an OBJ file. */
  private static final class Obj {
    private final StringBuilder text = new StringBuilder();
    private int count;

    int vertex(double x, double y, double z) {
      text.append("v ").append(x).append(' ').append(y).append(' ').append(z).append('\n');
      return ++count;
    }

    int[] vertices(int n, IntFunction<double[]> at) {
      int[] made = new int[n];
      for (int i = 0; i < n; i++) {
        double[] p = at.apply(i);
        made[i] = vertex(p[0], p[1], p[2]);
      }
      return made;
    }

    int[] ring(int n, IntToDoubleFunction radius) {
      return vertices(
          n,
          i -> {
            double turn = 2 * Math.PI * i / n;
            double far = radius.applyAsDouble(i);
            return new double[] {far * Math.cos(turn), far * Math.sin(turn), 0};
          });
    }

    void face(int... vertices) {
      text.append('f');
      for (int v : vertices) {
        text.append(' ').append(v);
      }
      text.append('\n');
    }

    void line(int a, int b) {
      text.append("l ").append(a).append(' ').append(b).append('\n');
    }

    /** A sheet of squares, each of two triangles. */
    void grid(int w, int h, double step) {
      gridAt(w, h, step, 0, 0);
    }

    void gridAt(int w, int h, double step, double left, double low) {
      int first = count + 1;
      for (int k = 0; k <= h; k++) {
        for (int i = 0; i <= w; i++) {
          vertex(left + step * i, low + step * k, 0);
        }
      }
      for (int k = 0; k < h; k++) {
        for (int i = 0; i < w; i++) {
          int v = first + k * (w + 1) + i;
          face(v, v + 1, v + w + 2);
          face(v, v + w + 2, v + w + 1);
        }
      }
    }

    byte[] bytes() {
      return text.toString().getBytes(StandardCharsets.UTF_8);
    }
  }
}
