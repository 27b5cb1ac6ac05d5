package fairedge.core.form;

import static fairedge.core.form.Formed.along;
import static fairedge.core.form.Formed.bar;
import static fairedge.core.form.Formed.counts;
import static fairedge.core.form.Formed.cube;
import static fairedge.core.form.Formed.euler;
import static fairedge.core.form.Formed.isClosed;
import static fairedge.core.form.Formed.sizes;
import static fairedge.core.form.Formed.volume;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.form.Groove.Channel;
import fairedge.core.form.Groove.GrooveEnd;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.step.Forming;
import fairedge.core.step.Receipt;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Worked examples with known counts and depths, and laws over many edges. */
class GrooveTest {
  private static Channel channel(double width, double floor, double depth, int across) {
    return Channel.asked(width, floor, depth, across, null, null, null, null);
  }

  private static Channel walled(int across, boolean runOn) {
    return Channel.asked(0.2, 0.1, 0.1, across, GrooveEnd.WALL, runOn, null, null);
  }

  private static Receipt made(Mesh mesh, Channel channel, Integer... edges) {
    return Formed.made(mesh, new Forming.GrooveChange(List.of(edges), channel));
  }

  private static String refused(Mesh mesh, Channel channel, Integer... edges) {
    return Formed.refused(mesh, new Forming.GrooveChange(List.of(edges), channel));
  }

  /** A tube of n sides of two sections, closed by faces of n sides; the ring lies at height 0. */
  private static Mesh tube(int n) {
    MeshBuilder b = new MeshBuilder();
    for (int z = -1; z <= 1; z++) {
      for (int i = 0; i < n; i++) {
        double at = 2 * Math.PI * i / n;
        b.vertex(new Vec3(Math.cos(at), Math.sin(at), z));
      }
    }
    for (int z = 0; z < 2; z++) {
      for (int i = 0; i < n; i++) {
        int next = (i + 1) % n;
        b.face(z * n + i, z * n + next, (z + 1) * n + next, (z + 1) * n + i);
      }
    }
    b.face(IntStream.range(0, n).map(i -> n - 1 - i).toArray());
    b.face(IntStream.range(2 * n, 3 * n).toArray());
    return b.build();
  }

  private static Integer[] ring(Mesh tube, int n) {
    return IntStream.range(0, n)
        .mapToObj(i -> tube.findEdge(n + i, n + (i + 1) % n))
        .toArray(Integer[]::new);
  }

  @Test
  void closedRun_roundATube() {
    int n = 10;
    for (int across = 1; across <= 2; across++) {
      Mesh mesh = tube(n);
      made(mesh, channel(0.4, 0.4, 0.125, across), ring(mesh, n));
      assertThat(mesh.faceCount()).isEqualTo(2 * n + 2 + (2 + across) * n);
      assertThat(euler(mesh)).isEqualTo(2);
      assertThat(IntStream.of(sizes(mesh)).filter(s -> s != 4)).containsExactly(n, n);
      // Every side of the floor lies 0.125 below the side beside it.
      double side = Math.cos(Math.PI / n);
      double low =
          IntStream.range(0, mesh.vertexEnd())
              .filter(mesh::hasVertex)
              .mapToDouble(v -> Math.hypot(mesh.x(v), mesh.y(v)))
              .min()
              .orElseThrow();
      assertThat(low).isCloseTo((side - 0.125) / side, within(1e-12));
      double cross = n / 2.0 * Math.sin(2 * Math.PI / n);
      double inner = cross * low * low;
      assertThat(volume(mesh)).isCloseTo(2 * cross - 0.4 * (cross - inner), within(1e-12));
    }
    Mesh seam = tube(n);
    made(seam, channel(0.4, 0.2, -0.125, 1), ring(seam, n));
    assertThat(volume(seam)).isGreaterThan(volume(tube(n)));
  }

