package fairedge.core.meet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.meet.Meet.MeetWay;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.step.Workpiece;
import fairedge.core.tidy.Move;
import java.util.Arrays;
import java.util.List;
import java.util.stream.DoubleStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Worked examples with known volumes and counts, and the laws of joining and taking away. */
class MeetTest {
  private static final Vec3 NONE = Vec3.ZERO;

  private static Mesh cubes(Vec3 at, double size) {
    return Solid.box(NONE, new Vec3(1, 1, 1))
        .with(Solid.box(at, new Vec3(size, size, size)))
        .mesh();
  }

  @Test
  void cubeAtACorner_isTakenAway_exactly() {
    Mesh mesh = cubes(new Vec3(0.5, 0.5, 0.5), 1);
    Meetings.made(mesh, MeetWay.SUBTRACT);
    assertThat(Meetings.volume(mesh)).isCloseTo(0.875, within(1e-15));
    assertThat(Meetings.counts(mesh)).containsExactly(14, 21, 9);
    Mesh joined = cubes(new Vec3(0.5, 0.5, 0.5), 1);
    Meetings.made(joined, MeetWay.JOIN);
    assertThat(Meetings.volume(joined)).isCloseTo(1.875, within(1e-15));
    assertThat(Meetings.counts(joined)).containsExactly(20, 30, 12);
    Mesh common = cubes(new Vec3(0.5, 0.5, 0.5), 1);
    Meetings.made(common, MeetWay.COMMON);
    assertThat(Meetings.counts(common)).containsExactly(8, 12, 6);
    assertThat(Meetings.volume(common)).isCloseTo(0.125, within(1e-15));
  }

  /** Half of an edge, half of a face, and right through: with sides in common planes. */
  @Test
  void cubesWithSidesInCommon_leaveNoFilms() {
    Mesh edge = cubes(new Vec3(0.5, 0.5, 0), 1);
    Meetings.made(edge, MeetWay.SUBTRACT);
    assertThat(Meetings.volume(edge)).isCloseTo(0.75, within(1e-15));
    Mesh half = cubes(new Vec3(0.5, 0, 0), 1);
    Meetings.made(half, MeetWay.SUBTRACT);
    assertThat(Meetings.volume(half)).isCloseTo(0.5, within(1e-15));
    assertThat(Meetings.counts(half)).containsExactly(8, 12, 6);
    Mesh joined = cubes(new Vec3(0.5, 0, 0), 1);
    Meetings.made(joined, MeetWay.JOIN);
    assertThat(Meetings.volume(joined)).isCloseTo(1.5, within(1e-15));
    Mesh side = cubes(new Vec3(1, 0, 0), 1);
    Meetings.made(side, MeetWay.JOIN);
    assertThat(Meetings.volume(side)).isCloseTo(2, within(1e-15));
    assertThat(Meetings.counts(side)).containsExactly(12, 20, 10);
    Mesh through =
        Solid.box(NONE, new Vec3(1, 1, 1))
            .with(Solid.box(new Vec3(0.25, 0.25, -1), new Vec3(0.5, 0.5, 3)))
            .mesh();
    Meetings.made(through, MeetWay.SUBTRACT);
    assertThat(Meetings.volume(through)).isCloseTo(0.75, within(1e-15));
    assertThat(Meetings.euler(through)).isZero();
  }

  @Test
  void itself_andItselfMovedByAHair() {
    Mesh common = cubes(NONE, 1);
    Meetings.made(common, MeetWay.COMMON);
    assertThat(Meetings.counts(common)).containsExactly(8, 12, 6);
    Mesh joined = cubes(NONE, 1);
    Meetings.made(joined, MeetWay.JOIN);
    assertThat(Meetings.counts(joined)).containsExactly(8, 12, 6);
    assertThat(Meetings.refused(cubes(NONE, 1), MeetWay.SUBTRACT))
        .contains("Nothing would be left");
    double hair = 1e-12;
    Mesh moved = cubes(new Vec3(hair, hair, hair), 1);
    Meetings.made(moved, MeetWay.SUBTRACT);
    assertThat(Meetings.volume(moved)).isCloseTo(3 * hair, within(1e-15));
    Mesh both = cubes(new Vec3(hair, -hair, hair), 1);
    Meetings.made(both, MeetWay.JOIN);
    assertThat(Meetings.volume(both)).isCloseTo(1 + 3 * hair, within(1e-14));
  }

