package fairedge.core.step;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.cut.Scope;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.tidy.Cap;
import fairedge.core.tidy.Move;
import fairedge.core.tidy.Slide;
import fairedge.core.tidy.Weld;
import java.util.ArrayList;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.TreeMap;
import java.util.function.IntSupplier;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Thousands of random changes that clean up, good and bad, between cuts, on clean meshes and
 * filthy.
 */
class RandomTidyingTest {
  private static final int ROUNDS = 120;

  @ParameterizedTest
  @ValueSource(longs = {1, 2, 3, 4, 5, 6})
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
        Change change = randomChange(mesh, random, round % 3 == 0);
        byte[] before = MeshBytes.write(mesh);
        Outcome outcome = workpiece.apply(change);
        assertMesh(mesh).as("%s after %s", fixture.getKey(), change).isSound();
        if (outcome instanceof Outcome.Made) {
          changes.add(change);
          made.merge(change.getClass().getSimpleName(), 1, Integer::sum);
        } else {
          assertMesh(mesh).as("%s after %s", fixture.getKey(), change).hasBytes(before);
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

  static Change randomChange(Mesh mesh, SplittableRandom random, boolean cut) {
    IntSupplier vertex = () -> random.nextInt(mesh.vertexEnd());
    IntSupplier edge = () -> random.nextInt(mesh.edgeEnd());
    IntSupplier face = () -> random.nextInt(mesh.faceEnd());
    if (cut) {
      return Change.LoopsChange.of(edge.getAsInt(), random.nextDouble(0.2, 0.8));
    }
    int v = vertex.getAsInt();
    int e = edge.getAsInt();
    List<Integer> two = List.of(v, neighbour(mesh, v, random));
    Vec3 one = new Vec3(1, 1, 1);
    return switch (random.nextInt(16)) {
      case 0 -> new Tidying.LiftChange(List.of(e, edge.getAsInt()), List.of(), true);
      case 1 -> new Tidying.LiftChange(List.of(), List.of(v), random.nextBoolean());
      case 2 -> new Tidying.LiftChange(List.of(e), List.of(), true);
      case 3 -> new Tidying.DeleteChange(List.of(face.getAsInt()), List.of(), List.of());
      case 4 -> new Tidying.WeldChange(two, Weld.At.values()[random.nextInt(3)]);
      case 5 ->
          random.nextInt(8) == 0
              ? new Tidying.WeldNearChange(random.nextDouble(1e-3, 0.1), Scope.WHOLE)
              : new Tidying.WeldChange(List.of(v, vertex.getAsInt()), Weld.At.FIRST);
      case 6 -> new Tidying.CollapseChange(List.of(e));
      case 7 -> new Tidying.ConnectChange(List.of(v, vertex.getAsInt()), Scope.WHOLE);
      case 8 -> new Tidying.FaceChange(borders(mesh, random));
      case 9 ->
          new Tidying.CapChange(
              new Cap.Plan(null, borders(mesh, random).getFirst(), Cap.Form.GRID, 0, 0, 0, 0));
      case 10 ->
          new Tidying.CapChange(
              new Cap.Plan(
                  face.getAsInt(), null, Cap.Form.values()[random.nextInt(2)], 0, 0, 1, 0.5));
      case 11 -> new Tidying.TurnChange(List.of(e));
      case 12 -> new Tidying.SplitChange(List.of(e), 0.5);
      case 13 ->
          random.nextBoolean()
              ? new Tidying.FlipChange(List.of(face.getAsInt()))
              : new Tidying.UnifyChange(Scope.WHOLE);
      case 14 ->
          new Tidying.SlideChange(
              List.of(v), v, two.getLast(), 0.3, Slide.SlideBy.values()[random.nextInt(3)]);
      default ->
          random.nextBoolean()
              ? new Tidying.RelaxChange(two, 2, 0.5)
              : new Tidying.MoveChange(
                  two, new Move.Motion(new Vec3(0.01, 0, 0), 0.01, one, 5, one, null));
    };
  }

  private static int neighbour(Mesh mesh, int v, SplittableRandom random) {
    if (!mesh.hasVertex(v) || mesh.edgesAt(v).length == 0) {
      return 0;
    }
    int[] edges = mesh.edgesAt(v);
    return mesh.otherEnd(edges[random.nextInt(edges.length)], v);
  }

  private static List<Integer> borders(Mesh mesh, SplittableRandom random) {
    List<Integer> found = new ArrayList<>();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && mesh.uses(e) == 1) {
        found.add(e);
      }
    }
    if (found.isEmpty()) {
      return List.of(0);
    }
    int from = random.nextInt(found.size());
    return found.subList(from, Math.min(found.size(), from + 1 + random.nextInt(4)));
  }
}
