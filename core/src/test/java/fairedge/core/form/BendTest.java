package fairedge.core.form;

import static fairedge.core.form.Formed.bar;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Bending;
import fairedge.core.geometry.BentBetween.HeldAt;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Forming;
import fairedge.core.step.Receipt;
import fairedge.core.step.Tidying;
import java.util.List;
import org.junit.jupiter.api.Test;

/** Worked examples with known places. */
class BendTest {
  private static Receipt made(Mesh mesh, Bend.Bow bow) {
    return Formed.made(mesh, new Forming.BendChange(List.of(), bow));
  }

  private static String refused(Bend.Bow bow) {
    return Formed.refused(bar(4), new Forming.BendChange(List.of(), bow));
  }

  private static Bend.Bow bend(double degrees, Double low, Double high, HeldAt held) {
    return new Bend.Bow(Bending.BendWay.BEND, Axis.X, Axis.Y, low, high, held, degrees);
  }

  private static Vec3 middleOfSection(Mesh bar, int x) {
    Vec3 sum = Vec3.ZERO;
    for (int i = 0; i < 4; i++) {
      sum = sum.plus(bar.position(4 * x + i).times(0.25));
    }
    return sum;
  }

  /** Distances along the middle line become lengths of arc. */
  @Test
  void bend_laysTheMiddleLineOnACircle() {
    Mesh mesh = bar(8);
    made(mesh, bend(90, null, null, HeldAt.LOW));
    double radius = 8 / Math.toRadians(90);
    for (int x = 0; x <= 8; x++) {
      double at = x / radius;
      Vec3 there = new Vec3(radius * Math.sin(at), 0.5 + radius * (1 - Math.cos(at)), 0.5);
      assertThat(middleOfSection(mesh, x).distance(there)).isLessThan(1e-12);
    }
    Mesh high = bar(8);
    made(high, bend(90, null, null, HeldAt.HIGH));
    assertThat(middleOfSection(high, 8)).isEqualTo(new Vec3(8, 0.5, 0.5));
  }

  @Test
  void beyondALimit_allGoesStraightOn() {
    Mesh mesh = bar(8);
    made(mesh, bend(90, 2.0, 6.0, HeldAt.LOW));
    for (int x = 0; x <= 2; x++) {
      for (int i = 0; i < 4; i++) {
        assertThat(mesh.position(4 * x + i).distance(bar(8).position(4 * x + i))).isLessThan(1e-12);
      }
    }
    Vec3 turned = middleOfSection(mesh, 8).minus(middleOfSection(mesh, 6));
    assertThat(turned.distance(new Vec3(0, 2, 0))).isLessThan(1e-12);
    assertThat(mesh.position(32).distance(mesh.position(33)))
        .as("a section is rigid")
        .isCloseTo(1, within(1e-12));
  }

  @Test
  void fullTurn_closes_andIsJoined() {
    Mesh mesh = bar(24);
    Formed.made(mesh, new Tidying.DeleteChange(List.of(4 * 24, 4 * 24 + 1), List.of(), List.of()));
    Receipt receipt = made(mesh, bend(360, null, null, HeldAt.MIDDLE));
    assertThat(receipt.remarks()).anyMatch(r -> r.text().contains("full turn"));
    assertThat(receipt.remarks()).noneMatch(r -> r.text().contains("at once"));
    for (int i = 0; i < 4; i++) {
      assertThat(mesh.position(i).distance(mesh.position(4 * 24 + i)))
          .isLessThan(1e-9 * mesh.bounds().diagonal());
    }
    Formed.made(mesh, new Forming.RejoinChange(List.of()));
    assertThat(Formed.isClosed(mesh)).isTrue();
    assertThat(Formed.euler(mesh)).isZero();
  }

  @Test
  void tooFewSections_areTold() {
    Mesh mesh = bar(4);
    assertThat(made(mesh, bend(360, null, null, HeldAt.MIDDLE)).remarks())
        .anyMatch(r ->
            r.text().contains("up to 90°")
                && r.text().contains("24 sections")
                && r.text().contains("into 6"));
  }

  @Test
  void twistAndTaper() {
    Mesh twist = bar(4);
    made(twist, new Bend.Bow(Bending.BendWay.TWIST, Axis.X, Axis.Y, null, null, HeldAt.LOW, 90));
    assertThat(twist.position(0).distance(new Vec3(0, 0, 0))).isLessThan(1e-12);
    // A quarter turn takes every corner of the square to the next.
    assertThat(twist.position(16).distance(new Vec3(4, 1, 0))).isLessThan(1e-12);
    Mesh taper = bar(4);
    made(taper, new Bend.Bow(Bending.BendWay.TAPER, Axis.X, Axis.Y, 0.0, 2.0, HeldAt.MIDDLE, 0.5));
    assertThat(taper.position(0)).isEqualTo(new Vec3(0, 0, 0));
    assertThat(taper.position(8).distance(new Vec3(2, 0.25, 0.25))).isLessThan(1e-12);
    assertThat(taper.position(16).distance(new Vec3(4, 0.25, 0.25)))
        .as("it keeps its last width")
        .isLessThan(1e-12);
  }

  @Test
  void numbersThatTellNoBend_areRefused() {
    assertThat(refused(bend(0, null, null, HeldAt.LOW))).contains("nothing is bent");
    assertThat(refused(bend(400, null, null, HeldAt.LOW))).contains("360");
    assertThat(refused(bend(90, 3.0, 3.0, HeldAt.LOW))).contains("lower limit");
    assertThat(refused(bend(Double.NaN, null, null, HeldAt.LOW))).contains("360");
    assertThat(
            refused(new Bend.Bow(Bending.BendWay.BEND, Axis.X, Axis.X, null, null, HeldAt.LOW, 9)))
        .contains("another axis");
  }
}
