package fairedge.core.cut;

import static fairedge.core.Changes.made;
import static fairedge.core.Changes.refused;
import static fairedge.core.MeshAssert.area;
import static fairedge.core.MeshAssert.assertMesh;
import static fairedge.core.MeshAssert.newell;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.Voxels;
import fairedge.core.cut.Straight.After;
import fairedge.core.cut.Straight.Ends;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.step.Workpiece;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;

/** What a straight cut keeps where faces lie in its plane already. */
class PartingTest {
  private static Change at(double height, After after, Ends ends) {
    return Change.StraightChange.of(new PlaneBy.Along(Axis.Z, height), after, ends);
  }

  /** A block of three by three by two, its lid and its floor of nine faces each. */
  private static Voxels block() {
    return Voxels.of(3, 3, 2, (x, y, z) -> true);
  }

  @Test
  void endGridInThePlane_staysWhole() {
    Voxels two = block();
    Mesh mesh = two.mesh();
    assertThat(refused(mesh, at(2, After.KEEP_BEHIND, Ends.OPEN)).reason())
        .isEqualTo("All of the model lies on one side of the plane.");
    made(mesh, at(1, After.KEEP_BEHIND, Ends.FACES));
    assertMesh(mesh).hasEuler(2).hasCounts(16 + 12, 48, 9 + 12 + 1);
    assertThat(area(mesh)).isCloseTo(9 + 9 + 12, within(1e-12));
  }

  /** At the height of the lower step: no fin is left without thickness. */
  @ParameterizedTest
  @CsvSource({"KEEP_AHEAD, 1, 6", "KEEP_BEHIND, 2, 10", "APART, 3, 16"})
  void stepInThePlane_belongsToWhatLiesUnderIt(After after, double volume, double surface) {
    Mesh mesh = Voxels.of(2, 1, 2, (x, y, z) -> z == 0 || x == 0).mesh();
    made(mesh, at(1, after, Ends.FACES));
    assertSolid(mesh, volume, surface);
  }

  /** At the floor of its slot: nothing lies twice between the arms. */
  @ParameterizedTest
  @CsvSource({"KEEP_AHEAD, 2, 12", "KEEP_BEHIND, 3, 14", "APART, 5, 26"})
  void floorOfASlot_belongsToWhatLiesUnderIt(After after, double volume, double surface) {
    Mesh mesh = Voxels.of(3, 1, 2, (x, y, z) -> z == 0 || x != 1).mesh();
    made(mesh, at(1, after, Ends.FACES));
    assertSolid(mesh, volume, surface);
  }

  /** A pit, of whose floor all neighbours are ahead. */
  @ParameterizedTest
  @CsvSource({"KEEP_AHEAD, 8, 32", "KEEP_BEHIND, 9, 30", "APART, 17, 62"})
  void floorOfAPit_belongsToWhatLiesUnderIt(After after, double volume, double surface) {
    Mesh mesh = Voxels.of(3, 3, 2, (x, y, z) -> z == 0 || x != 1 || y != 1).mesh();
    made(mesh, at(1, after, Ends.FACES));
    assertSolid(mesh, volume, surface);
  }

