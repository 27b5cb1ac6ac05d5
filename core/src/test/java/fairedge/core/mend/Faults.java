package fairedge.core.mend;

import fairedge.core.Meshes;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Profile;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;

/** Clean forms into which faults are put, one after the other, alone or crowded together. */
final class Faults {
  private final Mesh mesh;
  private final MeshEdit edit;
  private final SplittableRandom random;

  private Faults(Mesh mesh, SplittableRandom random) {
    this.mesh = mesh;
    this.edit = new MeshEdit(mesh);
    this.random = random;
  }

  /** A mesh, and the profile by which it is inspected. */
  record Faulty(Mesh mesh, Profile profile) {}

  /** A form with so many faults. */
  static Faulty faulty(SplittableRandom random, int faults) {
    int form = random.nextInt(4);
    Mesh clean =
        switch (form) {
          case 0 -> Meshes.grid(5 + random.nextInt(5), 5 + random.nextInt(5));
          case 1 -> Meshes.torus(8 + random.nextInt(6), 6 + random.nextInt(4));
          case 2 -> Meshes.box(0.2, 0.5, 0.8);
          default -> Meshes.openPrism(8 + random.nextInt(8));
        };
    Faults into = new Faults(clean, random);
    for (int i = 0; i < faults; i++) {
      into.put(random.nextInt(12));
    }
    return new Faulty(
        MeshBytes.read(MeshBytes.write(clean)),
        Profile.named(form == 0 || form == 3 ? "Open sheet" : "All quads"));
  }

  private void put(int kind) {
    int f = face();
    int e = mesh.edges(f)[random.nextInt(mesh.size(f))];
    switch (kind) {
      case 0, 1 -> diagonal(f);
      case 2 -> lifted(e);
      case 3 -> strays(f);
      case 4 -> edit.splitEdge(e, mesh.along(e, random.nextDouble(0.2, 0.8)));
      case 5 -> Pruning.removeFaces(edit, List.of(f));
      case 6 -> Pruning.turnOver(edit, f);
      case 7 -> edit.makeFace(mesh.vertices(f), f);
      case 8 -> edit.makeVertex(new Vec3(9, 9, random.nextDouble()));
      case 9 -> apart(f);
      case 10 -> fin(e);
      default -> manySided(f);
    }
  }

  private int face() {
    int f = random.nextInt(mesh.faceEnd());
    while (!mesh.hasFace(f)) {
      f = (f + 1) % mesh.faceEnd();
    }
    return f;
  }

  private int corner(int f, int i) {
    int c = mesh.firstCorner(f);
    for (int k = 0; k < i; k++) {
      c = mesh.next(c);
    }
    return c;
  }

  private void diagonal(int f) {
    if (mesh.size(f) == 4 && isFree(f, 0, 2)) {
      edit.splitFace(f, corner(f, 0), corner(f, 2), List.of());
    }
  }

  private boolean isFree(int f, int i, int k) {
    return mesh.findEdge(mesh.vertexOf(corner(f, i)), mesh.vertexOf(corner(f, k))) == Mesh.NONE;
  }

  private boolean lifted(int e) {
    if (!mesh.hasEdge(e) || !mesh.isTwoSided(e)) {
      return false;
    }
    int c = mesh.firstSideOn(e);
    int d = mesh.nextOnEdge(c);
    List<Integer> all = new ArrayList<>();
    Arrays.stream(mesh.vertices(mesh.faceOf(c))).forEach(all::add);
    Arrays.stream(mesh.vertices(mesh.faceOf(d))).forEach(all::add);
    boolean isPlain =
        mesh.faceOf(c) != mesh.faceOf(d)
            && mesh.vertexOf(c) != mesh.vertexOf(d)
            && all.stream().distinct().count() == all.size() - 2;
    if (isPlain) {
      edit.joinFaces(e);
    }
    return isPlain;
  }

  /** A triangle, and a face of five sides beside it. */
  private void strays(int f) {
    if (mesh.size(f) == 4 && isFree(f, 0, 2)) {
      int g = edit.splitFace(f, corner(f, 0), corner(f, 2), List.of());
      lifted(mesh.edges(g)[random.nextInt(2)]);
    }
  }

  /** A face that has a corner of its own where others share one. */
  private void apart(int f) {
    int[] ring = mesh.vertices(f);
    ring[0] = edit.makeVertex(mesh.position(ring[0]));
    List<Integer> left = new ArrayList<>();
    Arrays.stream(mesh.edges(f)).forEach(left::add);
    Pruning.relay(edit, f, ring);
    Pruning.removeBare(edit, left);
  }

  private void fin(int e) {
    int a = mesh.first(e);
    int b = mesh.second(e);
    int c = edit.makeVertex(mesh.position(a).plus(new Vec3(0.3, 0.4, 2)));
    int d = edit.makeVertex(mesh.position(b).plus(new Vec3(0.3, 0.4, 2)));
    Pruning.layFace(edit, new int[] {a, b, d, c}, Mesh.NONE);
  }

  private void manySided(int f) {
    for (int i = 0; i < 1 + random.nextInt(3) && mesh.hasFace(f); i++) {
      lifted(mesh.edges(f)[random.nextInt(mesh.size(f))]);
    }
  }
}
