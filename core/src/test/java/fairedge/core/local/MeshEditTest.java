package fairedge.core.local;

import static fairedge.core.MeshAssert.assertMesh;
import static fairedge.core.MeshAssert.euler;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import fairedge.core.Meshes;
import fairedge.core.format.obj.ObjWriter;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import java.io.IOException;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.assertj.core.api.ThrowableAssert.ThrowingCallable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class MeshEditTest {
  static Stream<Map.Entry<String, Mesh>> fixtures() {
    return Meshes.all().entrySet().stream();
  }

  @ParameterizedTest
  @MethodSource("fixtures")
  void splitEdge_thenJoinEdge_leavesTheSameElements(Map.Entry<String, Mesh> fixture) {
    Mesh mesh = fixture.getValue();
    int vertices = mesh.vertexCount();
    int edges = mesh.edgeCount();
    for (int e = 0; e < edges; e++) {
      MeshEdit edit = new MeshEdit(mesh);
      byte[] before = MeshBytes.write(mesh);
      Vec3 end = mesh.position(mesh.second(e));
      int v = edit.splitEdge(e, mesh.along(e, 0.25));
      assertMesh(mesh).isSound();
      assertThat(mesh.vertexCount()).isEqualTo(vertices + 1);
      int kept = edit.joinEdge(v);
      assertMesh(mesh).isSound();
      assertThat(kept).isEqualTo(e);
      assertThat(mesh.position(mesh.second(e))).isEqualTo(end);
      edit.undoAll();
      assertMesh(mesh).isSound().hasBytes(before);
    }
  }

  @ParameterizedTest
  @MethodSource("fixtures")
  void splitFace_thenJoinFaces_leavesTheSameFace(Map.Entry<String, Mesh> fixture) {
    Mesh mesh = fixture.getValue();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.size(f) < 4) {
        continue;
      }
      for (List<Vec3> bends : List.of(List.<Vec3>of(), List.of(new Vec3(.1, .2, .3)))) {
        int from = mesh.next(mesh.firstCorner(f));
        int to = mesh.next(mesh.next(from));
        if (mesh.vertexOf(from) == mesh.vertexOf(to)
            || bends.isEmpty() && mesh.findEdge(mesh.vertexOf(from), mesh.vertexOf(to)) >= 0) {
          continue;
        }
        byte[] before = MeshBytes.write(mesh);
        int[] corners = mesh.vertices(f);
        MeshEdit edit = new MeshEdit(mesh);
        int euler = euler(mesh);
        int g = edit.splitFace(f, from, to, bends);
        assertMesh(mesh).isSound().hasEuler(euler);
        assertThat(mesh.size(f) + mesh.size(g)).isEqualTo(corners.length + 2 + 2 * bends.size());
        if (bends.isEmpty()) {
          int kept = edit.joinFaces(mesh.edgeEnd() - 1);
          assertMesh(mesh).isSound().hasEuler(euler);
          assertThat(kept).isEqualTo(f);
          assertThat(mesh.vertices(f)).isEqualTo(corners);
        }
        edit.undoAll();
        assertMesh(mesh).isSound().hasBytes(before);
      }
    }
  }

  @ParameterizedTest
  @MethodSource("fixtures")
  void undoAll_afterRandomOperators_givesTheFirstBytes(Map.Entry<String, Mesh> fixture) {
    Mesh mesh = fixture.getValue();
    byte[] before = MeshBytes.write(mesh);
    SplittableRandom random = new SplittableRandom(7);
    MeshEdit edit = new MeshEdit(mesh);
    int done = 0;
    for (int i = 0; i < 600; i++) {
      done += randomOperator(edit, random) ? 1 : 0;
      if (i % 10 == 0) {
        assertMesh(mesh).isSound();
      }
    }
    assertThat(done).isGreaterThan(50);
    assertMesh(MeshBytes.read(MeshBytes.write(mesh))).hasBytes(MeshBytes.write(mesh)).isSound();
    edit.undoAll();
    assertMesh(mesh).isSound().hasBytes(before);
  }

  private static boolean randomOperator(MeshEdit edit, SplittableRandom random) {
    Mesh mesh = edit.mesh();
    try {
      switch (random.nextInt(11)) {
        case 4 -> edit.makeVertex(new Vec3(0, random.nextDouble(), 1));
        case 5 -> edit.removeVertex(pick(random, mesh.vertexEnd()));
        case 6 -> edit.moveVertex(pick(random, mesh.vertexEnd()), Vec3.ZERO);
        case 7 -> edit.makeEdge(pick(random, mesh.vertexEnd()), pick(random, mesh.vertexEnd()));
        case 8 -> edit.removeEdge(pick(random, mesh.edgeEnd()));
        case 9 -> edit.removeFace(pick(random, mesh.faceEnd()));
        case 10 -> {
          int f = pick(random, mesh.faceEnd());
          if (!mesh.hasFace(f)) {
            return false;
          }
          if (random.nextBoolean()) {
            edit.makeFace(mesh.vertices(f), f);
          } else {
            turnRound(edit, f);
          }
        }
        case 0 -> edit.splitEdge(pick(random, mesh.edgeEnd()), new Vec3(random.nextDouble(), 0, 0));
        case 1 -> edit.joinEdge(pick(random, mesh.vertexEnd()));
        case 2 -> edit.joinFaces(pick(random, mesh.edgeEnd()));
        default -> {
          int f = pick(random, mesh.faceEnd());
          if (!mesh.hasFace(f)) {
            return false;
          }
          List<Integer> corners = new ArrayList<>();
          for (int i = 0, c = mesh.firstCorner(f); i < mesh.size(f); i++, c = mesh.next(c)) {
            corners.add(c);
          }
          List<Vec3> bends = random.nextBoolean() ? List.of() : List.of(Vec3.ZERO, Vec3.ZERO);
          edit.splitFace(
              f,
              corners.get(random.nextInt(corners.size())),
              corners.get(random.nextInt(corners.size())),
              bends);
        }
      }
      return true;
    } catch (IllegalArgumentException refused) {
      return false;
    }
  }

  /** Lets a face run the other way round. */
  private static void turnRound(MeshEdit edit, int f) {
    int[] before = edit.mesh().vertices(f);
    int n = before.length;
    int[] from = IntStream.range(0, n).map(i -> n - 1 - i).toArray();
    edit.reshapeFace(f, IntStream.of(from).map(i -> before[i]).toArray(), from);
  }

  /** What a file holds of a mesh: all but the ids of edges. */
  private static String told(Mesh mesh) throws IOException {
    StringBuilder out = new StringBuilder();
    ObjWriter.write(mesh, out);
    return out.toString();
  }

  @ParameterizedTest
  @MethodSource("fixtures")
  void makeVertexEdgeAndFace_thenRemoveThem_leavesTheSame(Map.Entry<String, Mesh> fixture)
      throws IOException {
    Mesh mesh = fixture.getValue();
    String before = told(mesh);
    byte[] first = MeshBytes.write(mesh);
    int euler = euler(mesh);
    MeshEdit edit = new MeshEdit(mesh);
    int v = edit.makeVertex(new Vec3(9, 9, 9));
    assertMesh(mesh).isSound().hasEuler(euler + 1);
    int e = edit.makeEdge(v, 0);
    int closing = edit.makeEdge(v, mesh.otherEnd(mesh.edgeAt(0), 0));
    assertMesh(mesh).isSound().hasEuler(euler - 1);
    int f = edit.makeFace(new int[] {v, 0, mesh.otherEnd(closing, v)}, 0);
    assertMesh(mesh).isSound().hasEuler(euler);
    assertThat(mesh.labelOf(f)).isEqualTo(mesh.labelOf(0));
    edit.removeFace(f);
    edit.removeEdge(e);
    edit.removeEdge(closing);
    edit.removeVertex(v);
    assertMesh(mesh).isSound().hasEuler(euler);
    assertThat(told(mesh)).isEqualTo(before);
    edit.undoAll();
    assertMesh(mesh).isSound().hasBytes(first);
  }

  @ParameterizedTest
  @MethodSource("fixtures")
  void reshapeFaceAndMoveVertex_twice_leaveTheSame(Map.Entry<String, Mesh> fixture)
      throws IOException {
    Mesh mesh = fixture.getValue();
    String before = told(mesh);
    byte[] first = MeshBytes.write(mesh);
    MeshEdit edit = new MeshEdit(mesh);
    for (int f = 0; f < mesh.faceEnd(); f++) {
      turnRound(edit, f);
      assertMesh(mesh).isSound();
    }
    assertThat(told(mesh)).isNotEqualTo(before);
    for (int f = 0; f < mesh.faceEnd(); f++) {
      turnRound(edit, f);
    }
    Vec3 home = mesh.position(0);
    edit.moveVertex(0, new Vec3(5, 6, 7));
    assertThat(edit.journal().touched().faces().get(mesh.facesAt(0)[0])).isTrue();
    assertThat(edit.journal().touched().edges().stream()).contains(mesh.edgesAt(0)[0]);
    edit.moveVertex(0, home);
    assertThat(told(mesh)).isEqualTo(before);
    edit.undoAll();
    assertMesh(mesh).isSound().hasBytes(first);
  }

  @Test
  void removeFace_andItsUndo_keepLabelAndValues() {
    Mesh mesh = Meshes.charted(2, 1);
    byte[] first = MeshBytes.write(mesh);
    MeshEdit edit = new MeshEdit(mesh);
    edit.removeFace(0);
    assertMesh(mesh).isSound().hasCounts(6, 7, 1);
    edit.undoAll();
    assertMesh(mesh).isSound().hasBytes(first);
  }

  @Test
  void operators_outOfTheirPrecondition_areRefused() {
    Mesh mesh = Meshes.cube();
    MeshEdit edit = new MeshEdit(mesh);
    byte[] before = MeshBytes.write(mesh);
    for (ThrowingCallable wrong :
        List.<ThrowingCallable>of(
            () -> edit.removeVertex(0),
            () -> edit.removeVertex(99),
            () -> edit.moveVertex(-1, Vec3.ZERO),
            () -> edit.makeEdge(0, 1),
            () -> edit.makeEdge(0, 0),
            () -> edit.makeEdge(0, 8),
            () -> edit.removeEdge(0),
            () -> edit.makeFace(new int[] {0, 1}, Mesh.NONE),
            () -> edit.makeFace(new int[] {0, 1, 6}, Mesh.NONE),
            () -> edit.makeFace(new int[] {0, 1, 3, 2}, 77),
            () -> edit.removeFace(6),
            () -> edit.reshapeFace(0, new int[] {0, 1, 3, 2}, new int[] {0}))) {
      assertThatIllegalArgumentException().isThrownBy(wrong);
    }
    assertMesh(mesh).isSound().hasBytes(before);
  }

  private static int pick(SplittableRandom random, int end) {
    return random.nextInt(end);
  }

  @Test
  void splitFace_betweenNeighbours_isRefused() {
    Mesh mesh = Meshes.cube();
    int c = mesh.firstCorner(0);
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new MeshEdit(mesh).splitFace(0, c, mesh.next(c), List.of()));
  }

  @Test
  void joinEdge_whereThreeEdgesMeet_isRefused() {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new MeshEdit(Meshes.cube()).joinEdge(0))
        .withMessageContaining("vertex 0");
  }

  @Test
  void joinFaces_atABorder_isRefused() {
    assertThatIllegalArgumentException()
        .isThrownBy(() -> new MeshEdit(Meshes.grid(1, 1)).joinFaces(0));
  }
}
