package fairedge.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.geometry.Bending.BendWay;
import java.util.Random;
import org.junit.jupiter.api.Test;

class BendingTest {
  private static final Bounds BOX = new Bounds(new Vec3(0, 0, 0), new Vec3(2, 2, 10));

  private static Bending of(BendWay way, double amount) {
    return Bending.of(BOX, way, Axis.Z, Axis.X, amount);
  }

  @Test
  void bend_ofHalfATurn_laysTheLineOnHalfACircle() {
    Bending bend = of(BendWay.BEND, 180);
    double r = 10 / Math.PI;
    // The middle stays; both ends come to lie beside each other, turned by a quarter each.
    assertThat(bend.place(new Vec3(1, 1, 5))).isEqualTo(new Vec3(1, 1, 5));
    assertThat(bend.place(new Vec3(1, 1, 10)).distance(new Vec3(1 + r, 1, 5 + r)))
        .isLessThan(1e-12);
    assertThat(bend.place(new Vec3(1, 1, 0)).distance(new Vec3(1 + r, 1, 5 - r))).isLessThan(1e-12);
    // What was beside the line stays at its distance from it.
    Vec3 aside = bend.place(new Vec3(2, 1, 10));
    assertThat(aside.distance(new Vec3(1 + r, 1, 5 + r - 1))).isLessThan(1e-12);
  }

  @Test
  void bend_isTurnedOut_beyondWhatItTurnsAbout() {
    Bending bend = of(BendWay.BEND, 360);
    double r = 10 / (2 * Math.PI);
    assertThat(bend.isTurnedOut(new Vec3(1 + r - 1e-9, 1, 3))).isFalse();
    assertThat(bend.isTurnedOut(new Vec3(1 + r + 1e-9, 1, 3))).isTrue();
    assertThat(of(BendWay.BEND, -360).isTurnedOut(new Vec3(1 - r - 1e-9, 1, 3))).isTrue();
  }

  @Test
  void twist_turnsTheEndsAgainstEachOther() {
    Bending twist = of(BendWay.TWIST, 180);
    Vec3 top = twist.place(new Vec3(2, 1, 10));
    Vec3 foot = twist.place(new Vec3(2, 1, 0));
    assertThat(top.distance(new Vec3(1, 2, 10))).isLessThan(1e-12);
    assertThat(foot.distance(new Vec3(1, 0, 0))).isLessThan(1e-12);
  }

  @Test
  void taper_narrowsOneEnd() {
    assertThat(of(BendWay.TAPER, 0.5).place(new Vec3(2, 1, 10))).isEqualTo(new Vec3(1.5, 1, 10));
    assertThat(of(BendWay.TAPER, 0.5).place(new Vec3(2, 1, 0))).isEqualTo(new Vec3(2, 1, 0));
    assertThat(of(BendWay.TAPER, -0.5).place(new Vec3(2, 1, 0))).isEqualTo(new Vec3(1.5, 1, 0));
  }

  @Test
  void nothing_changesNothing() {
    for (BendWay way : BendWay.values()) {
      Vec3 p = new Vec3(0.3, 1.7, 9);
      assertThat(of(way, 0).place(p).distance(p)).isLessThan(1e-12);
    }
  }

  @Test
  void bendAndTwist_keepTheVolumeOfSmallBoxesOnTheLine_andNormalsStaySquare() {
    Random random = new Random(7);
    for (int i = 0; i < 200; i++) {
      for (BendWay way : new BendWay[] {BendWay.BEND, BendWay.TWIST}) {
        Bending bending = of(way, 720 * (random.nextDouble() - 0.5));
        Vec3 p =
            new Vec3(
                1,
                1 + (way == BendWay.BEND ? random.nextDouble() - 0.5 : 0),
                10 * random.nextDouble());
        double h = 1e-4;
        Vec3 x = bending.place(p.plus(new Vec3(h, 0, 0))).minus(bending.place(p)).times(1 / h);
        Vec3 y = bending.place(p.plus(new Vec3(0, h, 0))).minus(bending.place(p)).times(1 / h);
        Vec3 z = bending.place(p.plus(new Vec3(0, 0, h))).minus(bending.place(p)).times(1 / h);
        assertThat(x.cross(y).dot(z)).isCloseTo(1, within(1e-3));
        assertThat(bending.normal(p, new Vec3(0, 0, 3), h).angleTo(x.cross(y))).isLessThan(0.1);
      }
    }
  }

  @Test
  void tooMuch_isRefused() {
    assertThatIllegalArgumentException().isThrownBy(() -> of(BendWay.BEND, 361));
    assertThatIllegalArgumentException().isThrownBy(() -> of(BendWay.TAPER, 1));
    assertThatIllegalArgumentException().isThrownBy(() -> of(BendWay.TWIST, Double.NaN));
    assertThatIllegalArgumentException()
        .isThrownBy(() -> Bending.of(BOX, BendWay.BEND, Axis.Z, Axis.Z, 10));
  }
}