  @Test
  void oneInside_isAHollow_orSwallowed() {
    Mesh hollow = cubes(new Vec3(0.25, 0.25, 0.25), 0.5);
    Meetings.made(hollow, MeetWay.SUBTRACT);
    assertThat(Meetings.volume(hollow)).isCloseTo(0.875, within(1e-15));
    assertThat(Meetings.counts(hollow)).containsExactly(16, 24, 12);
    Mesh joined = cubes(new Vec3(0.25, 0.25, 0.25), 0.5);
    Meetings.made(joined, MeetWay.JOIN);
    assertThat(Meetings.counts(joined)).containsExactly(8, 12, 6);
    Mesh apart = cubes(new Vec3(3, 0, 0), 1);
    assertThat(Meetings.refused(apart, MeetWay.JOIN)).contains("nothing would change");
    assertThat(Meetings.refused(apart, MeetWay.SUBTRACT)).contains("nothing would change");
    assertThat(Meetings.refused(apart, MeetWay.COMMON)).contains("nothing in common");
  }

  /** Touching in an edge or a corner only: nothing is sewn there. */
  @Test
  void whereSolidTouchesSolidInAnEdge_eachHasVerticesOfItsOwn() {
    Mesh ell =
        Solid.box(NONE, new Vec3(1, 1, 1))
            .with(Solid.box(new Vec3(0.5, 0.5, -1), new Vec3(1, 1, 3)))
            .mesh();
    Meetings.made(ell, MeetWay.SUBTRACT);
    assertThat(Meetings.volume(ell)).isCloseTo(0.75, within(1e-15));
    // Two blocks, one after the other, leave two bars that touch along an edge.
    Mesh bars =
        Solid.box(NONE, new Vec3(2, 2, 1))
            .with(Solid.box(new Vec3(-1, -1, -1), new Vec3(2, 2, 3)))
            .with(Solid.box(new Vec3(1, 1, -1), new Vec3(2, 2, 3)))
            .mesh();
    Meetings.made(bars, List.of(0), List.of(6), MeetWay.SUBTRACT);
    Meetings.made(bars, List.of(3), List.of(12), MeetWay.SUBTRACT);
    assertThat(Meetings.volume(bars)).isCloseTo(2, within(1e-15));
    assertThat(Meetings.counts(bars)).containsExactly(16, 24, 12);
    Meetings.assertSolid(bars, "bars");
    Mesh corner = cubes(new Vec3(1, 1, 1), 1);
    assertThat(Meetings.refused(corner, MeetWay.JOIN)).contains("nothing would change");
  }

  @Test
  void aCylinderThroughAPlate_isDividedByItsChords_andNotIntoTriangles() {
    Mesh plate =
        Solid.box(new Vec3(-2, -2, -0.5), new Vec3(4, 4, 1)).with(Solid.prism(24, 1, -2, 2)).mesh();
    Receipt receipt = Meetings.made(plate, MeetWay.SUBTRACT);
    double hole = 24 * 0.5 * Math.sin(2 * Math.PI / 24);
    assertThat(Meetings.volume(plate)).isCloseTo(16 - hole, within(1e-12));
    assertThat(Meetings.euler(plate)).isZero();
    // Each holed side is joined to its hole by two edges, so it is in two parts.
    assertThat(plate.faceCount()).isEqualTo(4 + 24 + 4);
    assertThat(receipt.remarks().getFirst().text()).startsWith("As cut: a line of 48 edges.");
  }

