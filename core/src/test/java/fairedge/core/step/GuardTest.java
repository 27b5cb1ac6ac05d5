package fairedge.core.step;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.Seeds;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.props.HarbourProps;
import fairedge.core.tidy.Move;
import fairedge.core.work.Scope;
import java.util.BitSet;
import java.util.List;
import java.util.SplittableRandom;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;

/** Locked faces can't be cut, and held vertices stay, whatever is asked. */
class GuardTest {
  private static BitSet set(int... ids) {
    BitSet set = new BitSet();
    for (int id : ids) {
      set.set(id);
    }
    return set;
  }

  private static Mesh copy(Mesh mesh) {
    return MeshBytes.read(MeshBytes.write(mesh));
  }

  /** A grid of 3 by 1 squares of which some faces are locked, and some vertices held. */
  private static Workpiece strip(BitSet locked, BitSet held) {
    Mesh mesh = Meshes.grid(3, 1);
    Workpiece workpiece = new Workpiece(copy(mesh), Tolerance.of(mesh.bounds()));
    workpiece.guard(Guard.of(workpiece.mesh(), mesh, locked, held, workpiece.tolerance()));
    return workpiece;
  }

  private static Change across(Mesh mesh, int face) {
    // The ring through the side of a square that it shares with none.
    int[] ring = mesh.vertices(face);
    return Change.LoopsChange.of(mesh.findEdge(ring[0], ring[1]), 0.5);
  }

  @Test
  void lockedFace_isNotCut_andSaysWhichItIs() {
    Workpiece workpiece = strip(set(1), set());
    byte[] before = MeshBytes.write(workpiece.mesh());
    Mesh mesh = workpiece.mesh();
    int[] ring = mesh.vertices(1);
    for (int k = 0; k < 2; k++) {
      Outcome outcome =
          workpiece.apply(Change.LoopsChange.of(mesh.findEdge(ring[k], ring[k + 1]), 0.5));
      assertThat(outcome).isInstanceOf(Outcome.Refused.class);
      assertThat(((Outcome.Refused) outcome).refusal().element()).isEqualTo(Element.face(1));
      assertThat(((Outcome.Refused) outcome).refusal().reason()).contains("locks");
    }
    assertMesh(mesh).hasBytes(before);
  }

  @Test
  void neighbourIsCut_andMayAddACornerToALockedFace() {
    int most = 0;
    for (int k = 0; k < 2; k++) {
      Workpiece workpiece = strip(set(1), set());
      Mesh mesh = workpiece.mesh();
      int[] ring = mesh.vertices(0);
      int side = mesh.findEdge(ring[k], ring[k + 1]);
      Scope first = Scope.of(List.of(0));
      Outcome outcome =
          workpiece.apply(Change.LoopsChange.asked(side, null, 0.5, null, null, first));
      assertThat(outcome).isInstanceOf(Outcome.Made.class);
      most = Math.max(most, mesh.size(1));
    }
    assertThat(most).as("a corner on its side").isEqualTo(5);
  }

  @Test
  void heldVertex_staysWhereItIs_andIsNotRemoved() {
    Workpiece workpiece = strip(set(), set(0));
    Outcome moved =
        workpiece.apply(
            new Tidying.MoveChange(
                List.of(0),
                new Move.Motion(
                    new Vec3(0.1, 0, 0), 0, new Vec3(0, 0, 1), 0, new Vec3(1, 1, 1), null)));
    assertThat(moved).isInstanceOf(Outcome.Refused.class);
    Outcome gone = workpiece.apply(new Tidying.DeleteChange(List.of(0), List.of(), List.of()));
    assertThat(gone).isInstanceOf(Outcome.Refused.class);
    assertThat(workpiece.mesh().faceCount()).isEqualTo(3);
  }

  @Test
  void whatWasCutBefore_isNotGuarded_andStepsAreMadeAgain() {
    Mesh mesh = Meshes.grid(3, 1);
    Workpiece workpiece = new Workpiece(copy(mesh), Tolerance.of(mesh.bounds()));
    workpiece.apply(across(workpiece.mesh(), 0));
    workpiece.undo();
    workpiece.guard(Guard.of(workpiece.mesh(), mesh, set(0, 1, 2), set(), workpiece.tolerance()));
    workpiece.redo();
    Guard later = Guard.of(workpiece.mesh(), mesh, set(0, 1, 2), set(), workpiece.tolerance());
    assertThat(later.locked().cardinality()).isLessThan(3);
  }

  @ParameterizedTest
  @Seeds
  void randomChanges_neverAlterWhatIsGuarded(long seed) {
    Mesh starter = HarbourProps.mooringBollard();
    Workpiece workpiece = new Workpiece(copy(starter), Tolerance.of(starter.bounds()));
    SplittableRandom random = new SplittableRandom(seed);
    BitSet locked = new BitSet();
    BitSet held = new BitSet();
    for (int f = 0; f < starter.faceEnd(); f += 3) {
      locked.set(f);
    }
    for (int v = 0; v < starter.vertexEnd(); v += 5) {
      held.set(v);
    }
    workpiece.guard(Guard.of(workpiece.mesh(), starter, locked, held, workpiece.tolerance()));
    int made = 0;
    int refused = 0;
    for (int round = 0; round < 6 * RandomChanges.KINDS; round++) {
      byte[] before = MeshBytes.write(workpiece.mesh());
      Change change =
          RandomChanges.of(round, workpiece.mesh(), random, workpiece.tolerance().scale());
      if (workpiece.apply(change) instanceof Outcome.Refused) {
        refused++;
        assertMesh(workpiece.mesh()).hasBytes(before);
      } else {
        made++;
      }
      Guard now = Guard.of(workpiece.mesh(), starter, locked, held, workpiece.tolerance());
      assertThat(now.locked()).as("%d: %s", round, change).isEqualTo(locked);
      held.stream()
          .forEach(v -> assertThat(workpiece.mesh().position(v)).isEqualTo(starter.position(v)));
    }
    assertThat(made).isPositive();
    assertThat(refused).isPositive();
  }
}
