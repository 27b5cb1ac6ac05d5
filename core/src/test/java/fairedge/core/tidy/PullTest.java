package fairedge.core.tidy;

import static fairedge.core.Changes.made;
import static fairedge.core.Changes.refused;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.near.PlaceTree;
import fairedge.core.step.Tidying.MoveChange;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;

class PullTest {
  private static final Vec3 ONE = new Vec3(1, 1, 1);
  private static final Move.Motion UP =
      new Move.Motion(new Vec3(0, 0, 1), 0, new Vec3(0, 0, 1), 0, ONE, null);

  @Test
  void throughTheAir_eachGoesByHowNearItLies() {
    Mesh grid = Meshes.grid(4, 4);
    made(grid, new MoveChange(List.of(12), UP, new Move.Pull(2, false)));
    assertThat(grid.position(12).z()).isEqualTo(1);
    assertThat(grid.position(13).z()).isCloseTo(0.75 * 0.75, within(1e-15));
    assertThat(grid.position(18).z()).isCloseTo(0.5 * 0.5, within(1e-12));
    assertThat(grid.position(14).z()).isZero();
    assertThat(grid.position(0).z()).isZero();
  }

  /** Two sheets close to each other, joined far away: over the surface the other one stays. */
  @Test
  void overTheSurface_whatLiesAcrossAGapStays() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 9; i++) {
      for (int row = 0; row < 2; row++) {
        double x = i < 5 ? i : 8 - i;
        double z = i < 4 ? 0 : i == 4 ? 0.1 : 0.2;
        b.vertex(x, row, z);
      }
    }
    for (int i = 0; i < 8; i++) {
      b.face(2 * i, 2 * i + 2, 2 * i + 3, 2 * i + 1);
    }
    Mesh air = b.build();
    Mesh over = air.copy();
    made(air, new MoveChange(List.of(0, 1), UP, new Move.Pull(1.5, false)));
    made(over, new MoveChange(List.of(0, 1), UP, new Move.Pull(1.5, true)));
    assertThat(air.position(16).z()).isGreaterThan(1);
    assertThat(over.position(16).z()).isEqualTo(0.2);
    double share = 1 - 1 / 2.25;
    assertThat(over.position(2).z()).isCloseTo(share * share, within(1e-12));
  }

  @Test
  void aTurn_turnsWhatIsPulledByAShareOfTheAngle() {
    Mesh grid = Meshes.grid(4, 4);
    Move.Motion turn = new Move.Motion(Vec3.ZERO, 0, new Vec3(0, 0, 1), 90, ONE, new Vec3(0, 0, 0));
    made(grid, new MoveChange(List.of(12), turn, new Move.Pull(2, false)));
    assertThat(grid.position(12).distance(new Vec3(-2, 2, 0))).isLessThan(1e-12);
    Vec3 pulled = new Vec3(3, 2, 0).turned(new Vec3(0, 0, 1), 90 * 0.5625);
    assertThat(grid.position(13).distance(pulled)).isLessThan(1e-12);
  }

  @Test
  void aReachThatIsNone_isRefused() {
    for (double radius : new double[] {0, -1, Double.NaN, Double.POSITIVE_INFINITY}) {
      MoveChange change = new MoveChange(List.of(0), UP, new Move.Pull(radius, true));
      assertThat(refused(Meshes.grid(2, 2), change).reason()).contains("reach");
    }
  }

  @Test
  void theNearestOfManyPlaces_isThatOfALookAtAll() {
    SplittableRandom random = new SplittableRandom(7);
    for (int count : new int[] {0, 1, 2, 5, 9, 100, 1000}) {
      List<Vec3> places =
          Stream.generate(() ->
                  new Vec3(
                      random.nextInt(9),
                      random.nextInt(9),
                      random.nextInt(3) * random.nextDouble()))
              .limit(count)
              .toList();
      PlaceTree tree = new PlaceTree(places);
      for (int i = 0; i < 200; i++) {
        Vec3 p = new Vec3(random.nextDouble(-2, 11), random.nextDouble(-2, 11), 1);
        double least =
            places.stream().mapToDouble(p::distance).min().orElse(Double.POSITIVE_INFINITY);
        assertThat(tree.nearest(p, 3))
            .isCloseTo(least < 3 ? least : Double.POSITIVE_INFINITY, within(1e-12));
      }
    }
  }
}
