package fairedge.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.form.Inset;
import fairedge.core.form.MirrorBy;
import fairedge.core.form.Support.Holding;
import fairedge.core.form.Support.SupportWay;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Wanted;
import fairedge.core.tidy.Move;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** What the tools that hold and shape make is recognised for what it is. */
class FormedFormsTest {
  private static void made(Mesh mesh, Change change) {
    assertThat(new Workpiece(mesh, Tolerance.of(mesh.bounds())).apply(change))
        .isInstanceOf(Outcome.Made.class);
  }

  private static List<Kind> kinds(Mesh mesh, Profile profile, Wanted wanted) {
    Tolerance tolerance = Tolerance.of(mesh.bounds());
    return new Inspector(profile, tolerance, new Starter(mesh.copy(), tolerance.flat()))
        .asking(wanted, List.of()).inspect(mesh).findings().stream()
            .map(found -> found.finding().kind())
            .toList();
  }

  @Test
  void supportedForm_hasNoSoftEdge() {
    Mesh bare = Meshes.cube();
    assertThat(kinds(bare, Profile.SMOOTH_FORM, Wanted.NOTHING)).contains(Kind.SOFT_EDGE);
    Holding lines = Holding.asked(SupportWay.LOOPS, 0.08, null, null, null, null, null, null);
    made(bare, new Forming.SupportChange(List.of(), 60.0, lines));
    assertThat(kinds(bare, Profile.SMOOTH_FORM, Wanted.NOTHING)).doesNotContain(Kind.SOFT_EDGE);
    Mesh through = Meshes.cube();
    Holding straight = Holding.asked(SupportWay.LOOPS, 0.08, null, true, null, null, null, null);
    made(through, new Forming.SupportChange(List.of(), 60.0, straight));
    assertThat(kinds(through, Profile.SMOOTH_FORM, Wanted.NOTHING)).doesNotContain(Kind.SOFT_EDGE);
  }

  /** The strips that lines make are those that hold hard edges. */
  @Test
  void everyHardEdge_isHeldByLines() {
    Mesh mesh = Meshes.cube();
    Holding lines = Holding.asked(SupportWay.LOOPS, 0.08, null, null, null, null, null, null);
    made(mesh, new Forming.SupportChange(List.of(), 60.0, lines));
    Tolerance tolerance = Tolerance.of(mesh.bounds());
    Held held = new Inspector(Profile.SMOOTH_FORM, tolerance).examine(mesh, List.of()).held();
    assertThat(held.hard()).isGreaterThanOrEqualTo(12);
    assertThat(held.held()).isEqualTo(held.hard());
  }

  /** A hole cut into a plate whose rim was inset outwards before has its collar. */
  @Test
  void detailAfterAnInset_hasItsCollar() {
    Mesh plate = Meshes.grid(6, 6);
    int middle = 14;
    Integer[] hole = {middle, middle + 1, middle + 6, middle + 7};
    Inset.Margin collar = new Inset.Margin(0.2, 0, true, false, false);
    made(plate, new Forming.InsetChange(List.of(hole), false, collar));
    made(plate, new Tidying.DeleteChange(List.of(hole), List.of(), List.of()));
    assertThat(kinds(plate, Profile.SMOOTH_FORM, Wanted.NOTHING)).doesNotContain(Kind.NO_COLLAR);
  }

  @Test
  void mirroredForm_isNotLopsided() {
    Mesh mesh = Meshes.cube();
    Wanted alike =
        new Wanted(
            null,
            null,
            null,
            new Wanted.Mirror(new Vec3(1, 1, 1), new Vec3(1, 0, 0), 1e-3),
            false,
            List.of(),
            List.of());
    Vec3 one = new Vec3(1, 1, 1);
    List<Integer> corner =
        IntStream.range(0, 8).filter(v -> mesh.x(v) > 1 && mesh.y(v) > 1).boxed().toList();
    made(
        mesh,
        new Tidying.MoveChange(
            corner, new Move.Motion(new Vec3(0.3, 0.2, 0), 0, one, 0, one, null)));
    assertThat(kinds(mesh, Profile.ALL_QUADS, alike)).contains(Kind.LOPSIDED);
    made(mesh, new Forming.MirrorChange(new MirrorBy.AtOffset(Axis.X, 1), true, 0));
    assertThat(kinds(mesh, Profile.ALL_QUADS, alike)).doesNotContain(Kind.LOPSIDED);
  }
}
