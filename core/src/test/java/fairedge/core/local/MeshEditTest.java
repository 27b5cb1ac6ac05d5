package fairedge.core.local;

import static fairedge.core.MeshAssert.assertMesh;
import static fairedge.core.MeshAssert.euler;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import fairedge.core.Meshes;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.Stream;
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
    for (int i = 0; i < 300; i++) {
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
      switch (random.nextInt(4)) {
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