  private static void assertSolid(Mesh mesh, double volume, double surface) {
    assertThat(Voxels.volume(mesh)).isCloseTo(volume, within(1e-9));
    assertThat(area(mesh)).isCloseTo(surface, within(1e-9));
    assertThat(newell(mesh).length()).isLessThan(1e-12);
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      assertThat(!mesh.hasEdge(e) || mesh.isTwoSided(e)).as("edge %d", e).isTrue();
    }
  }

  /** A wall between two rooms: there is something of its part on either side. */
  @ParameterizedTest
  @EnumSource(names = {"KEEP_AHEAD", "KEEP_BEHIND", "APART"})
  void wallBetweenTwoRooms_closesWhatIsKept_andIsDoubledWhereBothAre(After after) {
    Mesh mesh = rooms();
    made(mesh, at(1, after, Ends.FACES));
    assertSolid(mesh, after == After.APART ? 2 : 1, after == After.APART ? 12 : 6);
  }

  /** Two cubes, one upon the other, and one face between them. */
  private static Mesh rooms() {
    MeshBuilder b = new MeshBuilder();
    for (int z = 0; z < 3; z++) {
      b.vertex(0, 0, z);
      b.vertex(1, 0, z);
      b.vertex(1, 1, z);
      b.vertex(0, 1, z);
    }
    b.face(3, 2, 1, 0);
    b.face(4, 5, 6, 7);
    b.face(8, 9, 10, 11);
    for (int z = 0; z < 8; z += 4) {
      for (int i = 0; i < 4; i++) {
        int j = (i + 1) % 4;
        b.face(z + i, z + j, z + 4 + j, z + 4 + i);
      }
    }
    return b.build();
  }

  @Test
  void sheetThatLiesInThePlane_withAWingOnEitherSide_goesWithEach() {
    MeshBuilder b = new MeshBuilder();
    for (double[] at : new double[][] {{-1, -1}, {0, 0}, {1, 0}, {2, 1}}) {
      b.vertex(at[0], 0, at[1]);
      b.vertex(at[0], 1, at[1]);
    }
    for (int i = 0; i < 3; i++) {
      b.face(2 * i, 2 * i + 2, 2 * i + 3, 2 * i + 1);
    }
    Mesh ahead = b.build();
    Mesh apart = ahead.copy();
    made(ahead, at(0, After.KEEP_AHEAD, Ends.OPEN));
    assertMesh(ahead).hasCounts(6, 7, 2);
    made(apart, at(0, After.APART, Ends.OPEN));
    assertMesh(apart).hasCounts(12, 14, 4);
  }

  /** Whatever a solid of little cubes looks like, and wherever it is cut. */
  @ParameterizedTest
  @CsvSource({"1, 2000", "2, 2000"})
  void randomSolids_partIntoWhatLiesOnEachSide(long seed, int rounds) {
    SplittableRandom random = new SplittableRandom(seed);
    int parted = 0;
    int withQuads = 0;
    for (int round = 0; round < rounds; round++) {
      double filled = random.nextDouble(0.4, 0.95);
      Voxels solid = Voxels.of(3, 3, 4, (x, y, z) -> random.nextDouble() < filled);
      if (!solid.isManifold()) {
        continue;
      }
      int half = random.nextInt(1, 8);
      After after = After.values()[1 + random.nextInt(3)];
      Ends ends = random.nextBoolean() ? Ends.FACES : Ends.QUADS;
      Mesh mesh = solid.mesh();
      Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
      Outcome outcome = workpiece.apply(at(half / 2.0, after, ends));
      Voxels above = solid.halved((x, y, z) -> z >= half);
      Voxels below = solid.halved((x, y, z) -> z < half);
      String what = "seed %d round %d %s %s at %d".formatted(seed, round, after, ends, half);
      if (outcome instanceof Outcome.Refused refused) {
        boolean isOneSided = above.count() == 0 || below.count() == 0;
        assertThat(refused.refusal().reason().contains("one side")).as(what).isEqualTo(isOneSided);
        continue;
      }
      double volume = after == After.KEEP_BEHIND ? 0 : above.volume();
      double surface = after == After.KEEP_BEHIND ? 0 : above.surface();
      volume += after == After.KEEP_AHEAD ? 0 : below.volume();
      surface += after == After.KEEP_AHEAD ? 0 : below.surface();
      assertMesh(mesh).as(what).isSound();
      assertThat(Voxels.volume(mesh)).as(what).isCloseTo(volume, within(1e-9));
      assertThat(area(mesh)).as(what).isCloseTo(surface, within(1e-9));
      parted++;
      withQuads += ends == Ends.QUADS ? 1 : 0;
    }
    assertThat(parted).isGreaterThan(rounds / 10);
    assertThat(withQuads).isGreaterThan(rounds / 50);
  }

  @Test
  void closingAnOpenSheet_saysThatThereIsNothingToClose() {
    Mesh sheet = Meshes.grid(3, 3);
    Receipt receipt =
        made(
            sheet,
            Change.StraightChange.of(new PlaneBy.Along(Axis.X, 1.5), After.KEEP_AHEAD, Ends.FACES));
    assertThat(receipt.remarks())
        .anySatisfy(r -> assertThat(r.text()).contains("nothing is closed"));
    Mesh cube = Meshes.cube();
    assertThat(made(cube, at(1, After.KEEP_AHEAD, Ends.FACES)).remarks()).isEmpty();
  }
}
