package fairedge.core.meet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class BringInTest {
  private static final String WEDGE =
      """
      o Chock
      usemtl oak
      v 0 0 0
      v 1 0 0
      v 0 1 0
      v 0 0 1
      v 9 9 9
      vt 0.5 0.5
      f 1/1 3/1 2/1
      f 1 2 4
      f 2 3 4
      f 3 1 4
      """;

  private final Mesh mesh = Solid.box(Vec3.ZERO, new Vec3(4, 4, 4)).mesh();
  private final Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));

  private Outcome bring(String obj, String name, double scale) {
    return workpiece.apply(new Forming.BringInChange(obj, name, new Vec3(3, 3, 3), scale));
  }

  @Test
  void whatComes_liesWhereItIsPut_withItsNamesAndMaterials() {
    byte[] before = MeshBytes.write(mesh);
    Outcome.Made made = (Outcome.Made) bring(WEDGE, "", 2);
    assertThat(Meetings.counts(mesh)).containsExactly(12, 18, 10);
    assertThat(Meetings.volume(mesh)).isCloseTo(64 + 8 / 6.0, within(1e-12));
    assertThat(made.receipt().chosen().faces()).containsExactly(6, 7, 8, 9);
    assertThat(made.receipt().remarks().getFirst().text()).contains("texture");
    assertThat(mesh.labels().get(mesh.labelOf(6)).object()).isEqualTo("Chock");
    assertThat(mesh.labels().get(mesh.labelOf(6)).material()).isEqualTo("oak");
    workpiece.undo();
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
  }

  @Test
  void itGetsTheNameThatIsAskedFor_andMeetsWhatIsThere() {
    bring(WEDGE, "Wedge", 2);
    assertThat(mesh.labels().get(mesh.labelOf(9)).object()).isEqualTo("Wedge");
    Meetings.made(mesh, Meet.MeetWay.SUBTRACT);
    // Of the wedge of 2 the corner cube of 1, less what its slope leaves out of it.
    assertThat(Meetings.volume(mesh)).isCloseTo(64 - (8 - 3) / 6.0, within(1e-12));
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"", "v 0 0 0\n", "f 1 2 3\n", "v 0 0 0\nv nan 0 0\nv 1 1 1\nf 1 2 3\n", "v 1\n"})
  void whatIsNoMesh_isRefused_withTheReason(String obj) {
    byte[] before = MeshBytes.write(mesh);
    Outcome outcome = bring(obj, "", 1);
    assertThat(outcome).isInstanceOf(Outcome.Refused.class);
    assertThat(((Outcome.Refused) outcome).refusal().reason()).contains("brought in");
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
  }

  @ParameterizedTest
  @ValueSource(doubles = {0, -1, Double.NaN, Double.POSITIVE_INFINITY})
  void scalesThatAreNone_areRefused(double scale) {
    assertThat(bring(WEDGE, "", scale)).isInstanceOf(Outcome.Refused.class);
  }
}