  @ParameterizedTest
  @ValueSource(ints = {3, 4, 7, 16, 33})
  void aCylinder_blind_tangent_grazing(int n) {
    for (double low : new double[] {-0.5, 0, 0.5, 0.9999999999}) {
      for (double x : new double[] {0, 1, 1 + 1e-12, 1 - 1e-12, 2, 2 - 1e-12, 2 + 1e-12}) {
        Solid block = Solid.box(new Vec3(-2, -2, -1), new Vec3(4, 4, 2));
        Solid bore = Solid.prism(n, 1, low, 3).moved(new Vec3(x, 0, 0));
        Meetings.keepsTheLaws(block, bore);
      }
    }
  }

  @Test
  void sphereAndCylinder_andLinkedTori() {
    Meetings.keepsTheLaws(Solid.sphere(12, 8), Solid.prism(9, 0.4, -2, 2));
    Meetings.keepsTheLaws(
        Solid.torus(20, 10, 2, 0.5),
        Solid.torus(20, 10, 2, 0.5).turned(90).moved(new Vec3(2, 0, 0)));
    Meetings.keepsTheLaws(
        Solid.torus(20, 10, 2, 0.7),
        Solid.torus(20, 10, 2, 0.7).turned(90).moved(new Vec3(0.3, 0.1, 0.2)));
  }

  static DoubleStream turns() {
    return DoubleStream.of(0, 1e-9, 15, 30, 45, 90, 137.5);
  }

  @ParameterizedTest
  @MethodSource("turns")
  void turnedBoxes_keepTheLaws(double degrees) {
    Solid one = Solid.box(new Vec3(-1, -1, -1), new Vec3(2, 2, 2));
    Meetings.keepsTheLaws(one, one.turned(degrees));
    Meetings.keepsTheLaws(one, one.turned(degrees).moved(new Vec3(0.5, 0, 0)));
    Meetings.keepsTheLaws(one, one.turned(degrees).moved(new Vec3(1, 1, 0)));
    Meetings.keepsTheLaws(one, one.turned(degrees).moved(new Vec3(2, 0.25, 0)));
  }

  @ParameterizedTest
  @EnumSource(MeetWay.class)
  void openParts_giveTheirLinesOnly(MeetWay way) {
    Mesh mesh = cubes(new Vec3(0.5, 0.5, 0.5), 1);
    Meetings.open(mesh, 7);
    if (way == MeetWay.LINES || way == MeetWay.LINES_ON_FIRST) {
      Meetings.made(mesh, List.of(0), List.of(6), way);
      assertThat(Meetings.volume(mesh)).isNotNaN();
    } else {
      assertThat(Meetings.refused(mesh, List.of(0), List.of(6), way)).contains("is open here");
    }
  }

  /** Moved first, in the same step; what is moved and then gone is in no list of what moved. */
  @Test
  void placed_theSecondMeetsWhereItIsPut() {
    Mesh mesh = cubes(new Vec3(5, 0, 0), 1);
    Vec3 by = new Vec3(-4.5, 0.5, 0.5);
    Vec3 one = new Vec3(1, 1, 1);
    Move.Motion motion = new Move.Motion(by, 0, new Vec3(0, 0, 1), 0, one, null);
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    Outcome outcome =
        workpiece.apply(
            new Forming.MeetChange(
                List.of(), List.of(6), motion, MeetWay.SUBTRACT, 0, null, null, null));
    assertThat(Meetings.volume(mesh)).isCloseTo(0.875, within(1e-15));
    Receipt receipt = ((Outcome.Made) outcome).receipt();
    assertThat(receipt.movedVertices()).allMatch(mesh::hasVertex);
    assertThat(receipt.goneVertices()).noneMatch(receipt.movedVertices()::contains);
    Move.Motion swollen = new Move.Motion(by, 0.1, new Vec3(0, 0, 1), 0, one, null);
    assertThat(
            new Workpiece(cubes(by, 1), new Tolerance(1))
                .apply(
                    new Forming.MeetChange(
                        List.of(), List.of(6), swollen, MeetWay.JOIN, 0, null, null, null)))
        .isInstanceOf(Outcome.Refused.class);
  }

