package fairedge.core.mend;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Mending;
import fairedge.core.step.Outcome;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import java.util.List;
import java.util.Map;
import org.junit.jupiter.api.Test;

class MenderTest {
  private static final Profile SHEET = Profile.named("Open sheet");

  /** A mesh with what would mend it. */
  private record Bench(Workpiece workpiece, State state, Mender mender) {
    static Bench of(Mesh mesh, Profile profile) {
      Tolerance tolerance = Tolerance.of(mesh.bounds());
      Workpiece workpiece = new Workpiece(mesh, tolerance);
      State state = State.of(new Inspector(profile, tolerance), workpiece);
      return new Bench(workpiece, state, new Mender(workpiece, state, List.of()));
    }

    Offer offer(String kind) {
      Assessed found =
          state.report().findings().stream()
              .filter(a -> a.finding().kind().key().equals(kind))
              .findFirst()
              .orElseThrow();
      return mender.of(found.finding());
    }
  }

  @Test
  void aPair_isLifted_andNothingElseIsNeeded() {
    Offer offer = Bench.of(Meshes.gridWithPair(), SHEET).offer("triangle");
    Mend first = offer.mends().getFirst();
    assertThat(first.changes()).singleElement().isInstanceOf(Tidying.LiftChange.class);
    assertThat(first.does()).isEqualTo("Lift this edge: two triangles become one quad.");
    assertThat(first.cost().facesTaken()).isEqualTo(1);
    assertThat(first.cost().edgesTaken()).isEqualTo(1);
    assertThat(first.cost().found()).isZero();
    assertThat(first.cures()).hasSize(3);
    assertThat(offer.mends()).extracting(Mend::changes).doesNotHaveDuplicates();
  }

  /** Two triangles with quads between them: straight across it costs a face for each quad. */
  @Test
  void twoStrayTriangles_areJoinedByARoute() {
    Mesh mesh = strays(10);
    Bench bench = Bench.of(mesh, SHEET);
    byte[] before = MeshBytes.write(mesh);
    Mend route =
        bench.offer("triangle").mends().stream()
            .filter(m -> m.changes().getFirst() instanceof Mending.RouteChange)
            .findFirst()
            .orElseThrow();
    assertThat(route.cures()).anyMatch(key -> key.startsWith("triangle"));
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    assertThat(bench.workpiece().apply(route.change())).isInstanceOf(Outcome.Made.class);
    assertThat(bench.workpiece().stepCount()).isEqualTo(1);
    bench.workpiece().undo();
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
  }

  @Test
  void anEvenFace_isDividedWithoutNewVertices() {
    MeshBuilder builder = new MeshBuilder();
    for (int i = 0; i < 6; i++) {
      builder.vertex(Math.cos(i * Math.PI / 3), Math.sin(i * Math.PI / 3), 0);
    }
    builder.face(0, 1, 2, 3, 4, 5);
    Offer offer = Bench.of(builder.build(), SHEET).offer("ngon");
    assertThat(offer.mends()).hasSize(3);
    assertThat(offer.mends())
        .allSatisfy(m -> {
          assertThat(m.changes()).singleElement().isInstanceOf(Tidying.ConnectChange.class);
          assertThat(m.cost().verticesAdded()).isZero();
          assertThat(m.cost().facesAdded()).isEqualTo(1);
        });
  }

  @Test
  void anIdleVertex_isLifted_aHoleFilled_aFinDeleted_aFaceTurned() {
    assertThat(Bench.of(HarbourProps.capstan(), Profile.ALL_QUADS).offer("border").mends())
        .first()
        .extracting(Mend::does)
        .isEqualTo("Fill this hole with 4 by 4 quads.");
    assertThat(Bench.of(Meshes.crowded(), SHEET).offer("crowded-edge").mends()).isNotEmpty();
    assertThat(Bench.of(Meshes.bowTie(), SHEET).offer("bow-tie").mends()).isNotEmpty();
  }

