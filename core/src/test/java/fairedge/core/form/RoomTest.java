package fairedge.core.form;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.MeshAssert;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.step.Forming;
import fairedge.core.step.Receipt;
import fairedge.core.work.Remark;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** As far as there is room: narrower at the places that have none, and as asked elsewhere. */
class RoomTest {
  /** A flat strip of quads, 1 deep, of these widths; a second row of the same beyond it. */
  private static Mesh strip(double... widths) {
    MeshBuilder b = new MeshBuilder();
    int n = widths.length + 1;
    for (int row = 0; row < 3; row++) {
      double x = 0;
      for (int i = 0; i < n; i++) {
        b.vertex(x, row, 0);
        x += i < widths.length ? widths[i] : 0;
      }
    }
    for (int row = 0; row < 2; row++) {
      for (int i = 0; i + 1 < n; i++) {
        int a = row * n + i;
        b.face(a, a + 1, a + n + 1, a + n);
      }
    }
    return b.build();
  }

  private static List<String> told(Receipt receipt) {
    return receipt.remarks().stream().map(Remark::text).toList();
  }

  @Test
  void anInset_isNarrowOnlyInTheFaceThatHasNoRoom() {
    Mesh mesh = strip(4, 0.5, 4);
    Receipt receipt =
        Formed.made(
            mesh,
            new Forming.InsetChange(
                List.of(0, 1, 2), true, new Inset.Margin(0.4, 0, false, true, true)));
    assertThat(told(receipt))
        .containsExactly("There is room for less than 0.2500 here. The ring is 0.2250 wide.");
    // Of each new border the lowest corner lies as far inside as the ring is wide.
    double[] found =
        IntStream.of(0, 1, 2)
            .mapToDouble(
                f -> IntStream.of(mesh.vertices(f)).mapToDouble(v -> mesh.y(v)).min().orElseThrow())
            .toArray();
    assertThat(found).containsExactly(new double[] {0.4, 0.225, 0.4}, within(1e-12));
  }

  @Test
  void aRing_tapersTowardsTheNarrowPlace_andIsAsWideAsAskedBeyond() {
    Mesh mesh = strip(4, 0.5, 4, 4);
    Receipt receipt =
        Formed.made(
            mesh,
            new Forming.InsetChange(
                List.of(1, 5), false, new Inset.Margin(0.4, 0, false, true, true)));
    assertThat(told(receipt)).anyMatch(t -> t.contains("less than 0.25"));
    assertThat(MeshAssert.area(mesh)).isCloseTo(2 * 12.5, within(1e-12));
  }

  /** Two separate places: both are told, each with its own bound. */
  @Test
  void everyPlace_isToldWithItsOwnBound() {
    Mesh mesh = strip(4, 0.5, 4, 0.25, 4);
    Receipt receipt =
        Formed.made(
            mesh,
            new Forming.InsetChange(
                List.of(0, 1, 2, 3, 4), true, new Inset.Margin(0.4, 0, false, true, true)));
    assertThat(told(receipt))
        .containsExactly(
            "There is room for less than 0.2500 here. The ring is 0.2250 wide.",
            "There is room for less than 0.1250 here. The ring is 0.1125 wide.");
    assertThat(receipt.remarks().stream().map(Remark::element).toList())
        .doesNotContainNull()
        .doesNotHaveDuplicates();
  }

  /** Lines beside an edge that runs past a narrow place go nearer to it there alone. */
  @Test
  void supportLines_goNearerAtTheNarrowPlace_andComeBack() {
    MeshBuilder b = new MeshBuilder();
    double[] depth = {2, 2, 0.3, 2, 2};
    for (int i = 0; i < 5; i++) {
      b.vertex(i * 3, -2, 0);
      b.vertex(i * 3, 0, 0);
      b.vertex(i * 3, depth[i], 0);
    }
    for (int i = 0; i < 4; i++) {
      b.face(3 * i, 3 * i + 3, 3 * i + 4, 3 * i + 1);
      b.face(3 * i + 1, 3 * i + 4, 3 * i + 5, 3 * i + 2);
    }
    Mesh mesh = b.build();
    List<Integer> line =
        IntStream.range(0, 4).mapToObj(i -> mesh.findEdge(3 * i + 1, 3 * i + 4)).toList();
    Support.Holding holding = Support.Holding.asked(null, 0.5, null, null, null, null, null, true);
    Receipt receipt = Formed.made(mesh, new Forming.SupportChange(line, null, holding));
    assertThat(told(receipt))
        .anyMatch(t -> t.contains("less than 0.3000 here. The strip is 0.2700 wide."));
    double[] above = new double[5];
    for (int v = 15; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v) && mesh.y(v) > 0) {
        above[(int) Math.round(mesh.x(v) / 3)] = mesh.y(v);
      }
    }
    assertThat(above).containsExactly(new double[] {0.5, 0.5, 0.27, 0.5, 0.5}, within(1e-12));
  }

  @Test
  void withoutTheSwitch_theTightestIsNamed() {
    Mesh mesh = strip(4, 0.5, 4, 0.25, 4);
    assertThat(
            Formed.refused(
                mesh,
                new Forming.InsetChange(
                    List.of(0, 1, 2, 3, 4), true, new Inset.Margin(0.4, 0, false, true, false))))
        .contains("less than 0.25");
  }
}
