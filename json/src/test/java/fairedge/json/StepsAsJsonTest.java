package fairedge.json;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.Seeds;
import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.step.Change;
import fairedge.core.step.ChangeKind;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.RandomChanges;
import fairedge.core.step.Workpiece;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import org.junit.jupiter.params.ParameterizedTest;
import tools.jackson.databind.json.JsonMapper;

/** Thousands of random changes, of every kind in equal parts, kept as JSON. */
class StepsAsJsonTest {
  private static final int ROUNDS = 5 * RandomChanges.KINDS;
  private static final JsonMapper JSON = JsonMapper.builder().addModule(CoreJson.module()).build();

  @ParameterizedTest
  @Seeds
  void stepsReadFromTheirJson_giveTheLastBytes_andUndoneTheFirst(long seed) {
    Map<String, Integer> asked = new TreeMap<>();
    for (var fixture : Meshes.all().entrySet()) {
      Mesh mesh = fixture.getValue();
      byte[] first = MeshBytes.write(mesh);
      Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
      List<String> kept = cutAtRandom(workpiece, seed, fixture.getKey(), asked);
      byte[] last = MeshBytes.write(mesh);
      Workpiece again = new Workpiece(MeshBytes.read(first), workpiece.tolerance());
      kept.forEach(step -> again.apply(JSON.readValue(step, Change.class)));
      assertMesh(again.mesh()).as(fixture.getKey()).hasBytes(last);
      while (workpiece.stepCount() > 0) {
        workpiece.undo();
      }
      assertMesh(mesh).as(fixture.getKey()).isSound().hasBytes(first);
    }
    int all = ROUNDS * Meshes.all().size();
    assertThat(asked).as("of %d", all).hasSize(ChangeKind.values().length + 1);
    for (ChangeKind kind : ChangeKind.values()) {
      double share = kind.type().getEnclosingClass() == Forming.class ? 0.03 : 0.018;
      assertThat(asked.getOrDefault(kind.type().getSimpleName(), 0))
          .as("%s of %d", asked, all)
          .isGreaterThanOrEqualTo((int) (share * all));
    }
  }

  private static List<String> cutAtRandom(
      Workpiece workpiece, long seed, String name, Map<String, Integer> asked) {
    SplittableRandom random = new SplittableRandom(seed);
    Mesh mesh = workpiece.mesh();
    List<String> kept = new ArrayList<>();
    for (int round = 0; round < ROUNDS; round++) {
      // Not by turns alone: what comes before what changes with the seed.
      int kind = round + (int) seed * (round / RandomChanges.KINDS);
      Change change = RandomChanges.of(kind, mesh, random, workpiece.tolerance().scale());
      String json = JSON.writeValueAsString(change);
      assertThat(JSON.readValue(json, Change.class)).isEqualTo(change);
      byte[] before = MeshBytes.write(mesh);
      Outcome outcome = workpiece.apply(change);
      assertMesh(mesh).as("%s after %s", name, change).isSound();
      asked.merge(change.getClass().getSimpleName(), 1, Integer::sum);
      if (outcome instanceof Outcome.Made) {
        kept.add(json);
      } else {
        asked.merge("refused", 1, Integer::sum);
        assertMesh(mesh).as("%s after %s", name, change).hasBytes(before);
      }
    }
    return kept;
  }
}