  @Test
  void hiddenFaces_stayAsTheyAre() {
    Mesh mesh = Meshes.gridWithPair();
    Bench bench = Bench.of(mesh, SHEET);
    Assessed pair = bench.state().report().findings().getFirst();
    List<Integer> hidden = List.of(pair.finding().elements().getFirst().id());
    Offer offer = new Mender(bench.workpiece(), bench.state(), hidden).of(pair.finding());
    assertThat(offer.mends())
        .noneMatch(m -> m.changes().stream().anyMatch(Tidying.LiftChange.class::isInstance));
  }

  @Test
  void allLikeThis_isOneStep_andOneUndo() {
    Mesh mesh = paired(6, 4);
    byte[] before = MeshBytes.write(mesh);
    Bench bench = Bench.of(mesh, SHEET);
    Sweep sweep =
        Sweep.of(
            bench.workpiece(),
            bench.state(),
            List.of(),
            a -> a.finding().kind().key().equals("triangle"),
            (dealt, of) -> {});
    assertThat(sweep.mends()).isEqualTo(24);
    assertThat(sweep.left()).isEmpty();
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    Change change = sweep.change();
    assertThat(bench.workpiece().apply(change)).isInstanceOf(Outcome.Made.class);
    assertThat(mesh.faceCount()).isEqualTo(96);
    bench.workpiece().undo();
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
  }

  @Test
  void theSameMesh_givesTheSameList() {
    Mesh one = strays(10);
    Mesh other = MeshBytes.read(MeshBytes.write(one));
    assertThat(Bench.of(one, SHEET).offer("triangle"))
        .isEqualTo(Bench.of(other, SHEET).offer("triangle"));
  }

  @Test
  void whereNothingIsOffered_itIsSaidWhy() {
    Offer offer = Bench.of(Meshes.moebius(6), SHEET).offer("flipped");
    assertThat(offer.mends()).isEmpty();
    assertThat(offer.reason()).contains("one side only");
  }

  /** A sheet whose every quad is two triangles. */
  private static Mesh paired(int w, int h) {
    MeshBuilder builder = new MeshBuilder();
    Mesh grid = Meshes.grid(2 * w, 2 * h);
    for (int v = 0; v < grid.vertexEnd(); v++) {
      builder.vertex(grid.position(v));
    }
    for (int f = 0; f < grid.faceEnd(); f++) {
      int[] q = grid.vertices(f);
      if (f % (2 * w) % 2 == 0 && f / (2 * w) % 2 == 0) {
        builder.face(q[0], q[1], q[2]);
        builder.face(q[0], q[2], q[3]);
      } else {
        builder.face(q);
      }
    }
    return builder.build();
  }

  /** A strip of quads, three high, with a triangle far from another: two corners are cut off. */
  private static Mesh strays(int w) {
    Mesh grid = Meshes.grid(w, 5);
    MeshBuilder builder = new MeshBuilder();
    for (int v = 0; v < grid.vertexEnd(); v++) {
      builder.vertex(grid.position(v));
    }
    int row = 2 * w;
    Map<Integer, int[]> odd =
        Map.of(row + 1, new int[] {0, 1, 2}, row + w - 2, new int[] {0, 1, 3});
    for (int f = 0; f < grid.faceEnd(); f++) {
      int[] q = grid.vertices(f);
      int[] corners = odd.get(f);
      if (f == row || f == row + w - 1) {
        continue;
      }
      if (corners == null) {
        builder.face(q);
      } else if (corners[2] == 2) {
        int[] beside = grid.vertices(f - 1);
        builder.face(q[0], q[1], q[2]);
        builder.face(q[0], q[2], q[3], beside[3], beside[0]);
      } else {
        int[] beside = grid.vertices(f + 1);
        builder.face(q[0], q[1], q[3]);
        builder.face(q[1], beside[1], beside[2], q[2], q[3]);
      }
    }
    return builder.build();
  }
}
