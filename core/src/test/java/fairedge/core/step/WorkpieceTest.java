package fairedge.core.step;

import static fairedge.core.MeshAssert.area;
import static fairedge.core.MeshAssert.assertMesh;
import static fairedge.core.MeshAssert.euler;
import static fairedge.core.MeshAssert.newell;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.Seeds;
import fairedge.core.cut.Anchor;
import fairedge.core.cut.TracePoint;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Attribute;
import fairedge.core.mesh.Label;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.props.HarbourProps;
import fairedge.core.work.View;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;

class WorkpieceTest {
  private static final int ROUNDS = 114;
  private static final View FRONT = new View.Perspective(new Vec3(900, -1400, 700));

  private static Workpiece of(Mesh mesh) {
    return new Workpiece(mesh, Tolerance.of(mesh.bounds()));
  }

  private static Mesh copy(Mesh mesh) {
    return MeshBytes.read(MeshBytes.write(mesh));
  }

  @Test
  void preview_saysWhatTheStepThenDoes_andLeavesTheMesh() {
    Mesh bollard = HarbourProps.mooringBollard();
    byte[] before = MeshBytes.write(bollard);
    Workpiece workpiece = of(bollard);
    Change loop = Change.LoopsChange.of(bollard.findEdge(36, 48), 0.5);
    Preview<byte[]> preview = workpiece.preview(loop, FRONT, (m, o) -> MeshBytes.write(m));
    assertMesh(bollard).hasBytes(before);
    assertThat(preview.effect().sentence())
        .isEqualTo("Splits 6 quads in front and 6 behind. Adds 12 vertices.");
    Outcome outcome = workpiece.apply(loop);
    assertThat(outcome).isEqualTo(preview.outcome());
    assertMesh(bollard).isSound().hasBytes(preview.seen());
    assertThat(workpiece.stepCount()).isEqualTo(1);
  }

  @Test
  void undo_givesTheBytesBefore_andThenThereIsNothingLeft() {
    Mesh lid = HarbourProps.hatchLid();
    byte[] before = MeshBytes.write(lid);
    Workpiece workpiece = of(lid);
    workpiece.apply(trace(lid, new Anchor.OnVertex(16), new Anchor.OnVertex(24)));
    assertThat(workpiece.lastTouched().orElseThrow().faces().cardinality()).isEqualTo(2);
    workpiece.undo();
    assertMesh(lid).isSound().hasBytes(before);
    assertThatIllegalStateException().isThrownBy(workpiece::undo);
  }

  private static Change trace(Mesh mesh, Anchor... anchors) {
    View above = new View.Parallel(new Vec3(0, 0, -1));
    return Change.TraceChange.of(
        List.of(anchors).stream().map(a -> new TracePoint(a, above)).toList());
  }

  @Test
  void refusedChange_isNoStep() {
    Mesh lid = HarbourProps.hatchLid();
    Workpiece workpiece = of(lid);
    Preview<Integer> preview =
        workpiece.preview(Change.LoopsChange.of(9999, 0.5), FRONT, (m, o) -> m.faceCount());
    assertThat(preview.outcome()).isInstanceOf(Outcome.Refused.class);
    assertThat(preview.effect().sentence()).isEqualTo("Changes nothing.");
    assertThat(workpiece.apply(Change.LoopsChange.of(9999, 0.5)))
        .isInstanceOf(Outcome.Refused.class);
    assertThat(workpiece.stepCount()).isZero();
  }

  @Test
  void fullLid_isCutIntoQuads_byThreeTracesEachWay() {
    Mesh lid = HarbourProps.hatchLid();
    Workpiece workpiece = of(lid);
    // The top's corners are 16 to 31; its grid has corners 16, 20, 24, 28.
    for (int k = 1; k <= 3; k++) {
      made(workpiece, trace(lid, new Anchor.OnVertex(16 + k), new Anchor.OnVertex(28 - k)));
    }
    for (int k = 1; k <= 3; k++) {
      made(
          workpiece,
          trace(lid, new Anchor.OnVertex(20 + k), new Anchor.OnVertex(16 + (16 - k) % 16)));
    }
    assertMesh(lid).isSound().hasEuler(2).hasFacesOfSides(4, 32).hasFacesOfSides(16, 1);
  }

  private static Receipt made(Workpiece workpiece, Change change) {
    Outcome outcome = workpiece.apply(change);
    assertThat(outcome).isInstanceOf(Outcome.Made.class);
    return ((Outcome.Made) outcome).receipt();
  }

