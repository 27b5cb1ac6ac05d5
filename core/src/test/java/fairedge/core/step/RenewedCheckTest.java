package fairedge.core.step;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Changes;
import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Inspector.Inspected;
import fairedge.core.inspect.Kind;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Since;
import fairedge.core.inspect.Starter;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import java.util.Arrays;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.UnaryOperator;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** After every step, looking again only near to what it touched finds what looking at all finds. */
class RenewedCheckTest {
  private static final int ROUNDS = 25;
  private static final Set<Kind> DEAR = EnumSet.of(Kind.CROSSING, Kind.DOUBLE, Kind.TOUCHING);

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3})
  void renewedReport_isTheWholeReport_afterEveryStepAndUndo(long seed) {
    Set<Kind> seen = EnumSet.noneOf(Kind.class);
    Map<String, Mesh> fixtures = Meshes.all();
    fixtures.put("heap", heap());
    for (var fixture : fixtures.entrySet()) {
      Mesh mesh = fixture.getValue();
      Tolerance tolerance = Tolerance.of(mesh.bounds());
      Mesh first = MeshBytes.read(MeshBytes.write(mesh));
      Inspector inspector =
          new Inspector(Profile.ALL_QUADS, tolerance, new Starter(first, tolerance.flat()));
      Workpiece workpiece = new Workpiece(mesh, tolerance);
      SplittableRandom random = new SplittableRandom(seed);
      Inspected last = inspector.inspect(mesh, List.of(), null);
      for (int round = 0; round < ROUNDS; round++) {
        Inspected before = last;
        Change change = RandomChanges.of(round, mesh, random, tolerance.scale());
        workpiece.preview(
            change,
            Changes.SOMEWHERE,
            (tried, outcome, touched) ->
                renewed(inspector, workpiece, before, touched, fixture.getKey() + " " + change));
        int steps = workpiece.stepCount();
        workpiece.apply(change);
        ElementSet touched = new ElementSet();
        if (workpiece.stepCount() > steps) {
          touched = workpiece.lastTouched().orElseThrow();
        } else if (round % 5 == 4 && steps > 0) {
          touched = workpiece.undo();
        }
        last = renewed(inspector, workpiece, last, touched, fixture.getKey() + " " + change);
        last.report().findings().forEach(f -> seen.add(f.finding().kind()));
      }
    }
    assertThat(seen).containsAll(DEAR);
  }

  /**
   * Four sheets, the others moved on: a second one shares places, a third touches, a last crosses.
   */
  private static Mesh heap() {
    MeshBuilder heap = new MeshBuilder();
    Mesh sheet = Meshes.grid(3, 2);
    List<UnaryOperator<Vec3>> places =
        List.of(
            p -> p,
            p -> p.plus(new Vec3(3, 0, 0)),
            p -> p.plus(new Vec3(0.5, 2, 0)),
            p -> new Vec3(p.x() + 0.25, 1.1, p.y() - 0.9));
    for (int i = 0; i < places.size(); i++) {
      int from = i * sheet.vertexCount();
      for (int v = 0; v < sheet.vertexCount(); v++) {
        Vec3 at = places.get(i).apply(sheet.position(v));
        heap.vertex(at.x(), at.y(), at.z());
      }
      for (int f = 0; f < sheet.faceCount(); f++) {
        heap.face(Arrays.stream(sheet.vertices(f)).map(v -> v + from).toArray());
      }
    }
    return heap.build();
  }

  private static Inspected renewed(
      Inspector inspector, Workpiece workpiece, Inspected before, ElementSet touched, String told) {
    Since since = new Since(before.recall(), touched, workpiece.near(touched, inspector.room()));
    Inspected renewed = inspector.inspect(workpiece.mesh(), List.of(), since);
    Report whole = inspector.inspect(workpiece.mesh());
    assertThat(renewed.report().findings()).as(told).isEqualTo(whole.findings());
    return renewed;
  }
}
