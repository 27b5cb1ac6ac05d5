package fairedge.core.survey;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import java.util.List;
import org.junit.jupiter.api.Test;

class EdgeChangeTest {
  /** A strip of quads along x, of so many, from 0 to 12. */
  private static Mesh strip(int quads, boolean reversed) {
    MeshBuilder builder = new MeshBuilder();
    int[] low = new int[quads + 1];
    int[] high = new int[quads + 1];
    for (int i = 0; i <= quads; i++) {
      int at = reversed ? quads - i : i;
      low[at] = builder.vertex(new Vec3(12.0 * at / quads, 0, 0));
      high[at] = builder.vertex(new Vec3(12.0 * at / quads, 3, 0));
    }
    for (int i = 0; i < quads; i++) {
      builder.face(low[i], low[i + 1], high[i + 1], high[i]);
    }
    return builder.build();
  }

  private static EdgeChange between(Mesh before, Mesh now) {
    return EdgeChange.of(before, now, Tolerance.of(before.bounds()));
  }

  @Test
  void sameMesh_hasNothingNewAndNothingGone_whateverItsNumbers() {
    EdgeChange change = between(strip(4, false), strip(4, true));
    assertThat(change.fresh()).isEmpty();
    assertThat(change.gone()).isEmpty();
  }

  @Test
  void dividedEdges_areNotNew_whatRunsAcrossIs() {
    Mesh coarse = strip(3, false);
    Mesh fine = strip(6, false);
    assertThat(between(coarse, fine).fresh()).as("three lines across").hasSize(3);
    assertThat(between(coarse, fine).gone()).isEmpty();
    assertThat(between(fine, coarse).gone()).as("the same the other way").hasSize(3);
    assertThat(between(fine, coarse).fresh()).isEmpty();
  }

  @Test
  void liftedEdge_isGone() {
    Mesh before = HarbourProps.mooringBollard();
    Workpiece workpiece = new Workpiece(before.copy(), Tolerance.of(before.bounds()));
    int edge = before.findEdge(36, 48);
    Change lift = new Tidying.LiftChange(List.of(edge), List.of(), false);
    assertThat(workpiece.apply(lift)).isInstanceOf(Outcome.Made.class);
    EdgeChange change = between(before, workpiece.mesh());
    assertThat(change.gone()).containsExactly(edge);
    assertThat(change.fresh()).isEmpty();
  }
}
