package fairedge.core.survey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Marking.Marks;
import fairedge.core.survey.Marking.Sort;
import fairedge.core.survey.Wanted.Line;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class MarkingTest {
  private static final Mesh GRID = Meshes.grid(4, 4);
  private static final Tolerance TOLERANCE = Tolerance.of(GRID.bounds());
  private static final Starter STARTER = new Starter(GRID, TOLERANCE.flat());

  private static Wanted mark(Wanted wanted, Sort sort, Integer... ids) {
    return Marking.marked(wanted, sort, STARTER, TOLERANCE, List.of(ids));
  }

  private static Marks marks(Wanted wanted) {
    return Marking.of(wanted, STARTER, TOLERANCE);
  }

  private static int edge(int a, int b) {
    return GRID.findEdge(a, b);
  }

  @Test
  void edgesInARow_areOneLine_andAPieceTakenOutLeavesTwo() {
    // The five vertices of the second row.
    Integer[] row = IntStream.range(5, 9).mapToObj(v -> edge(v, v + 1)).toArray(Integer[]::new);
    Wanted lines = mark(Wanted.NOTHING, Sort.LINE, row[2], row[0], row[3], row[1]);
    assertThat(lines.lines()).hasSize(1);
    assertThat(lines.lines().getFirst().points()).hasSize(5);
    Wanted parted = mark(lines, Sort.LINE, row[1]);
    assertThat(parted.lines()).extracting(l -> l.points().size()).containsExactlyInAnyOrder(2, 3);
    assertThat(mark(parted, Sort.LINE, row[1]).lines()).hasSize(1);
    // Where some are marked and some not, all are then.
    assertThat(mark(parted, Sort.LINE, row).lines()).hasSize(1);
    assertThat(mark(lines, Sort.LINE, row).lines()).isEmpty();
  }

  @Test
  void linesEnd_whereAThirdMeetsThem_andCloseWhereTheyComeRound() {
    Wanted t = mark(Wanted.NOTHING, Sort.HARD, edge(5, 6), edge(6, 7), edge(6, 11));
    assertThat(t.hardLines()).hasSize(3);
    assertThat(marks(t).hard()).containsExactlyInAnyOrder(edge(5, 6), edge(6, 7), edge(6, 11));
    Wanted round =
        mark(Wanted.NOTHING, Sort.LINE, edge(5, 6), edge(6, 11), edge(10, 11), edge(5, 10));
    List<Vec3> points = round.lines().getFirst().points();
    assertThat(points).hasSize(5);
    assertThat(points.getFirst()).isEqualTo(points.getLast());
  }

  @Test
  void drawnLines_areLeftAsTheyAre() {
    Line drawn = new Line(List.of(new Vec3(0.3, 0.3, 0), new Vec3(2.2, 1.7, 0)));
    Wanted with = new Wanted(null, null, null, null, false, List.of(drawn), List.of());
    Wanted more = mark(with, Sort.LINE, edge(5, 6));
    assertThat(more.lines()).hasSize(2).anySatisfy(l -> assertThat(l).isEqualTo(drawn));
  }

  @Test
  void facesThatMayBeCut_lockAllOthers() {
    assertThat(marks(Wanted.NOTHING).locked()).isEmpty();
    Wanted two = mark(Wanted.NOTHING, Sort.CUTTABLE, 3, 7);
    assertThat(marks(two).cuttable()).containsExactly(3, 7);
    assertThat(marks(two).locked()).hasSize(GRID.faceCount() - 2).doesNotContain(3, 7);
    assertThat(marks(mark(two, Sort.CUTTABLE, 3)).cuttable()).containsExactly(7);
    assertThat(mark(two, Sort.CUTTABLE, 3, 7).cuttable()).isEmpty();
  }

  @Test
  void verticesAreHeldAndCovered_byTheirPlaces() {
    Wanted held = mark(mark(Wanted.NOTHING, Sort.HELD, 4, 9), Sort.COVERED, 2);
    assertThat(marks(held).held()).containsExactly(4, 9);
    assertThat(marks(held).covered()).containsExactly(2);
    assertThat(held.held()).containsExactly(GRID.position(4), GRID.position(9));
    assertThat(marks(mark(held, Sort.HELD, 9)).held()).containsExactly(4);
  }

  @Test
  void whatIsNotThere_isNotMarked() {
    for (Sort sort : Sort.values()) {
      assertThatIllegalArgumentException()
          .isThrownBy(() -> mark(Wanted.NOTHING, sort, 4000))
          .withMessageContaining("4000");
      assertThatIllegalArgumentException().isThrownBy(() -> mark(Wanted.NOTHING, sort, -1));
    }
  }

  /** Whatever is marked in whatever order, marked again it is gone. */
  @Test
  void randomMarks_areWhatWasChosen_andComeOffAgain() {
    SplittableRandom random = new SplittableRandom(11);
    for (int round = 0; round < 200; round++) {
      Integer[] edges =
          random
              .ints(1 + random.nextInt(12), 0, GRID.edgeEnd())
              .distinct()
              .boxed()
              .toArray(Integer[]::new);
      Wanted all = Wanted.NOTHING;
      for (int e : edges) {
        all = mark(all, Sort.HARD, e);
      }
      assertThat(marks(all).hard()).containsExactlyInAnyOrder(edges);
      double length = Arrays.stream(edges).mapToDouble(MarkingTest::length).sum();
      assertThat(all.hardLines().stream().mapToDouble(Line::length).sum())
          .isEqualTo(length, within(1e-9));
      assertThat(mark(all, Sort.HARD, edges)).isEqualTo(Wanted.NOTHING);
    }
  }

  private static double length(int e) {
    return GRID.position(GRID.first(e)).distance(GRID.position(GRID.second(e)));
  }
}
