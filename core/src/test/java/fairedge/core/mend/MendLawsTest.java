package fairedge.core.mend;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.inspect.Severity;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.MeshCheck;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.concurrent.ConcurrentHashMap;
import java.util.concurrent.atomic.AtomicInteger;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

/**
 * Laws of mends on generated faulty meshes: each is checked by a whole inspection before and after.
 * {@code -Dfair-edge.mends=1000} asks for as many meshes.
 */
class MendLawsTest {
  private static final int MESHES = Integer.getInteger("fair-edge.mends", 120);

  /** How many findings were asked for, and for how many there was a mend. */
  private record Tally(AtomicInteger asked, AtomicInteger offered) {
    Tally() {
      this(new AtomicInteger(), new AtomicInteger());
    }
  }

  @Test
  void everyMend_curesItsFinding_bringsNothingAsBad_andLeavesNoTrace() {
    Map<String, Tally> kinds = new ConcurrentHashMap<>();
    IntStream.range(0, MESHES)
        .parallel()
        .forEach(i -> {
          SplittableRandom random = new SplittableRandom(20261130L + i);
          keepsTheLaws(Faults.faulty(random, 1 + i % 6), "mesh " + i, kinds);
        });
    int asked = kinds.values().stream().mapToInt(t -> t.asked().get()).sum();
    int offered = kinds.values().stream().mapToInt(t -> t.offered().get()).sum();
    System.out.println(
        new TreeMap<>(kinds)
            .entrySet().stream()
                .map(e -> e.getKey() + " " + e.getValue().offered() + "/" + e.getValue().asked())
                .collect(Collectors.joining(", ")));
    assertThat(offered).as("musts with a mend, of %d", asked).isGreaterThan((int) (0.95 * asked));
  }

  /** Whatever a mesh is like, every finding is answered, and the mesh stays as it was. */
  @Test
  void filth_isAnsweredToo() {
    Stream.concat(
            Meshes.all().values().stream(), IntStream.range(0, MESHES).mapToObj(MendLawsTest::soup))
        .parallel()
        .forEach(mesh -> {
          byte[] bytes = MeshBytes.write(mesh);
          Tolerance tolerance = Tolerance.of(mesh.bounds());
          Workpiece workpiece = new Workpiece(mesh, tolerance);
          State state = State.of(new Inspector(Profile.named("Smooth form"), tolerance), workpiece);
          Mender mender = new Mender(workpiece, state, List.of());
          for (Assessed found : state.report().findings()) {
            Offer offer = mender.of(found.finding());
            assertThat(offer.mends().isEmpty()).isEqualTo(!offer.reason().isEmpty());
          }
          assertThat(MeshBytes.write(mesh)).isEqualTo(bytes);
        });
  }

  /** Faces over vertices at random. */
  private static Mesh soup(int seed) {
    SplittableRandom random = new SplittableRandom(seed);
    MeshBuilder builder = new MeshBuilder();
    int vertices = 6 + random.nextInt(10);
    for (int v = 0; v < vertices; v++) {
      builder.vertex(random.nextInt(4), random.nextInt(4), random.nextInt(3));
    }
    for (int f = 0; f < 4 + random.nextInt(8); f++) {
      builder.face(random.ints(0, vertices).distinct().limit(3 + random.nextInt(4)).toArray());
    }
    return builder.build();
  }

  private static void keepsTheLaws(Faults.Faulty faulty, String name, Map<String, Tally> kinds) {
    Mesh mesh = faulty.mesh();
    Tolerance tolerance = Tolerance.of(mesh.bounds());
    Inspector inspector = new Inspector(faulty.profile(), tolerance);
    Workpiece workpiece = new Workpiece(mesh, tolerance);
    byte[] bytes = MeshBytes.write(mesh);
    State state = State.of(inspector, workpiece);
    Mender mender = new Mender(workpiece, state, List.of());
    for (Assessed target : state.report().findings()) {
      if (target.severity() == Severity.REMARK) {
        continue;
      }
      Offer offer = mender.of(target.finding());
      String kind = target.finding().kind().key();
      boolean counts =
          target.severity() == Severity.MUST && !kind.equals("crossing") && !kind.equals("folded");
      if (counts) {
        Tally tally = kinds.computeIfAbsent(kind, k -> new Tally());
        tally.asked().incrementAndGet();
        tally.offered().addAndGet(offer.mends().isEmpty() ? 0 : 1);
      }
      assertThat(offer.mends().isEmpty()).isEqualTo(!offer.reason().isEmpty());
      for (Mend mend : offer.mends()) {
        cures(mesh, tolerance, inspector, target, mend, name);
      }
      assertThat(MeshBytes.write(workpiece.mesh())).as(name).isEqualTo(bytes);
    }
  }

  private static void cures(
      Mesh mesh,
      Tolerance tolerance,
      Inspector inspector,
      Assessed target,
      Mend mend,
      String name) {
    String what = name + ", " + target.finding().key() + ": " + mend.does();
    Workpiece copy = new Workpiece(MeshBytes.read(MeshBytes.write(mesh)), tolerance);
    assertThat(copy.apply(mend.change())).as(what).isInstanceOf(Outcome.Made.class);
    assertThat(MeshCheck.faults(copy.mesh())).as(what).isEmpty();
    Report before = inspector.inspect(mesh);
    Report after = inspector.inspect(copy.mesh());
    assertThat(after.findings())
        .as(what)
        .noneMatch(a -> a.finding().key().equals(target.finding().key()));
    for (Severity severity : Severity.values()) {
      if (severity.compareTo(target.severity()) <= 0) {
        assertThat(after.count(severity))
            .as("%s: %s findings", what, severity)
            .isLessThanOrEqualTo(before.count(severity) - (severity == target.severity() ? 1 : 0));
      }
    }
  }
}
