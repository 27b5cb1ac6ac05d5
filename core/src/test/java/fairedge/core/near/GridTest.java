package fairedge.core.near;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.MeshBuilder;
import java.util.ArrayList;
import java.util.Collection;
import java.util.List;
import java.util.SplittableRandom;
import java.util.concurrent.ConcurrentLinkedQueue;
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
    SegmentGrid grid =
        segments(
            new Vec3(0, 0, 0), new Vec3(1, 0, 0),
            new Vec3(1, 0, 0), new Vec3(2, 0, 0),
            new Vec3(2.1, 0, 0), new Vec3(3, 0, 0));
    assertThat(grid.covers(new Vec3(0.2, 0, 0), new Vec3(1.7, 0, 0))).isTrue();
    assertThat(grid.covers(new Vec3(0.2, 0.0009, 0), new Vec3(1.7, -0.0009, 0))).isTrue();
    assertThat(grid.covers(new Vec3(1.9, 0, 0), new Vec3(2.2, 0, 0))).isFalse();
    assertThat(grid.covers(new Vec3(0, 0, 0), new Vec3(0, 1, 0))).isFalse();
    assertThat(grid.covers(new Vec3(0.2, 0.002, 0), new Vec3(0.4, 0.002, 0))).isFalse();
  }

  @Test
  void endsOnACurve_areNotEnough() {
    Vec3[] ends = new Vec3[64];
    for (int i = 0; i < 32; i++) {
      ends[2 * i] = onCircle(i);
      ends[2 * i + 1] = onCircle(i + 1);
    }
    SegmentGrid grid = segments(ends);
    assertThat(grid.covers(onCircle(3), onCircle(4))).isTrue();
    assertThat(grid.covers(onCircle(3), onCircle(9))).isFalse();
  }

  @Test
  void boxesThatMeet_areToldOnceEach_andNoOthers() {
    SplittableRandom random = new SplittableRandom(3);
    int n = 400;
    double[] boxes = new double[6 * n];
    for (int i = 0; i < n; i++) {
      for (int axis = 0; axis < 3; axis++) {
        boxes[6 * i + axis] = random.nextDouble(-1, 1);
        boxes[6 * i + 3 + axis] = boxes[6 * i + axis] + random.nextDouble(0, 0.3);
      }
    }
    List<Long> expected = new ArrayList<>();
    for (int i = 0; i < n; i++) {
      for (int k = i + 1; k < n; k++) {
        if (meet(boxes, i, k)) {
          expected.add((long) i << 32 | k);
        }
      }
    }
    ConcurrentLinkedQueue<Long> found = new ConcurrentLinkedQueue<>();
    BoxPairs pairs = new BoxPairs(boxes);
    assertThat(pairs.each((a, b) -> told(found, a, b), 1_000_000)).isTrue();
    assertThat(found).containsExactlyInAnyOrderElementsOf(expected);
    assertThat(pairs.each((a, b) -> 1, 10)).isFalse();
    List<Long> first = new ArrayList<>();
    List<Long> again = new ArrayList<>();
    assertThat(pairs.eachInOrder((a, b) -> told(first, a, b), 10)).isFalse();
    pairs.eachInOrder((a, b) -> told(again, a, b), 10);
    assertThat(first).isNotEmpty().isEqualTo(again);
  }

  private static long told(Collection<Long> found, int a, int b) {
    found.add((long) a << 32 | b);
    return 1;
  }

  private static boolean meet(double[] boxes, int i, int k) {
    for (int axis = 0; axis < 3; axis++) {
      if (boxes[6 * i + axis] > boxes[6 * k + 3 + axis]
          || boxes[6 * k + axis] > boxes[6 * i + 3 + axis]) {
        return false;
      }
    }
    return true;
  }

  private static SegmentGrid segments(Vec3... ends) {
    MeshBuilder builder = new MeshBuilder();
    for (int i = 0; i < ends.length; i += 2) {
      builder.edge(builder.vertex(ends[i]), builder.vertex(ends[i + 1]));
    }
    return new SegmentGrid(builder.build(), e -> true, 1e-3);
  }

  @Test
  void segmentsOfAllLengths_areNearWhereTheDistanceSaysSo() {
    SplittableRandom random = new SplittableRandom(2);
    Vec3[] ends = new Vec3[600];
    for (int i = 0; i < ends.length; i += 2) {
      ends[i] = random(random);
      ends[i + 1] =
          ends[i].plus(random(random).times(StrictMath.pow(10, random.nextDouble(-6, 1))));
    }
    SegmentGrid grid = segments(ends);
    for (int i = 0; i < 2000; i++) {
      Vec3 place = ends[2 * random.nextInt(300)].plus(random(random).times(2e-3));
      List<Integer> found = new ArrayList<>();
      grid.near(place, 1e-3, found::add);
      List<Integer> expected = new ArrayList<>();
      for (int e = 0; e < 300; e++) {
        if (grid.distance(e, place) <= 1e-3) {
          expected.add(e);
        }
      }
      assertThat(found).doesNotHaveDuplicates().containsExactlyInAnyOrderElementsOf(expected);
    }
  }

  private static Vec3 onCircle(int i) {
    double angle = 2 * Math.PI * i / 32;
    return new Vec3(Math.cos(angle), Math.sin(angle), 0);
  }
}
