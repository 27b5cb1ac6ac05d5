package fairedge.core.meet;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;

/** Closed forms for the tests of meeting parts. */
record Solid(List<Vec3> places, List<int[]> faces) {
  static Solid box(Vec3 at, Vec3 size) {
    List<Vec3> places = new ArrayList<>();
    for (int i = 0; i < 8; i++) {
      places.add(
          at.plus(new Vec3((i & 1) * size.x(), (i >> 1 & 1) * size.y(), (i >> 2) * size.z())));
    }
    return new Solid(
        places,
        List.of(
            new int[] {0, 2, 3, 1},
            new int[] {4, 5, 7, 6},
            new int[] {0, 1, 5, 4},
            new int[] {2, 6, 7, 3},
            new int[] {0, 4, 6, 2},
            new int[] {1, 3, 7, 5}));
  }

  /** A prism over a plan that winds to the left. */
  static Solid over(double[][] plan, double low, double high) {
    int n = plan.length;
    List<Vec3> places = new ArrayList<>();
    for (double z : new double[] {low, high}) {
      for (double[] p : plan) {
        places.add(new Vec3(p[0], p[1], z));
      }
    }
    List<int[]> faces = new ArrayList<>();
    int[] bottom = new int[n];
    int[] top = new int[n];
    for (int i = 0; i < n; i++) {
      bottom[i] = n - 1 - i;
      top[i] = n + i;
      faces.add(new int[] {i, (i + 1) % n, n + (i + 1) % n, n + i});
    }
    faces.add(bottom);
    faces.add(top);
    return new Solid(places, faces);
  }

  static Solid prism(int n, double radius, double low, double high) {
    double[][] plan = new double[n][];
    for (int i = 0; i < n; i++) {
      double at = 2 * Math.PI * i / n;
      plan[i] = new double[] {radius * Math.cos(at), radius * Math.sin(at)};
    }
    return over(plan, low, high);
  }

  static Solid sphere(int around, int up) {
    List<Vec3> places = new ArrayList<>();
    for (int k = 1; k < up; k++) {
      double polar = Math.PI * k / up;
      for (int i = 0; i < around; i++) {
        double at = 2 * Math.PI * i / around;
        double r = Math.sin(polar);
        places.add(new Vec3(r * Math.cos(at), r * Math.sin(at), -Math.cos(polar)));
      }
    }
    int south = places.size();
    places.add(new Vec3(0, 0, -1));
    places.add(new Vec3(0, 0, 1));
    List<int[]> faces = new ArrayList<>();
    for (int i = 0; i < around; i++) {
      int next = (i + 1) % around;
      faces.add(new int[] {south, next, i});
      int last = (up - 2) * around;
      faces.add(new int[] {south + 1, last + i, last + next});
      for (int k = 0; k + 2 < up; k++) {
        int a = k * around;
        faces.add(new int[] {a + i, a + next, a + around + next, a + around + i});
      }
    }
    return new Solid(places, faces);
  }

  static Solid torus(int around, int across, double large, double small) {
    List<Vec3> places = new ArrayList<>();
    for (int i = 0; i < around; i++) {
      double at = 2 * Math.PI * i / around;
      for (int k = 0; k < across; k++) {
        double turn = 2 * Math.PI * k / across;
        double r = large + small * Math.cos(turn);
        places.add(new Vec3(r * Math.cos(at), r * Math.sin(at), small * Math.sin(turn)));
      }
    }
    List<int[]> faces = new ArrayList<>();
    for (int i = 0; i < around; i++) {
      int next = (i + 1) % around;
      for (int k = 0; k < across; k++) {
        int up = (k + 1) % across;
        faces.add(
            new int[] {i * across + k, next * across + k, next * across + up, i * across + up});
      }
    }
    return new Solid(places, faces);
  }

  private static final double[][] ELL = {{0, 0}, {2, 0}, {2, 1}, {1, 1}, {1, 2}, {0, 2}};
  private static final double[][] YOKE = {
    {0, 0}, {3, 0}, {3, 2}, {2, 2}, {2, 1}, {1, 1}, {1, 2}, {0, 2}
  };

