package fairedge.core.step;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.form.Extrude;
import fairedge.core.form.Inset;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.tidy.Move;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Faces that are hidden are not meant by any change, whatever it names. */
class SparedTest {
  private static final Vec3 ONE = new Vec3(1, 1, 1);

  private final Mesh grid = Meshes.grid(3, 1);
  private final Workpiece workpiece = new Workpiece(grid, Tolerance.of(grid.bounds()));

  private String refusedNaming(Change change, int face, Integer... hidden) {
    byte[] before = MeshBytes.write(grid);
    Outcome outcome = workpiece.apply(change, List.of(hidden));
    assertThat(outcome).isInstanceOf(Outcome.Refused.class);
    assertThat(MeshBytes.write(grid)).isEqualTo(before);
    var refusal = ((Outcome.Refused) outcome).refusal();
    assertThat(refusal.element()).isEqualTo(Element.face(face));
    return refusal.reason();
  }

  @Test
  void whatWouldMoveOrTakeOutAVertexOfOne_isRefusedAndNamesIt() {
    Move.Motion up = new Move.Motion(new Vec3(0, 0, 1), 0, ONE, 0, ONE, null);
    assertThat(refusedNaming(new Tidying.MoveChange(List.of(1), up), 0, 0)).contains("hidden");
    assertThat(refusedNaming(new Tidying.DeleteChange(List.of(2), List.of(), List.of()), 2, 2))
        .contains("hidden");
    Extrude.Extrusion pull = new Extrude.Extrusion(Extrude.Heading.NORMAL, null, 0.5, 1, 1, 0);
    assertThat(refusedNaming(new Forming.ExtrudeChange(List.of(1), false, pull), 1, 1, 99))
        .contains("hidden");
  }

  @Test
  void whatLiesApart_isMade_andThePreviewSaysTheSame() {
    Move.Motion up = new Move.Motion(new Vec3(0, 0, 1), 0, ONE, 0, ONE, null);
    Change change = new Tidying.MoveChange(List.of(0), up);
    assertThat(workpiece.apply(change, List.of(1, 2))).isInstanceOf(Outcome.Made.class);
    Change other = new Tidying.MoveChange(List.of(3), up);
    var preview =
        workpiece.preview(
            other,
            List.of(2),
            new fairedge.core.work.View.Parallel(new Vec3(0, 0, -1)),
            (mesh, outcome, touched) -> outcome);
    assertThat(preview.outcome()).isInstanceOf(Outcome.Refused.class);
  }

  @Test
  void aCornerThatOneGains_isTold() {
    Inset.Margin margin = new Inset.Margin(0.2, 0, false, false, false);
    Outcome outcome =
        workpiece.apply(new Tidying.SplitChange(List.of(grid.findEdge(1, 5)), 0.5), List.of(1));
    assertThat(outcome).isInstanceOf(Outcome.Made.class);
    assertThat(((Outcome.Made) outcome).receipt().remarks())
        .anySatisfy(r -> {
          assertThat(r.text()).contains("hidden face gains a corner", "5 sides");
          assertThat(r.element()).isEqualTo(Element.face(1));
        });
    // An inset of its neighbour keeps to that one.
    assertThat(workpiece.apply(new Forming.InsetChange(List.of(2), false, margin), List.of(0)))
        .isInstanceOf(Outcome.Made.class);
  }

  @Test
  void madeAgain_itIsNotAskedAnyMore() {
    Move.Motion up = new Move.Motion(new Vec3(0, 0, 1), 0, ONE, 0, ONE, null);
    workpiece.apply(new Tidying.MoveChange(List.of(0), up), List.of(2));
    byte[] after = MeshBytes.write(grid);
    workpiece.undo();
    workpiece.redo();
    assertThat(MeshBytes.write(grid)).isEqualTo(after);
  }
}
