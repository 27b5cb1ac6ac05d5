package fairedge.core.mesh;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import fairedge.core.Meshes;
import fairedge.core.local.MeshEdit;
import java.util.Arrays;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class MeshBytesTest {
  static Stream<Map.Entry<String, Mesh>> fixtures() {
    return Meshes.all().entrySet().stream();
  }

  @ParameterizedTest
  @MethodSource("fixtures")
  void bytes_giveTheSameMeshAgain_freedIdsAndAll(Map.Entry<String, Mesh> fixture) {
    Mesh mesh = fixture.getValue();
    MeshEdit edit = new MeshEdit(mesh);
    // Leaves a freed vertex and a freed edge behind.
    edit.joinEdge(edit.splitEdge(0, mesh.along(0, 0.5)));
    byte[] bytes = MeshBytes.write(mesh);
    Mesh read = MeshBytes.read(bytes);
    assertMesh(read).isSound().hasBytes(bytes);
    assertThat(read.vertexEnd()).isEqualTo(mesh.vertexEnd());
    assertThat(read.hasVertex(mesh.vertexEnd() - 1)).isFalse();
  }

  @Test
  void numbersThatAreNoPlace_areKept() {
    MeshBuilder builder = new MeshBuilder();
    builder.face(
        builder.vertex(0, Double.NaN, 0),
        builder.vertex(1, 0, Double.POSITIVE_INFINITY),
        builder.vertex(0, 1, 0));
    byte[] bytes = MeshBytes.write(builder.build());
    Mesh read = MeshBytes.read(bytes);
    assertMesh(read).hasBytes(bytes);
    assertThat(read.hasPlace(0)).isFalse();
    assertThat(read.isMeasurable(0)).isFalse();
  }

  @Test
  void brokenBytes_areRefused() {
    byte[] bytes = MeshBytes.write(Meshes.cube());
    for (int length = 0; length < bytes.length; length += 7) {
      byte[] cut = Arrays.copyOf(bytes, length);
      assertThatIllegalArgumentException().isThrownBy(() -> MeshBytes.read(cut));
    }
    bytes[0]++;
    assertThatIllegalArgumentException().isThrownBy(() -> MeshBytes.read(bytes));
  }

  @Test
  void builder_refusesWhatIsNoFace() {
    MeshBuilder builder = new MeshBuilder();
    int a = builder.vertex(0, 0, 0);
    int b = builder.vertex(1, 0, 0);
    assertThatIllegalArgumentException().isThrownBy(() -> builder.face(a, b));
    assertThatIllegalArgumentException().isThrownBy(() -> builder.face(a, b, b));
    assertThatIllegalArgumentException().isThrownBy(() -> builder.face(a, b, 99));
    assertMesh(builder.build()).isSound().hasCounts(2, 0, 0);
  }

  @Test
  void check_findsWhatIsBroken() {
    Mesh wrongCount = Meshes.cube();
    wrongCount.faceCount++;
    assertThat(MeshCheck.faults(wrongCount)).anyMatch(f -> f.startsWith("face count"));

    Mesh wrongEnd = Meshes.cube();
    wrongEnd.cornerVertex[0] = 7;
    assertThat(MeshCheck.faults(wrongEnd)).anyMatch(f -> f.startsWith("side not on its edge"));

    Mesh tornRing = Meshes.cube();
    tornRing.cornerNext[0] = tornRing.cornerNext[1];
    assertThat(MeshCheck.faults(tornRing)).isNotEmpty();

    Mesh tornCycle = Meshes.cube();
    tornCycle.cornerNextOnEdge[0] = 0;
    assertThat(MeshCheck.faults(tornCycle)).isNotEmpty();

    Mesh second = Meshes.cube();
    new MeshLinks(second).makeEdge(0, 1);
    assertThat(MeshCheck.faults(second)).anyMatch(f -> f.startsWith("second edge"));
  }
}
