package fairedge.core.step;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Changes;
import fairedge.core.Meshes;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.tidy.Relax;
import fairedge.core.tidy.Weld;
import fairedge.core.work.Scope;
import fairedge.core.work.View;
import java.util.List;
import org.junit.jupiter.api.Test;

class EffectTest {
  private static String told(Mesh mesh, Change change) {
    Receipt receipt = Changes.made(mesh, change);
    View above = new View.Parallel(new Vec3(0, 0, -1));
    return Effect.of(mesh, receipt, above).sentence();
  }

  @Test
  void sentence_saysWhatCleaningUpDoes() {
    Mesh grid = Meshes.grid(2, 1);
    int inner = grid.findEdge(1, 4);
    assertThat(told(grid, new Tidying.LiftChange(List.of(inner), List.of(), true)))
        .isEqualTo("Takes out 1 face, 1 edge and 2 vertices.");
    assertThat(told(Meshes.cube(), new Tidying.FlipChange(List.of(0)))).isEqualTo("Turns 1 face.");
    assertThat(told(Meshes.cube(), new Tidying.DeleteChange(List.of(0), List.of(), List.of())))
        .isEqualTo("Takes out 1 face.");
    assertThat(told(Meshes.cube(), new Tidying.SplitChange(List.of(0), 0.5)))
        .isEqualTo("Splits no face. Adds 1 vertex.");
    assertThat(
            told(Meshes.grid(2, 2), new Tidying.RelaxChange(List.of(4), 1, 1, Relax.RelaxWay.EVEN)))
        .isEqualTo("Changes nothing.");
    assertThat(told(Meshes.grid(2, 1), new Tidying.WeldChange(List.of(0, 1), Weld.At.FIRST)))
        .startsWith("Takes out 1 edge and 1 vertex.");
    assertThat(told(Meshes.grid(2, 1), new Tidying.ConnectChange(List.of(0, 4), Scope.WHOLE)))
        .isEqualTo("Splits 1 quad in front, none behind. Adds no vertex, uses 2.");
  }
}