  /**
   * Over ten thousand random traces and loops in all, good and bad, on meshes clean and filthy: the
   * laws of every cut.
   */
  @ParameterizedTest
  @Seeds
  void randomSteps_keepTheLaws_undoAndReplayByteForByte(long seed) {
    Map<String, Integer> kinds = new TreeMap<>();
    for (var fixture : Meshes.all().entrySet()) {
      Mesh mesh = fixture.getValue();
      Mesh again = copy(mesh);
      byte[] first = MeshBytes.write(mesh);
      double area = area(mesh);
      int euler = euler(mesh);
      Vec3 newell = newell(mesh);
      SplittableRandom random = new SplittableRandom(seed);
      Workpiece workpiece = of(mesh);
      double scale = workpiece.tolerance().scale();
      List<Change> made = new ArrayList<>();
      for (int round = 0; round < ROUNDS; round++) {
        Change change = RandomChanges.cut(mesh, random, scale);
        byte[] before = MeshBytes.write(mesh);
        Outcome outcome = workpiece.apply(change);
        assertMesh(mesh).as("%s after %s", fixture.getKey(), change).isSound();
        boolean refused = outcome instanceof Outcome.Refused;
        kinds.merge(refused ? "refused" : change.getClass().getSimpleName(), 1, Integer::sum);
        if (outcome instanceof Outcome.Made) {
          made.add(change);
        } else {
          assertMesh(mesh).hasBytes(before);
        }
      }
      assertThat(euler(mesh)).as(fixture.getKey()).isEqualTo(euler);
      assertThat(newell(mesh).distance(newell)).isLessThan(1e-9 * scale * scale);
      if (!fixture.getKey().equals("moebius")) {
        assertThat(area(mesh)).isCloseTo(area, within(1e-9 * scale * scale));
      }
      assertMesh(replayed(again, made, workpiece.tolerance())).hasBytes(MeshBytes.write(mesh));
      byte[] last = MeshBytes.write(mesh);
      takeAllBack(workpiece);
      assertMesh(mesh).hasBytes(first);
      for (int i = 0; i < made.size(); i++) {
        if (i % 3 == 0) {
          workpiece.preview(RandomChanges.cut(mesh, random, scale), FRONT, (m, o) -> m.faceCount());
        }
        // One that changes nothing was no step.
        if (workpiece.canRedo()) {
          workpiece.redo();
        }
      }
      assertMesh(mesh).isSound().hasBytes(last);
      takeAllBack(workpiece);
      assertMesh(mesh).hasBytes(first);
    }
    int all = ROUNDS * Meshes.all().size();
    assertThat(kinds).as("of %d", all).hasSize(5);
    assertThat(kinds.values()).as("%s of %d", kinds, all).allMatch(n -> n > all / 20);
  }

  private static void takeAllBack(Workpiece workpiece) {
    while (workpiece.stepCount() > 0) {
      workpiece.undo();
      assertMesh(workpiece.mesh()).isSound();
    }
  }

  @Test
  void redo_isGoneAfterAnotherStep() {
    Mesh lid = HarbourProps.hatchLid();
    Workpiece workpiece = of(lid);
    assertThatIllegalStateException().isThrownBy(workpiece::redo);
    workpiece.apply(trace(lid, new Anchor.OnVertex(16), new Anchor.OnVertex(24)));
    byte[] after = MeshBytes.write(lid);
    workpiece.undo();
    assertThat(workpiece.redo().faces().cardinality()).isEqualTo(2);
    assertMesh(lid).hasBytes(after);
    workpiece.undo();
    workpiece.apply(trace(lid, new Anchor.OnVertex(17), new Anchor.OnVertex(25)));
    assertThat(workpiece.canRedo()).isFalse();
  }

  @ParameterizedTest
  @Seeds
  void randomSteps_carryTextureAndLabelsAlong(long seed) {
    Mesh mesh = Meshes.charted(4, 3);
    int bare = mesh.faceEnd() - 1;
    SplittableRandom random = new SplittableRandom(seed);
    Workpiece workpiece = of(mesh);
    for (int round = 0; round < 150; round++) {
      workpiece.apply(RandomChanges.cut(mesh, random, workpiece.tolerance().scale()));
    }
    assertThat(mesh.faceCount()).isGreaterThan(40);
    for (int f = 0; f < mesh.faceEnd(); f++) {
      Vec3 middle = mesh.polygon(f).middle();
      boolean isBare = middle.x() > 3 && middle.y() > 2;
      Label label = mesh.labels().get(mesh.labelOf(f));
      int column = (int) middle.x() % 2;
      assertThat(label.group()).isEqualTo(isBare ? "" : "column " + column);
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--) {
        assertCarried(mesh, c, isBare, column);
        c = mesh.next(c);
      }
    }
    assertThat(mesh.hasFace(bare)).isTrue();
  }

  private static void assertCarried(Mesh mesh, int c, boolean isBare, int column) {
    int value = mesh.valueAt(Attribute.TEXTURE, c);
    assertThat(value == Mesh.NONE).isEqualTo(isBare);
    if (!isBare) {
      Vec3 at = mesh.position(mesh.vertexOf(c));
      Vec3 wanted = new Vec3(at.x() / 10 + column, at.y() / 10, 0);
      assertThat(mesh.value(Attribute.TEXTURE, value).distance(wanted)).isLessThan(1e-12);
    }
  }

  /**
   * Makes changes on the mesh, tried out first, and read from its bytes before each: no result may
   * depend on more than the bytes.
   */
  private static Mesh replayed(Mesh mesh, List<Change> changes, Tolerance tolerance) {
    Mesh now = mesh;
    for (Change change : changes) {
      now = copy(now);
      Workpiece workpiece = new Workpiece(now, tolerance);
      Preview<byte[]> preview = workpiece.preview(change, FRONT, (m, o) -> MeshBytes.write(m));
      assertThat(workpiece.apply(change)).isEqualTo(preview.outcome());
      assertMesh(now).hasBytes(preview.seen());
    }
    return now;
  }
}