  @Test
  void ends_narrow_orHaveAWall() {
    Mesh narrow = bar(4);
    Receipt receipt = made(narrow, channel(0.2, 0.1, 0.1, 1), along(narrow)[1], along(narrow)[2]);
    assertThat(IntStream.of(sizes(narrow)).filter(s -> s == 3)).hasSize(6);
    assertThat(receipt.remarks()).anyMatch(r -> r.text().contains("3 triangles"));
    assertThat(euler(narrow)).isEqualTo(2);
    Mesh one = bar(4);
    assertThat(refused(one, channel(0.2, 0.1, 0.1, 1), along(one)[1])).contains("both ends");
    Mesh two = bar(4);
    made(two, walled(2, false), along(two)[1]);
    assertThat(IntStream.of(sizes(two)).filter(s -> s != 4))
        .as("the four faces ahead gain a corner")
        .containsExactly(5, 5, 5, 5);
    assertThat(euler(two)).isEqualTo(2);
    Mesh five = bar(4);
    made(five, walled(1, false), along(five)[1]);
    assertThat(IntStream.of(sizes(five)).filter(s -> s != 4)).containsExactly(5, 5, 5, 5, 5, 5);
    Mesh on = bar(4);
    made(on, walled(2, true), along(on)[1]);
    assertThat(sizes(on)).containsOnly(4);
    assertThat(euler(on)).isEqualTo(2);
  }

  @Test
  void channelsThatMeet() {
    Mesh split = cube();
    made(split, channel(0.2, 0.1, 0.02, 2), all(split));
    // 6 faces, 12 edges of 4 quads, 8 vertices of 3.
    assertThat(split.faceCount()).isEqualTo(6 + 48 + 24);
    assertThat(sizes(split)).containsOnly(4);
    Mesh whole = cube();
    Receipt receipt = made(whole, channel(0.2, 0.1, 0.02, 1), all(whole));
    assertThat(whole.faceCount()).isEqualTo(6 + 36 + 8);
    assertThat(receipt.remarks()).anyMatch(r -> r.text().contains("3 sides fills"));
    // Three floors, each half as wide as the others go down: nothing is left of them.
    assertThat(refused(cube(), channel(0.2, 0.1, 0.05, 2), all(cube()))).contains("no room");
    assertThat(refused(cube(), channel(0.2, 0.1, 0.06, 1), all(cube()))).contains("no room");
    for (Mesh mesh : List.of(split, whole)) {
      assertThat(euler(mesh)).isEqualTo(2);
      assertThat(isClosed(mesh)).isTrue();
    }
    Mesh sheet = Formed.sheet();
    made(sheet, channel(0.2, 0.1, 0.05, 2), sheet.findEdge(1, 4));
    assertThat(counts(sheet)).as("open at both borders").containsExactly(14, 19, 6);
    assertThat(sheet.bounds().min().z()).isEqualTo(-0.05);
  }

  private static Integer[] all(Mesh mesh) {
    return IntStream.range(0, mesh.edgeEnd()).boxed().toArray(Integer[]::new);
  }

  @Test
  void whatDoesNotFit_isRefusedWithTheBound() {
    Mesh mesh = tube(8);
    assertThat(refused(mesh, channel(2, 1, 0.1, 1), ring(mesh, 8))).contains("less than 2");
    assertThat(refused(mesh, channel(0.4, 0.4, 1.2, 1), ring(mesh, 8))).contains("less than 0.92");
    made(mesh, channel(1.99, 1, 0.92, 2), ring(mesh, 8));
    assertThat(refused(cube(), channel(0.2, 0.3, 0.1, 1), 0)).contains("floor");
    assertThat(refused(cube(), channel(0.2, 0.1, 0, 1), 0)).contains("not 0");
    assertThat(refused(cube(), channel(0.2, 0.1, 0.1, 3), 0)).contains("one quad across, or two");
    assertThat(refused(Formed.sheet(), channel(0.1, 0.1, 0.1, 1), Formed.sheet().findEdge(0, 1)))
        .contains("border");
  }

  /** On forms of the scenario all stays sound, and undo is exact. */
  @Test
  void manyRuns_keepTheLaws() {
    SplittableRandom random = new SplittableRandom(25);
    int done = 0;
    for (int round = 0; round < 300; round++) {
      Mesh mesh = Formed.byTurns(round);
      List<Integer> edges = Formed.someEdges(mesh, random, round % 7 + 2);
      if (edges.isEmpty()) {
        continue;
      }
      double width = random.nextDouble(0.001, 0.02) * mesh.bounds().diagonal();
      Channel channel =
          new Channel(
              width,
              random.nextDouble(0.2, 1) * width,
              random.nextDouble(-0.5, 0.5) * width,
              1 + random.nextInt(2),
              GrooveEnd.values()[random.nextInt(2)],
              random.nextBoolean(),
              random.nextInt(4) == 0,
              random.nextBoolean());
      done += Formed.keepsTheLaws(mesh, new Forming.GrooveChange(edges, channel)) ? 1 : 0;
    }
    assertThat(done).isGreaterThan(80);
  }
}
