package fairedge.core.near;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Vec3;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;

class GridTest {
  private static Vec3 random(SplittableRandom random) {
    return new Vec3(random.nextDouble(-1, 1), random.nextDouble(-1, 1), random.nextDouble(-1, 1));
  }

  @Test
  void points_areNearWhereTheDistanceSaysSo() {
    SplittableRandom random = new SplittableRandom(1);
    PointGrid grid = new PointGrid(0.1);
    List<Vec3> points = new ArrayList<>();
    for (int i = 0; i < 300; i++) {
      points.add(random(random));
      grid.add(points.getLast());
    }
    for (int i = 0; i < 1000; i++) {
      Vec3 place = random(random);
      boolean near = points.stream().anyMatch(p -> p.distance(place) <= 0.1);
      assertThat(grid.hasNear(place)).isEqualTo(near);
    }
    assertThat(grid.hasNear(new Vec3(1e300, 0, 0))).isFalse();
  }

  @Test
  void segment_isCoveredByPiecesThatMeet_notAcrossAGap() {
    SegmentGrid grid = new SegmentGrid(1e-3);
    grid.add(new Vec3(0, 0, 0), new Vec3(1, 0, 0));
    grid.add(new Vec3(1, 0, 0), new Vec3(2, 0, 0));
    grid.add(new Vec3(2.1, 0, 0), new Vec3(3, 0, 0));
    assertThat(grid.covers(new Vec3(0.2, 0, 0), new Vec3(1.7, 0, 0))).isTrue();
    assertThat(grid.covers(new Vec3(0.2, 0.0009, 0), new Vec3(1.7, -0.0009, 0))).isTrue();
    assertThat(grid.covers(new Vec3(1.9, 0, 0), new Vec3(2.2, 0, 0))).isFalse();
    assertThat(grid.covers(new Vec3(0, 0, 0), new Vec3(0, 1, 0))).isFalse();
    assertThat(grid.covers(new Vec3(0.2, 0.002, 0), new Vec3(0.4, 0.002, 0))).isFalse();
  }

  @Test
  void endsOnACurve_areNotEnough() {
    SegmentGrid grid = new SegmentGrid(1e-3);
    for (int i = 0; i < 32; i++) {
      grid.add(onCircle(i), onCircle(i + 1));
    }
    assertThat(grid.covers(onCircle(3), onCircle(4))).isTrue();
    assertThat(grid.covers(onCircle(3), onCircle(9))).isFalse();
  }

  private static Vec3 onCircle(int i) {
    double angle = 2 * Math.PI * i / 32;
    return new Vec3(Math.cos(angle), Math.sin(angle), 0);
  }
}