  /** A collar goes round in the same step, and is told; a third material is on the cut's faces. */
  @Test
  void aCollar_goesRoundTheLine_andTheCutHasItsMaterial() {
    Mesh plate =
        Solid.box(new Vec3(-2, -2, -0.5), new Vec3(4, 4, 1)).with(Solid.prism(8, 1, -2, 2)).mesh();
    Workpiece workpiece = new Workpiece(plate, Tolerance.of(plate.bounds()));
    Outcome outcome =
        workpiece.apply(
            new Forming.MeetChange(
                List.of(),
                List.of(6),
                null,
                MeetWay.SUBTRACT,
                0,
                new Meet.CutMaterial(Meet.Whose.NAMED, "brass"),
                1e-4,
                0.2));
    List<String> told =
        ((Outcome.Made) outcome).receipt().remarks().stream().map(r -> r.text()).toList();
    assertThat(told.getFirst()).startsWith("As cut:").contains("No collar goes round");
    assertThat(told.getLast()).startsWith("Then:").contains("A collar of quads goes round");
    Meetings.assertSolid(plate, "plate");
    long brass = 0;
    for (int f = 0; f < plate.faceEnd(); f++) {
      boolean isBrass =
          plate.hasFace(f) && plate.labels().get(plate.labelOf(f)).material().equals("brass");
      brass += isBrass ? 1 : 0;
    }
    assertThat(brass).isEqualTo(8);
  }

  @Test
  void fitted_thereIsPlayOnAllSides() {
    Mesh mesh =
        Solid.box(NONE, new Vec3(4, 4, 4))
            .with(Solid.box(new Vec3(1, 1, 2), new Vec3(2, 2, 4)))
            .mesh();
    Meetings.made(mesh, List.of(0), List.of(6), MeetWay.FIT, 0.1);
    assertThat(Meetings.volume(mesh)).isCloseTo(64 - 2.2 * 2.2 * 2.1 + 16, within(1e-12));
  }

  /** What the line does not touch keeps id, corners and bits. */
  @Test
  void facesThatTheLineDoesNotTouch_stay() {
    Solid block = Solid.box(NONE, new Vec3(1, 1, 1));
    Mesh mesh = block.with(Solid.box(new Vec3(0.5, 0.5, 0.5), new Vec3(1, 1, 1))).mesh();
    Mesh before = mesh.copy();
    Meetings.made(mesh, MeetWay.SUBTRACT);
    int same = 0;
    for (int f = 0; f < 6; f++) {
      if (mesh.hasFace(f) && Arrays.equals(mesh.vertices(f), before.vertices(f))) {
        same++;
      }
    }
    assertThat(same).isEqualTo(3);
  }

  /** Cleaned, the line leaves quads beside it where their number allows it; all in one step. */
  @Test
  void aCleanedLine_leavesQuads_andSaysWhatWasDone() {
    Solid bore = Solid.prism(8, 1, -2, 2).turned(22.5);
    Mesh plate = Solid.box(new Vec3(-2, -2, -0.5), new Vec3(4, 4, 1)).with(bore).mesh();
    double before = 16 - 8 * 0.5 * Math.sin(Math.PI / 4);
    Receipt receipt = Meetings.made(plate, List.of(0), List.of(6), MeetWay.SUBTRACT, 0, 1e-3);
    assertThat(Meetings.volume(plate)).isCloseTo(before, within(1e-12));
    Meetings.assertSolid(plate, "plate");
    assertThat(receipt.remarks().stream().map(r -> r.text()).toList())
        .anyMatch(t -> t.contains("divided into quads") || t.contains("more than four sides"));
    Mesh near = cubes(new Vec3(1e-4, 0.25, 0.25), 1);
    Meetings.made(near, List.of(0), List.of(6), MeetWay.JOIN, 0, 1e-3);
    Meetings.assertSolid(near, "near");
    for (int e = 0; e < near.edgeEnd(); e++) {
      assertThat(!near.hasEdge(e) || near.length(e) > 1e-3).isTrue();
    }
  }
}
