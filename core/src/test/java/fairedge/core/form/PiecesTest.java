package fairedge.core.form;

import static fairedge.core.form.Formed.counts;
import static fairedge.core.form.Formed.cube;
import static fairedge.core.form.Formed.isClosed;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.MeshCheck;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.tidy.Move;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Worked examples with known counts, and that what is parted can be joined again. */
class PiecesTest {
  private static Receipt cut(Mesh mesh, Integer... edges) {
    return Formed.made(mesh, new Forming.PartChange(List.of(), List.of(edges)));
  }

  private static Receipt part(Mesh mesh, Integer... faces) {
    return Formed.made(mesh, new Forming.PartChange(List.of(faces), List.of()));
  }

  private static Receipt rejoin(Mesh mesh) {
    return Formed.made(mesh, new Forming.RejoinChange(List.of()));
  }

  /** Seven edges of the cube that reach all its vertices, with no ring among them. */
  private static Integer[] tree(Mesh cube) {
    int[][] ends = {{0, 1}, {0, 2}, {2, 3}, {0, 4}, {4, 5}, {4, 6}, {6, 7}};
    return IntStream.range(0, 7)
        .mapToObj(i -> cube.findEdge(ends[i][0], ends[i][1]))
        .toArray(Integer[]::new);
  }

  @Test
  void cube_unfoldsAlongSevenEdges() {
    Mesh mesh = cube();
    Receipt receipt = cut(mesh, tree(mesh));
    assertThat(counts(mesh)).containsExactly(14, 19, 6);
    assertThat(receipt.remarks()).anyMatch(r -> r.text().contains("leaves a slit"));
    Receipt joined = rejoin(mesh);
    assertThat(joined.remarks()).anyMatch(r -> r.text().contains("7 edges"));
    assertThat(counts(mesh)).containsExactly(8, 12, 6);
    assertThat(isClosed(mesh)).isTrue();
  }

  @Test
  void faces_becomePieces_andAreRejoined() {
    Mesh mesh = cube();
    Receipt receipt = part(mesh, 1);
    assertThat(counts(mesh)).containsExactly(12, 16, 6);
    assertThat(receipt.remarks()).anyMatch(r -> r.text().contains("2 pieces"));
    assertThat(receipt.chosen().faces()).containsExactly(1);
    assertThat(Formed.refused(mesh, new Forming.PartChange(List.of(1), List.of())))
        .contains("already");
    Mesh moved = mesh.copy();
    List<Integer> top = IntStream.of(moved.vertices(1)).boxed().toList();
    Vec3 one = new Vec3(1, 1, 1);
    Move.Motion up = new Move.Motion(new Vec3(0, 0, 0.25), 0, one, 0, one, null);
    Formed.made(moved, new Tidying.MoveChange(top, up));
    assertThat(Formed.refused(moved, new Forming.RejoinChange(List.of()))).contains("0.2500 apart");
    rejoin(mesh);
    assertThat(counts(mesh)).containsExactly(8, 12, 6);
    assertThat(Formed.refused(mesh, new Forming.RejoinChange(List.of())))
        .contains("no two borders");
  }

  @Test
  void oneInnerEdge_isRefused_twoLeaveASlit() {
    Mesh mesh = Formed.bar(3);
    assertThat(
            Formed.refused(mesh, new Forming.PartChange(List.of(), List.of(Formed.along(mesh)[1]))))
        .contains("Both ends");
    int vertices = mesh.vertexCount();
    Receipt receipt = cut(mesh, Formed.along(mesh)[0], Formed.along(mesh)[1]);
    assertThat(mesh.vertexCount()).isEqualTo(vertices + 1);
    assertThat(receipt.remarks()).anyMatch(r -> r.text().contains("slit"));
    assertThat(
            Formed.refused(
                Formed.sheet(),
                new Forming.PartChange(List.of(), List.of(Formed.sheet().findEdge(0, 1)))))
        .contains("border");
  }

  /** Whatever is parted, all borders that came of it lie on one another. */
  @Test
  void manySeams_comeTogetherAgain() {
    SplittableRandom random = new SplittableRandom(27);
    int done = 0;
    for (int round = 0; round < 200; round++) {
      Mesh mesh = round % 2 == 0 ? HarbourProps.fairleadBlock() : Formed.gridEnded();
      byte[] before = MeshBytes.write(mesh);
      final List<Integer> counts = counts(mesh);
      int few = 2 + round % 5;
      List<Integer> edges =
          IntStream.range(0, mesh.edgeEnd())
              .filter(e -> mesh.hasEdge(e) && mesh.uses(e) == 2 && random.nextInt(few) == 0)
              .boxed()
              .toList();
      Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
      Outcome outcome = workpiece.apply(new Forming.PartChange(List.of(), edges));
      assertThat(MeshCheck.faults(mesh)).isEmpty();
      if (outcome instanceof Outcome.Made) {
        done++;
        assertThat(workpiece.apply(new Forming.RejoinChange(List.of())))
            .isInstanceOf(Outcome.Made.class);
        assertThat(MeshCheck.faults(mesh)).isEmpty();
        assertThat(counts(mesh)).isEqualTo(counts);
        workpiece.undo();
        workpiece.undo();
      }
      assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    }
    assertThat(done).isGreaterThan(30);
  }
}