  /** One of small whole numbers mostly, now and then turned or moved by a hair. */
  static Solid random(SplittableRandom random) {
    Solid form =
        switch (random.nextInt(7)) {
          case 0, 1 ->
              box(
                  Vec3.ZERO,
                  new Vec3(1 + random.nextInt(3), 1 + random.nextInt(3), 1 + random.nextInt(3)));
          case 2 -> over(ELL, 0, 1 + random.nextInt(2));
          case 3 -> over(YOKE, 0, 1 + random.nextInt(2));
          case 4 -> prism(3 + random.nextInt(6), 1 + random.nextInt(2), 0, 1 + random.nextInt(3));
          case 5 ->
              torus(3 + random.nextInt(5), 3 + random.nextInt(4), 2, 0.5 + random.nextInt(2) / 2.0);
          default -> sphere(3 + random.nextInt(5), 2 + random.nextInt(4));
        };
    Vec3 by = new Vec3(random.nextInt(-1, 3), random.nextInt(-1, 3), random.nextInt(-1, 3));
    return switch (random.nextInt(6)) {
      case 0 -> form.turned(random.nextDouble(360)).moved(by);
      case 1 -> form.leant(random.nextDouble(360)).turned(random.nextDouble(360)).moved(by);
      case 2 -> form.moved(by.plus(new Vec3(1e-12, random.nextInt(2) * 1e-12, 0)));
      case 3 -> form.moved(by.times(0.5));
      default -> form.moved(by);
    };
  }

  private Solid placed(UnaryOperator<Vec3> by) {
    return new Solid(places.stream().map(by).toList(), faces);
  }

  Solid moved(Vec3 by) {
    return placed(p -> p.plus(by));
  }

  /** About the third axis. */
  Solid turned(double degrees) {
    return degrees == 0 ? this : placed(p -> p.turned(new Vec3(0, 0, 1), degrees));
  }

  /** About the first axis. */
  Solid leant(double degrees) {
    return placed(p -> p.turned(new Vec3(1, 0, 0), degrees));
  }

  /** The text of an OBJ file. */
  String obj() {
    StringBuilder text = new StringBuilder();
    places.forEach(p -> text.append("v %s %s %s\n".formatted(p.x(), p.y(), p.z())));
    for (int[] f : faces) {
      text.append("f");
      Arrays.stream(f).forEach(v -> text.append(' ').append(v + 1));
      text.append('\n');
    }
    return text.toString();
  }

  /** With a few faces out, twice over, turned over or laid flat. */
  Solid soiled(SplittableRandom random) {
    List<int[]> all = new ArrayList<>(faces);
    List<Vec3> moved = new ArrayList<>(places);
    for (int i = random.nextInt(3); i > 0 && all.size() > 2; i--) {
      int at = random.nextInt(all.size());
      int[] face = all.get(at);
      switch (random.nextInt(5)) {
        case 0 -> all.remove(at);
        case 1 -> all.add(face.clone());
        case 2 -> all.set(at, reversed(face));
        case 3 -> moved.set(face[0], moved.get(face[1]));
        default -> moved.set(face[0], moved.get(random.nextInt(moved.size())).plus(places.get(0)));
      }
    }
    return new Solid(moved, all);
  }

  private static int[] reversed(int[] ring) {
    int[] turned = new int[ring.length];
    for (int i = 0; i < ring.length; i++) {
      turned[i] = ring[ring.length - 1 - i];
    }
    return turned;
  }

  /** The same with each ring begun elsewhere. */
  Solid rolled(SplittableRandom random) {
    return new Solid(
        places,
        faces.stream()
            .map(f -> {
              int by = random.nextInt(f.length);
              return IntStream.range(0, f.length).map(i -> f[(i + by) % f.length]).toArray();
            })
            .toList());
  }

  Solid with(Solid other) {
    List<Vec3> all = new ArrayList<>(places);
    all.addAll(other.places);
    List<int[]> both = new ArrayList<>(faces);
    for (int[] f : other.faces) {
      int[] ring = f.clone();
      for (int i = 0; i < ring.length; i++) {
        ring[i] += places.size();
      }
      both.add(ring);
    }
    return new Solid(all, both);
  }

  Mesh mesh() {
    MeshBuilder b = new MeshBuilder();
    places.forEach(b::vertex);
    faces.forEach(b::face);
    return b.build();
  }
}
