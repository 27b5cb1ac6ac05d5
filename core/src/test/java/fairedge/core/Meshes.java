package fairedge.core;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Attribute;
import fairedge.core.mesh.Label;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.props.HarbourProps;
import java.util.Arrays;
import java.util.HashMap;
import java.util.Map;
import java.util.TreeMap;

/** Fixture meshes by name. */
public final class Meshes {
  private Meshes() {}

  /** All fixtures on which the same laws are run. */
  public static Map<String, Mesh> all() {
    Map<String, Mesh> all = new TreeMap<>();
    all.put("cube", cube());
    all.put("grid", grid(4, 3));
    all.put("hatch lid", HarbourProps.hatchLid());
    all.put("bollard", HarbourProps.mooringBollard());
    all.put("crowded", crowded());
    all.put("bow-tie", bowTie());
    all.put("moebius", moebius(7));
    all.put("tetrahedron", tetrahedron());
    all.put("edge used twice", edgeUsedTwice());
    all.put("charted", charted(3, 2));
    return all;
  }

  /** Corners at 0 and 2; vertex ids count x fastest, then y, then z. */
  public static Mesh cube() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 8; i++) {
      b.vertex(2 * (i & 1), i & 2, (i & 4) / 2.0);
    }
    b.face(0, 2, 3, 1);
    b.face(4, 5, 7, 6);
    b.face(0, 1, 5, 4);
    b.face(1, 3, 7, 5);
    b.face(3, 2, 6, 7);
    b.face(2, 0, 4, 6);
    return b.build();
  }

  /** A flat sheet of w by h unit quads facing up; vertex (i, j) has id j * (w + 1) + i. */
  public static Mesh grid(int w, int h) {
    MeshBuilder b = new MeshBuilder();
    for (int j = 0; j <= h; j++) {
      for (int i = 0; i <= w; i++) {
        b.vertex(i, j, 0);
      }
    }
    for (int j = 0; j < h; j++) {
      for (int i = 0; i < w; i++) {
        int v = j * (w + 1) + i;
        b.face(v, v + 1, v + w + 2, v + w + 1);
      }
    }
    return b.build();
  }

  /** A 3 by 1 sheet whose middle face is cut into two triangles. */
  public static Mesh gridWithPair() {
    MeshBuilder b = new MeshBuilder();
    for (int j = 0; j <= 1; j++) {
      for (int i = 0; i <= 3; i++) {
        b.vertex(i, j, 0);
      }
    }
    b.face(0, 1, 5, 4);
    b.face(1, 2, 6);
    b.face(1, 6, 5);
    b.face(2, 3, 7, 6);
    return b.build();
  }

  /** Three quads on one edge, a loose edge and a lone vertex. */
  public static Mesh crowded() {
    MeshBuilder b = new MeshBuilder();
    int a = b.vertex(0, 0, 0);
    int c = b.vertex(0, 0, 1);
    for (int i = 0; i < 3; i++) {
      double angle = 2 * Math.PI * i / 3;
      int p = b.vertex(Math.cos(angle), Math.sin(angle), 0);
      int q = b.vertex(Math.cos(angle), Math.sin(angle), 1);
      b.face(a, p, q, c);
    }
    int lone = b.vertex(3, 3, 3);
    b.edge(a, b.vertex(4, 4, 4));
    assert lone >= 0;
    return b.build();
  }

  /** Two quads that touch in one vertex. */
  public static Mesh bowTie() {
    MeshBuilder b = new MeshBuilder();
    int middle = b.vertex(0, 0, 0);
    b.face(middle, b.vertex(1, 0, 0), b.vertex(1, 1, 0), b.vertex(0, 1, 0));
    b.face(middle, b.vertex(-1, 0, 0), b.vertex(-1, -1, 0), b.vertex(0, -1, 0));
    return b.build();
  }

  /** A band of n quads that comes back with its sides exchanged. */
  public static Mesh moebius(int n) {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < n; i++) {
      double turn = 2 * Math.PI * i / n;
      double twist = turn / 2;
      for (int side = -1; side <= 1; side += 2) {
        double r = 3 + side * Math.cos(twist);
        b.vertex(r * Math.cos(turn), r * Math.sin(turn), side * Math.sin(twist));
      }
    }
    for (int i = 0; i < n; i++) {
      int v = 2 * i;
      boolean last = i == n - 1;
      int next = last ? 1 : v + 2;
      int nextOther = last ? 0 : v + 3;
      b.face(v, next, nextOther, v + 1);
    }
    return b.build();
  }

  public static Mesh tetrahedron() {
    MeshBuilder b = new MeshBuilder();
    b.vertex(0, 0, 0);
    b.vertex(1, 0, 0);
    b.vertex(0, 1, 0);
    b.vertex(0, 0, 1);
    b.face(0, 2, 1);
    b.face(0, 1, 3);
    b.face(1, 2, 3);
    b.face(2, 0, 3);
    return b.build();
  }

  /** One face that runs out along an edge and back again. */
  public static Mesh edgeUsedTwice() {
    MeshBuilder b = new MeshBuilder();
    b.vertex(0, 0, 0);
    b.vertex(2, 0, 0);
    b.vertex(2, 2, 0);
    b.vertex(0, 2, 0);
    b.vertex(1, 1, 0);
    b.face(0, 4, 0, 1, 2, 3);
    return b.build();
  }

  public static Mesh torus(int around, int across) {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < around; i++) {
      for (int j = 0; j < across; j++) {
        double a = 2 * Math.PI * i / around;
        double c = 2 * Math.PI * j / across;
        double r = 3 + Math.cos(c);
        b.vertex(r * Math.cos(a), r * Math.sin(a), Math.sin(c));
      }
    }
    for (int i = 0; i < around; i++) {
      for (int j = 0; j < across; j++) {
        int next = (i + 1) % around * across;
        int up = (j + 1) % across;
        b.face(i * across + j, next + j, next + up, i * across + up);
      }
    }
    return b.build();
  }

  /** An open box of n sides with an n-gon on top: a prism without ground. */
  public static Mesh openPrism(int n) {
    MeshBuilder b = new MeshBuilder();
    int[] top = new int[n];
    for (int level = 0; level < 2; level++) {
      for (int i = 0; i < n; i++) {
        double angle = 2 * Math.PI * i / n;
        int v = b.vertex(Math.cos(angle), Math.sin(angle), level);
        top[i] = v;
      }
    }
    for (int i = 0; i < n; i++) {
      int next = (i + 1) % n;
      b.face(i, next, n + next, n + i);
    }
    b.face(top);
    return b.build();
  }

  /**
   * A flat sheet of w by h quads whose corners carry texture coordinates (x / 10, y / 10), one more
   * in u on every second column, so that a seam runs between two; the columns are in groups of
   * different material. The last face carries nothing.
   */
  public static Mesh charted(int w, int h) {
    Mesh plain = grid(w, h);
    MeshBuilder b = new MeshBuilder();
    for (int v = 0; v < plain.vertexEnd(); v++) {
      b.vertex(plain.position(v));
      Vec3 at = plain.position(v);
      b.value(Attribute.TEXTURE, new Vec3(at.x() / 10, at.y() / 10, 0));
      b.value(Attribute.TEXTURE, new Vec3(at.x() / 10 + 1, at.y() / 10, 0));
    }
    b.value(Attribute.NORMAL, new Vec3(0, 0, 1));
    for (int f = 0; f < plain.faceEnd(); f++) {
      int column = f % w % 2;
      int[] ring = plain.vertices(f);
      b.face(ring);
      if (f + 1 < plain.faceEnd()) {
        b.values(f, Attribute.TEXTURE, Arrays.stream(ring).map(v -> 2 * v + column).toArray(), 0);
        b.values(f, Attribute.NORMAL, new int[ring.length], 0);
        b.label(f, new Label("sheet", "column " + column, column == 0 ? "oak" : "brass", ""));
      }
    }
    return b.build();
  }

  /** A box whose three directions are cut at the given places, as a surface of quads. */
  public static Mesh box(double... cuts) {
    int n = cuts.length - 1;
    MeshBuilder b = new MeshBuilder();
    Map<Vec3, Integer> known = new HashMap<>();
    for (int axis = 0; axis < 3; axis++) {
      for (int end = 0; end < 2; end++) {
        for (int i = 0; i < n; i++) {
          for (int k = 0; k < n; k++) {
            int[] face = new int[4];
            for (int c = 0; c < 4; c++) {
              int turn = end == 1 ? c : 3 - c;
              double[] p = new double[3];
              p[axis] = end == 1 ? cuts[n] : cuts[0];
              p[(axis + 1) % 3] = cuts[i + (turn == 1 || turn == 2 ? 1 : 0)];
              p[(axis + 2) % 3] = cuts[k + (turn > 1 ? 1 : 0)];
              face[c] = known.computeIfAbsent(new Vec3(p[0], p[1], p[2]), b::vertex);
            }
            b.face(face);
          }
        }
      }
    }
    return b.build();
  }
}
