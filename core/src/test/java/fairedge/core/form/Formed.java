package fairedge.core.form;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.MeshCheck;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.tidy.Cap;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;

/** What the tests of the forms share: small meshes, and a change made or refused on one. */
final class Formed {
  private Formed() {}

  /** The unit cube; face 0 is the bottom, 1 the top, 2 the front. */
  static Mesh cube() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 8; i++) {
      b.vertex(new Vec3(i & 1, i >> 1 & 1, i >> 2));
    }
    for (int[] f :
        new int[][] {
          {0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}
        }) {
      b.face(f);
    }
    return b.build();
  }

  /** So many unit cubes in a row, apart from each other. */
  static Mesh cubes(int count) {
    MeshBuilder b = new MeshBuilder();
    Mesh cube = cube();
    for (int k = 0; k < count; k++) {
      int first = 8 * k;
      for (int v = 0; v < 8; v++) {
        b.vertex(cube.position(v).plus(new Vec3(2 * k, 0, 0)));
      }
      for (int f = 0; f < 6; f++) {
        b.face(IntStream.of(cube.vertices(f)).map(v -> first + v).toArray());
      }
    }
    return b.build();
  }

  /** A flat sheet of 2 by 1 unit squares; its lower left corner is vertex 0. */
  static Mesh sheet() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 6; i++) {
      b.vertex(new Vec3(i % 3, i / 3, 0));
    }
    b.face(0, 1, 4, 3);
    b.face(1, 2, 5, 4);
    return b.build();
  }

  static Outcome apply(Mesh mesh, Change change) {
    return new Workpiece(mesh, Tolerance.of(mesh.bounds())).apply(change);
  }

  /** It is made, and leaves a sound mesh. */
  static Receipt made(Mesh mesh, Change change) {
    Outcome outcome = apply(mesh, change);
    assertThat(outcome).isInstanceOf(Outcome.Made.class);
    assertThat(MeshCheck.faults(mesh)).isEmpty();
    return ((Outcome.Made) outcome).receipt();
  }

  /** It is refused, and leaves the mesh as it was to the byte; why. */
  static String refused(Mesh mesh, Change change) {
    byte[] before = MeshBytes.write(mesh);
    Outcome outcome = apply(mesh, change);
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    return ((Outcome.Refused) outcome).refusal().reason();
  }

  static List<Integer> counts(Mesh mesh) {
    return List.of(mesh.vertexCount(), mesh.edgeCount(), mesh.faceCount());
  }

  /** Of a closed mesh, faces fanned from their first corners. */
  static double volume(Mesh mesh) {
    double six = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        int[] round = mesh.vertices(f);
        for (int i = 1; i + 1 < round.length; i++) {
          Vec3 a = mesh.position(round[0]);
          six += a.dot(mesh.position(round[i]).cross(mesh.position(round[i + 1])));
        }
      }
    }
    return six / 6;
  }

  /** A prism of n sides with bare ends; faces 0 and 1 are the ends, then the sides. */
  static Mesh prism(int n) {
    MeshBuilder b = new MeshBuilder();
    int[] low = new int[n];
    int[] high = new int[n];
    for (int i = 0; i < n; i++) {
      double at = 2 * Math.PI * i / n;
      low[n - 1 - i] = b.vertex(new Vec3(Math.cos(at), Math.sin(at), 0));
    }
    for (int i = 0; i < n; i++) {
      double at = 2 * Math.PI * i / n;
      high[i] = b.vertex(new Vec3(Math.cos(at), Math.sin(at), 1));
    }
    b.face(low);
    b.face(high);
    for (int i = 0; i < n; i++) {
      int next = (i + 1) % n;
      b.face(low[n - 1 - i], low[n - 1 - next], high[next], high[i]);
    }
    return b.build();
  }

  /** A cylinder of 12 sides, its ends grids of quads. */
  static Mesh gridEnded() {
    Mesh mesh = prism(12);
    made(mesh, new Tidying.CapChange(new Cap.Plan(0, null, Cap.Form.GRID, 0, 0, 0, 0)));
    made(mesh, new Tidying.CapChange(new Cap.Plan(1, null, Cap.Form.GRID, 0, 0, 0, 0)));
    return mesh;
  }

  /** A block of the shape of an L, with an edge that turns back. */
  static Mesh lBlock() {
    MeshBuilder b = new MeshBuilder();
    double[][] plan = {{0, 0}, {2, 0}, {2, 1}, {1, 1}, {1, 2}, {0, 2}};
    for (int z = 0; z < 2; z++) {
      for (double[] at : plan) {
        b.vertex(new Vec3(at[0], at[1], z));
      }
    }
    b.face(5, 4, 3, 2, 1, 0);
    b.face(6, 7, 8, 9, 10, 11);
    for (int i = 0; i < 6; i++) {
      int next = (i + 1) % 6;
      b.face(i, next, next + 6, i + 6);
    }
    return b.build();
  }

  /** A bar of n unit cubes along x, its ends whole. */
  static Mesh bar(int n) {
    MeshBuilder b = new MeshBuilder();
    for (int x = 0; x <= n; x++) {
      for (int i = 0; i < 4; i++) {
        b.vertex(new Vec3(x, i == 1 || i == 2 ? 1 : 0, i / 2));
      }
    }
    for (int x = 0; x < n; x++) {
      for (int i = 0; i < 4; i++) {
        int at = 4 * x;
        int next = (i + 1) % 4;
        b.face(at + i, at + next, at + 4 + next, at + 4 + i);
      }
    }
    b.face(3, 2, 1, 0);
    b.face(4 * n, 4 * n + 1, 4 * n + 2, 4 * n + 3);
    return b.build();
  }

  static Integer[] along(Mesh bar) {
    return IntStream.range(0, bar.vertexCount() / 4 - 1)
        .mapToObj(x -> bar.findEdge(4 * x + 2, 4 * x + 6))
        .toArray(Integer[]::new);
  }

  static int[] sizes(Mesh mesh) {
    return IntStream.range(0, mesh.faceEnd()).filter(mesh::hasFace).map(mesh::size).toArray();
  }

  static boolean isClosed(Mesh mesh) {
    return IntStream.range(0, mesh.edgeEnd())
        .filter(mesh::hasEdge)
        .allMatch(e -> mesh.uses(e) == 2);
  }

  static int euler(Mesh mesh) {
    return mesh.vertexCount() - mesh.edgeCount() + mesh.faceCount();
  }

  /** By turns forms of the scenario and plain ones, closed all but one. */
  static Mesh byTurns(int round) {
    return switch (round % 5) {
      case 0 -> gridEnded();
      case 1 -> HarbourProps.fairleadBlock();
      case 2 -> HarbourProps.capstan();
      case 3 -> lBlock();
      default -> bar(5);
    };
  }

  /** Each edge by a chance of one in so many. */
  static List<Integer> someEdges(Mesh mesh, SplittableRandom random, int few) {
    return IntStream.range(0, mesh.edgeEnd())
        .filter(e -> mesh.hasEdge(e) && random.nextInt(few) == 0)
        .boxed()
        .toList();
  }

  /**
   * A change that is made keeps what is closed closed and the Euler number; taken back or refused
   * it leaves the mesh as it was to the byte.
   *
   * @return whether it was made
   */
  static boolean keepsTheLaws(Mesh mesh, Change change) {
    byte[] before = MeshBytes.write(mesh);
    final boolean isClosed = isClosed(mesh);
    final int euler = euler(mesh);
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    boolean isMade = workpiece.apply(change) instanceof Outcome.Made;
    assertThat(MeshCheck.faults(mesh)).isEmpty();
    if (isMade) {
      assertThat(isClosed(mesh)).as("%s", change).isEqualTo(isClosed);
      assertThat(euler(mesh)).as("%s", change).isEqualTo(euler);
      workpiece.undo();
    }
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    return isMade;
  }
}
