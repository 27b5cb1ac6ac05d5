package fairedge.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.cut.LoopPlaces;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Workpiece;
import java.util.List;
import org.junit.jupiter.api.Test;

class HeldTest {
  private static Mesh cube() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 8; i++) {
      b.vertex(new Vec3(i & 1, i >> 1 & 1, i >> 2).times(100));
    }
    for (int[] f :
        new int[][] {
          {0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}
        }) {
      b.face(f);
    }
    return b.build();
  }

  private static Held held(Mesh mesh) {
    return new Inspector(Profile.SMOOTH_FORM, Tolerance.of(mesh.bounds()))
        .examine(mesh, List.of())
        .held();
  }

  private static Mesh cut(Mesh mesh, int a, int b, Double... at) {
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    LoopPlaces places = new LoopPlaces.At(List.of(at), LoopPlaces.Measure.FRACTION);
    workpiece.apply(Change.LoopsChange.asked(mesh.findEdge(a, b), places, null, null, null, null));
    return workpiece.mesh();
  }

  @Test
  void bareCube_hasTwelveHardEdges_andHoldsNone() {
    assertThat(held(cube())).isEqualTo(new Held(12, 0));
  }

  @Test
  void loopsNearBothEnds_holdTheEdgesAtTheEnds() {
    // The four edges across are in three pieces each now; those round both ends have a strip beside
    // them, narrower than a quarter of what lies between.
    assertThat(held(cut(cube(), 0, 1, 0.05, 0.95))).isEqualTo(new Held(20, 8));
    assertThat(held(cut(cube(), 0, 1, 0.4, 0.6)))
        .as("as wide as what lies beside it, it is no strip")
        .isEqualTo(new Held(20, 0));
  }

  @Test
  void softForm_hasNoHardEdges() {
    assertThat(held(HarbourProps.mooringBollard()).hard()).isLessThan(50);
    assertThat(
            new Inspector(Profile.OPEN_SHEET, Tolerance.of(cube().bounds()))
                .examine(cube(), List.of())
                .report())
        .isEqualTo(
            new Inspector(Profile.OPEN_SHEET, Tolerance.of(cube().bounds())).inspect(cube()));
  }
}
