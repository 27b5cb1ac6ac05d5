package fairedge.core.meet;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.meet.Meet.MeetWay;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.MeshCheck;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import java.util.ArrayList;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/**
 * Laws on many random pairs, chains and filth. {@code -Dfair-edge.meets=100000} asks for as many
 * pairs.
 */
class MeetLawsTest {
  private static final int PAIRS = Integer.getInteger("fair-edge.meets", 2000);

  /** Of whole numbers mostly: they lie in each other's planes, edges and corners all the time. */
  @Test
  void randomPairs_keepTheLaws() {
    long met =
        IntStream.range(0, PAIRS)
            .parallel()
            .filter(i -> {
              SplittableRandom random = new SplittableRandom(20261130L + i);
              return Meetings.keepsTheLaws(Solid.random(random), Solid.random(random));
            })
            .count();
    assertThat(met).isGreaterThan(PAIRS / 3);
  }

  /** What is inside is told another way: by solid angles, at places all about. */
  @Test
  void whatIsInside_isWhatWasAskedFor_byAnotherReckoning() {
    long told =
        IntStream.range(0, PAIRS / 8)
            .parallel()
            .mapToLong(i -> {
              SplittableRandom random = new SplittableRandom(7L * i);
              return insideAsAsked(Solid.random(random), Solid.random(random), random);
            })
            .sum();
    assertThat(told).isGreaterThan(PAIRS);
  }

  private static long insideAsAsked(Solid a, Solid b, SplittableRandom random) {
    long told = 0;
    for (MeetWay way : List.of(MeetWay.JOIN, MeetWay.SUBTRACT, MeetWay.COMMON)) {
      Mesh mesh = a.with(b).mesh();
      Outcome outcome = apply(mesh, List.of(0), a.faces().size(), way);
      if (outcome instanceof Outcome.Refused) {
        continue;
      }
      for (int k = 0; k < 40; k++) {
        Vec3 p =
            new Vec3(random.nextDouble(-2, 4), random.nextDouble(-2, 4), random.nextDouble(-2, 4));
        Integer inA = Winding.of(a.mesh(), p);
        Integer inB = Winding.of(b.mesh(), p);
        Integer now = Winding.of(mesh, p);
        if (inA != null && inB != null && now != null) {
          boolean wanted =
              switch (way) {
                case JOIN -> inA + inB > 0;
                case COMMON -> inA * inB > 0;
                default -> inA > 0 && inB == 0;
              };
          assertThat(now).as("%s at %s", way, p).isEqualTo(wanted ? 1 : 0);
          told++;
        }
      }
    }
    return told;
  }

  private static Outcome apply(Mesh mesh, List<Integer> first, int second, MeetWay way) {
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    return workpiece.apply(Forming.MeetChange.of(first, List.of(second), way));
  }

  /**
   * Ten parts one after the other, each brought in and joined or taken away. A form that was
   * rounded often may come to pass through itself by a hair; then a step is refused, and nothing is
   * lost.
   */
  @Test
  void chainsOfTen_stayClosed_andKeepTheirVolume() {
    List<Chain> chains =
        IntStream.range(0, Math.max(20, PAIRS / 100))
            .parallel()
            .mapToObj(i -> new Chain(new SplittableRandom(31L * i)).run())
            .toList();
    int made = chains.stream().mapToInt(c -> c.made).sum();
    int refused = chains.stream().mapToInt(c -> c.refused).sum();
    assertThat(made).isGreaterThan(5 * chains.size());
    assertThat(refused).isLessThanOrEqualTo(made / 20);
  }

  private static final class Chain {
    private final SplittableRandom random;
    private final Mesh mesh = Solid.box(new Vec3(-1, -1, 0), new Vec3(4, 4, 2)).mesh();
    private final Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    private int made;
    private int refused;

    Chain(SplittableRandom random) {
      this.random = random;
    }

    Chain run() {
      for (int k = 0; k < 10; k++) {
        step(Solid.random(random).turned(7 * k).moved(new Vec3(0.1 * k, 0.05 * k, 0)));
      }
      return this;
    }

    private void step(Solid next) {
      double before = Meetings.volume(mesh);
      byte[] bytes = MeshBytes.write(mesh);
      int first = mesh.faceEnd();
      workpiece.apply(new Forming.BringInChange(next.obj(), "", Vec3.ZERO, 1));
      boolean joins = random.nextBoolean();
      double common = 0;
      if (meet(first, MeetWay.COMMON)) {
        common = Meetings.volume(mesh);
        workpiece.undo();
      }
      if (!meet(first, joins ? MeetWay.JOIN : MeetWay.SUBTRACT)) {
        workpiece.undo();
        assertThat(MeshBytes.write(mesh)).isEqualTo(bytes);
        return;
      }
      made++;
      Meetings.assertSolid(mesh, "a step");
      double wanted = joins ? before + Meetings.volume(next.mesh()) - common : before - common;
      assertThat(Meetings.volume(mesh)).isCloseTo(wanted, within(1e-9));
    }

    private boolean meet(int first, MeetWay way) {
      Outcome outcome = workpiece.apply(Forming.MeetChange.of(List.of(), List.of(first), way));
      if (outcome instanceof Outcome.Refused r) {
        String reason = r.refusal().reason();
        refused += reason.contains("othing") ? 0 : 1;
      }
      return outcome instanceof Outcome.Made;
    }
  }

  /**
   * Open, crowded, wound against itself, flat, doubled: lines, or a reason; never a broken mesh.
   */
  @Test
  void filth_isCutOrRefused_andNeverBreaksAMesh() {
    IntStream.range(0, PAIRS / 2)
        .parallel()
        .forEach(i -> {
          SplittableRandom random = new SplittableRandom(97L * i);
          Solid one = Solid.random(random).soiled(random);
          Solid two = Solid.random(random).soiled(random);
          Mesh mesh = one.with(two).mesh();
          byte[] before = MeshBytes.write(mesh);
          Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
          Outcome outcome =
              workpiece.apply(
                  new Forming.MeetChange(
                      random.nextBoolean() ? List.of(0) : List.of(),
                      List.of(one.faces().size()),
                      null,
                      MeetWay.values()[random.nextInt(6)],
                      random.nextInt(2) * 0.01,
                      null,
                      random.nextBoolean() ? null : random.nextInt(2) * 1e-3,
                      random.nextInt(4) > 0 ? null : 0.01));
          assertThat(MeshCheck.faults(mesh)).as("pair %d", i).isEmpty();
          if (workpiece.stepCount() > 0) {
            assertThat(outcome).isInstanceOf(Outcome.Made.class);
            workpiece.undo();
          }
          assertThat(MeshBytes.write(mesh)).as("pair %d", i).isEqualTo(before);
        });
  }

  /** The same faces, in whatever order they were laid and wherever their rings begin. */
  @Test
  void theOrderOfFaces_hasNoSay() {
    for (int i = 0; i < 100; i++) {
      SplittableRandom random = new SplittableRandom(1009L * i);
      Solid a = Solid.random(random);
      Solid b = Solid.random(random);
      List<double[]> volumes = new ArrayList<>();
      for (Solid form : List.of(a, a.rolled(random))) {
        Mesh mesh = form.with(b).mesh();
        Outcome outcome = apply(mesh, List.of(0), a.faces().size(), MeetWay.SUBTRACT);
        volumes.add(
            outcome instanceof Outcome.Made
                ? new double[] {mesh.faceCount(), mesh.vertexCount(), Meetings.volume(mesh)}
                : new double[3]);
      }
      assertThat(volumes.get(1)).containsExactly(volumes.get(0), within(1e-9));
    }
  }
}
