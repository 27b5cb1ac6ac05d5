package fairedge.core.step;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.Seeds;
import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.subdivide.CatmullClark;
import fairedge.core.subdivide.Limit;
import fairedge.core.subdivide.Refined;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import org.junit.jupiter.params.ParameterizedTest;

/**
 * Thousands of random changes that clean up, good and bad, between cuts, on clean meshes and
 * filthy.
 */
class RandomTidyingTest {
  private static final int ROUNDS = 120;

  @ParameterizedTest
  @Seeds
  void everyChange_leavesASoundMesh_andCanBeTakenBackAndReplayed(long seed) {
    Map<String, Integer> made = new TreeMap<>();
    for (var fixture : Meshes.all().entrySet()) {
      Mesh mesh = fixture.getValue();
      byte[] first = MeshBytes.write(mesh);
      Tolerance tolerance = Tolerance.of(mesh.bounds());
      Workpiece workpiece = new Workpiece(mesh, tolerance);
      SplittableRandom random = new SplittableRandom(seed);
      List<Change> changes = new ArrayList<>();
      for (int round = 0; round < ROUNDS; round++) {
        Change change = RandomChanges.of(round, mesh, random, tolerance.scale());
        byte[] before = MeshBytes.write(mesh);
        Outcome outcome = workpiece.apply(change);
        assertMesh(mesh).as("%s after %s", fixture.getKey(), change).isSound();
        if (outcome instanceof Outcome.Made) {
          changes.add(change);
          made.merge(change.getClass().getSimpleName(), 1, Integer::sum);
        } else {
          assertMesh(mesh).as("%s after %s", fixture.getKey(), change).hasBytes(before);
        }
        if (round % 10 == 9) {
          subdivide(mesh, 1 + round / 10 % 3);
        }
      }
      byte[] last = MeshBytes.write(mesh);
      Mesh again = MeshBytes.read(first);
      Workpiece replay = new Workpiece(again, tolerance);
      changes.forEach(replay::apply);
      assertMesh(again).hasBytes(last);
      while (workpiece.stepCount() > 0) {
        workpiece.undo();
      }
      assertMesh(mesh).isSound().hasBytes(first);
    }
    assertThat(made.keySet()).as("%s", made).hasSizeGreaterThan(14);
  }

  private static void subdivide(Mesh mesh, int levels) {
    Refined refined = CatmullClark.refined(mesh, levels);
    assertMesh(refined.mesh()).isSound();
    Limit limit = refined.limit();
    for (int q = 0; q < refined.quadCount(); q++) {
      assertThat(limit.position(refined.vertex(q, 0)).isFinite()).isTrue();
    }
  }
}
