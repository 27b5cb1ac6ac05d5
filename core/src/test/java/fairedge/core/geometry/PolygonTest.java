package fairedge.core.geometry;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;
import static org.assertj.core.api.Assertions.within;

import java.util.Arrays;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class PolygonTest {
  private static Polygon flat(double... xy) {
    Vec3[] corners = new Vec3[xy.length / 2];
    Arrays.setAll(corners, i -> new Vec3(xy[2 * i], xy[2 * i + 1], 0));
    return new Polygon(corners);
  }

  private static final Polygon SQUARE = flat(0, 0, 2, 0, 2, 2, 0, 2);

  /** Its notch is the upper right quarter. */
  private static final Polygon NOTCHED = flat(0, 0, 4, 0, 4, 2, 2, 2, 2, 4, 0, 4);

  @Test
  void square_hasItsMeasures() {
    assertThat(SQUARE.newell()).isEqualTo(new Vec3(0, 0, 4));
    assertThat(SQUARE.area()).isEqualTo(4);
    assertThat(SQUARE.middle()).isEqualTo(new Vec3(1, 1, 0));
    assertThat(SQUARE.warpDistance()).isZero();
    assertThat(SQUARE.meanSide()).isEqualTo(2);
    assertThat(SQUARE.turnAt(0)).isCloseTo(90, within(1e-12));
    assertThat(SQUARE.angleAt(0)).isCloseTo(90, within(1e-12));
  }

  @Test
  void measures_doNotDependOnWhereThePolygonLies() {
    Polygon far =
        new Polygon(
            new Vec3[] {
              new Vec3(1e9, 1e9, 1e9),
              new Vec3(1e9 + 2, 1e9, 1e9),
              new Vec3(1e9 + 2, 1e9 + 2, 1e9),
              new Vec3(1e9, 1e9 + 2, 1e9)
            });
    assertThat(far.area()).isEqualTo(4);
    assertThat(far.middle()).isEqualTo(new Vec3(1e9 + 1, 1e9 + 1, 1e9));
  }

  @Test
  void straightCorner_isCountedWithinItsAngle() {
    Polygon withIdle = flat(0, 0, 1, 0, 2, 0, 2, 2, 0, 2);
    assertThat(withIdle.straightCorners(1)).isEqualTo(1);
    double rise = Math.tan(Math.toRadians(1));
    assertThat(flat(0, 0, 1, -rise, 2, 0, 2, 2, 0, 2).straightCorners(1)).isZero();
  }

  @Test
  void inside_isToldForConcavePolygons() {
    assertThat(NOTCHED.flat().contains(new Vec3(3, 3, 0))).isFalse();
    assertThat(NOTCHED.flat().contains(new Vec3(3, 1, 0))).isTrue();
    assertThat(NOTCHED.flat().contains(new Vec3(1, 3, 5))).isTrue();
  }

  @Test
  void segment_isInsideOnlyWhereItTouchesNothing() {
    Polygon.Flat flat = NOTCHED.flat();
    assertThat(flat.containsSegment(NOTCHED.corner(0), NOTCHED.corner(3))).isTrue();
    assertThat(flat.containsSegment(NOTCHED.corner(2), NOTCHED.corner(4))).isFalse();
    assertThat(flat.containsSegment(NOTCHED.corner(1), NOTCHED.corner(5))).isFalse();
  }

  @Test
  void wayFromACorner_setsOutInsideOrNot() {
    Polygon.Flat flat = NOTCHED.flat();
    assertThat(flat.opensTo(0, new Vec3(1, 1, 0))).isTrue();
    assertThat(flat.opensTo(0, new Vec3(-1, 1, 0))).isFalse();
    assertThat(flat.opensTo(0, new Vec3(4, 0, 0))).as("along a side").isFalse();
    assertThat(flat.opensTo(3, new Vec3(1, 3, 0))).as("at the inner corner").isTrue();
    assertThat(flat.opensTo(3, new Vec3(3, 3, 0))).isFalse();
    Polygon slit = flat(0, 0, 1, 1, 0, 0, 2, 0, 2, 2, 0, 2);
    assertThat(slit.flat().opensTo(1, new Vec3(2, 1, 0))).as("at the end of a slit").isTrue();
    assertThat(slit.flat().opensTo(0, new Vec3(0.5, 1.5, 0))).isTrue();
    assertThat(slit.flat().opensTo(0, new Vec3(1.5, 0.5, 0))).isFalse();
    assertThat(slit.flat().opensTo(2, new Vec3(1.5, 0.5, 0))).isTrue();
  }

  @Test
  void bentQuad_isCutWhereBothHalvesKeepTheirWinding() {
    // A dart: only the diagonal from its inner corner keeps both halves turned the same way.
    Polygon dart = flat(0, 0, 4, 2, 0, 4, 1, 2);
    assertThat(dart.triangles()).containsExactly(1, 2, 3, 1, 3, 0);
    assertThat(SQUARE.triangles()).hasSize(6);
  }

  @Test
  void triangles_coverAnyPolygonOnce() {
    SplittableRandom random = new SplittableRandom(11);
    for (int round = 0; round < 300; round++) {
      Polygon star = star(random, 3 + random.nextInt(30));
      int[] triangles = star.triangles();
      assertThat(triangles).hasSize(3 * (star.size() - 2));
      double sum = 0;
      for (int i = 0; i < triangles.length; i += 3) {
        Vec3 a = star.corner(triangles[i]);
        Vec3 cross =
            star.corner(triangles[i + 1]).minus(a).cross(star.corner(triangles[i + 2]).minus(a));
        assertThat(cross.z()).as("winding").isGreaterThanOrEqualTo(-1e-12);
        sum += cross.z() / 2;
      }
      assertThat(sum).isCloseTo(star.area(), within(1e-9));
    }
  }

  private static Polygon star(SplittableRandom random, int n) {
    Vec3[] corners = new Vec3[n];
    for (int i = 0; i < n; i++) {
      double angle = 2 * Math.PI * i / n;
      double r = random.nextDouble(0.2, 3);
      corners[i] = new Vec3(r * Math.cos(angle), r * Math.sin(angle), 0);
    }
    return new Polygon(corners);
  }

  @Test
  void twoCorners_areNoPolygon() {
    assertThatIllegalArgumentException().isThrownBy(() -> flat(0, 0, 1, 1));
  }

  @Test
  void scale_mustBeALength() {
    assertThat(Tolerance.of(Bounds.EMPTY).scale()).isEqualTo(1);
    assertThat(new Tolerance(200).merge()).isCloseTo(2e-5, within(1e-18));
    assertThatIllegalArgumentException().isThrownBy(() -> new Tolerance(0));
    assertThatIllegalArgumentException().isThrownBy(() -> new Tolerance(Double.NaN));
  }

  @Test
  void pointBetween_isTheSameFromBothEnds() {
    Vec3 a = new Vec3(0.1, 0.2, 0.3);
    Vec3 b = new Vec3(7.7, -1e9, 1e-9);
    assertThat(a.towards(b, 0.25)).isEqualTo(b.towards(a, 0.75));
    assertThat(a.towards(b, 0)).isEqualTo(a);
    assertThat(a.towards(b, 1)).isEqualTo(b);
    assertThat(Vec3.ZERO.unit()).isEqualTo(Vec3.ZERO);
  }
}
