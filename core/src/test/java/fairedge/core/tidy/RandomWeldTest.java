package fairedge.core.tidy;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.Seeds;
import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.RandomChanges;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import org.junit.jupiter.params.ParameterizedTest;

/** Welds and collapses of every size and order, on meshes with idle vertices in their edges. */
class RandomWeldTest {
  private static final int ROUNDS = 60;

  @ParameterizedTest
  @Seeds(4)
  void isMade_orRefused_andLeavesASoundMesh(long seed) {
    int made = 0;
    for (Map.Entry<String, Mesh> fixture : Meshes.all().entrySet()) {
      byte[] first = MeshBytes.write(fixture.getValue());
      SplittableRandom random = new SplittableRandom(seed);
      for (int round = 0; round < ROUNDS; round++) {
        Mesh mesh = MeshBytes.read(first);
        Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
        for (int i = random.nextInt(4); i > 0; i--) {
          int edge = random.nextInt(mesh.edgeEnd());
          workpiece.apply(new Tidying.SplitChange(List.of(edge), random.nextDouble(0.1, 0.9)));
        }
        for (int i = random.nextInt(1, 4); i > 0 && mesh.faceCount() > 0; i--) {
          Change change =
              random.nextBoolean()
                  ? RandomChanges.weld(mesh, random)
                  : RandomChanges.collapse(mesh, random);
          byte[] before = MeshBytes.write(mesh);
          Outcome outcome = workpiece.apply(change);
          assertMesh(mesh).as("%s after %s", fixture.getKey(), change).isSound();
          if (outcome instanceof Outcome.Refused) {
            assertMesh(mesh).hasBytes(before);
          } else {
            made++;
          }
        }
        while (workpiece.stepCount() > 0) {
          workpiece.undo();
        }
        assertMesh(mesh).hasBytes(first);
      }
    }
    assertThat(made).isGreaterThan(ROUNDS);
  }
}
