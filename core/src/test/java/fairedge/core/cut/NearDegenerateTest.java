package fairedge.core.cut;

import static fairedge.core.Changes.made;
import static fairedge.core.Changes.refused;
import static fairedge.core.MeshAssert.area;
import static fairedge.core.MeshAssert.assertMesh;
import static fairedge.core.MeshAssert.newell;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.step.Change;
import fairedge.core.step.Receipt;
import fairedge.core.work.Scope;
import fairedge.core.work.View;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import java.util.function.UnaryOperator;
import java.util.stream.DoubleStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/**
 * Cuts that run along vertices and edges, exactly and a little beside them, on models of every size
 * and far from the origin: within 1e-7 S a vertex is used, beyond it the cut runs beside it.
 */
class NearDegenerateTest {
  private static final View ABOVE = new View.Parallel(new Vec3(0, 0, -1));

  /** Where a model lies and how large it is. */
  enum World {
    PLAIN(1, 0),
    FAR(1, 1e6),
    TINY(1e-6, 0),
    HUGE(1e6, 0),
    /** With a vertex in no face, very far away: it counts in no tolerance. */
    LONE(1, 0);

    private final double scale;
    private final double shift;

    World(double scale, double shift) {
      this.scale = scale;
      this.shift = shift;
    }

    Vec3 at(double x, double y, double z) {
      return new Vec3(x, y, z).times(scale).plus(new Vec3(shift, -shift, shift));
    }

    Mesh place(Mesh mesh) {
      MeshBuilder b = new MeshBuilder();
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        Vec3 p = mesh.position(v);
        b.vertex(at(p.x(), p.y(), p.z()));
      }
      for (int f = 0; f < mesh.faceEnd(); f++) {
        b.face(mesh.vertices(f));
      }
      if (this == LONE) {
        b.vertex(1e9, -1e9, 1e9);
      }
      return b.build();
    }

    int extra() {
      return this == LONE ? 1 : 0;
    }
  }

  /** Every world with a cut exactly on, so near that it counts as on, and just beside. */
  static Stream<Arguments> nudges() {
    return Stream.of(World.values())
        .flatMap(world ->
            DoubleStream.of(0, 1e-12, -1e-9, 1e-9, 6e-8, 3e-7, 1e-6, 1e-3)
                .mapToObj(nudge -> Arguments.of(world, nudge)));
  }

  private static boolean isOn(double nudge) {
    return Math.abs(nudge) < 1e-7;
  }

  /** How far a nudge is on a mesh of the plain world, at which S is measured. */
  private static double length(Mesh plain, double nudge) {
    return nudge * Tolerance.of(plain.bounds()).scale();
  }

  @ParameterizedTest
  @MethodSource("nudges")
  void plane_throughTwoUprightEdgesOfACube(World world, double nudge) {
    double d = length(Meshes.cube(), nudge) * Math.sqrt(0.5);
    Mesh cube = world.place(Meshes.cube());
    Vec3 a = world.at(2 + d, d, 0);
    Vec3 b = world.at(d, 2 + d, 0);
    Vec3 c = world.at(2 + d, d, 2);
    PlaneBy plane =
        new PlaneBy.Through(
            List.of(new Anchor.OffModel(a), new Anchor.OffModel(b), new Anchor.OffModel(c)));
    double before = area(cube);
    made(cube, Change.StraightChange.of(plane, Straight.After.JOINED, Straight.Ends.OPEN));
    int[] counts = isOn(nudge) ? new int[] {8, 14, 8} : new int[] {12, 20, 10};
    assertMesh(cube).hasCounts(counts[0] + world.extra(), counts[1], counts[2]);
    assertThat(area(cube)).isCloseTo(before, within(before * 1e-9));
    assertThat(newell(cube).length()).isLessThan(before * 1e-9);
  }

  @ParameterizedTest
  @MethodSource("nudges")
  void trace_alongTheDiagonalOfASheet(World world, double nudge) {
    double d = Math.abs(length(Meshes.grid(4, 3), nudge) * Math.sqrt(2));
    if (isOn(nudge)) {
      d = Math.min(d, 0.9e-7 * 5);
    }
    Mesh grid = world.place(Meshes.grid(4, 3));
    Anchor from = new Anchor.OnEdge(grid.findEdge(0, 5), d);
    Anchor to = new Anchor.OnEdge(grid.findEdge(17, 18), 1 - d);
    double before = area(grid);
    made(
        grid,
        Change.TraceChange.of(List.of(new TracePoint(from, ABOVE), new TracePoint(to, ABOVE))));
    int[] counts = isOn(nudge) ? new int[] {20, 34, 15} : new int[] {26, 42, 17};
    assertMesh(grid).hasCounts(counts[0] + world.extra(), counts[1], counts[2]);
    assertThat(area(grid)).isCloseTo(before, within(before * 1e-9));
  }

  @ParameterizedTest
  @MethodSource("nudges")
  void rectangle_roundTwoQuadsOfASheet(World world, double nudge) {
    double d = Math.abs(length(Meshes.grid(4, 3), nudge));
    Mesh grid = world.place(Meshes.grid(4, 3));
    Change change =
        new Change.OutlineChange(
            new OutlineShape.Rectangle(),
            new Outline.Placement(
                world.at(2, 1.5, 1),
                new Vec3((1 + d) * world.scale, 0, 0),
                new Vec3(0, (0.5 + d) * world.scale, 0),
                ABOVE),
            Reach.FRONT,
            Scope.WHOLE);
    double before = area(grid);
    Receipt receipt = made(grid, change);
    assertThat(receipt.chosen().faces().stream().mapToDouble(f -> grid.polygon(f).area()).sum())
        .isCloseTo(before / 6, within(before * (1e-9 + 1.5 * d)));
    // Along edges that are there it changes nothing, and chooses what is inside.
    int[] counts = isOn(nudge) ? new int[] {20, 31, 12} : new int[] {34, 55, 22};
    assertMesh(grid).hasCounts(counts[0] + world.extra(), counts[1], counts[2]);
    assertThat(area(grid)).isCloseTo(before, within(before * 1e-9));
  }

  @ParameterizedTest
  @EnumSource(World.class)
  void loop_atAVertex_isRefused_andBesideItIsMade(World world) {
    Mesh grid = world.place(Meshes.grid(4, 3));
    int edge = grid.findEdge(0, 1);
    assertThat(refused(grid, Change.LoopsChange.of(edge, 1e-9)).element()).isNotNull();
    made(grid, Change.LoopsChange.of(edge, 1e-5));
    assertMesh(grid).hasCounts(24 + world.extra(), 38, 15);
  }

  /** Slivers: quads so many times longer than they are wide. */
  @ParameterizedTest
  @ValueSource(doubles = {1e2, 1e4, 1e6, 1e8})
  void slivers_areCutAcrossAndAlong(double slender) {
    MeshBuilder b = new MeshBuilder();
    Mesh plain = Meshes.grid(4, 3);
    for (int v = 0; v < plain.vertexEnd(); v++) {
      b.vertex(plain.position(v).x() / slender, plain.position(v).y(), 0);
    }
    for (int f = 0; f < plain.faceEnd(); f++) {
      b.face(plain.vertices(f));
    }
    Mesh grid = b.build();
    double before = area(grid);
    Change across =
        Change.StraightChange.of(
            new PlaneBy.Along(Axis.Y, 1.5), Straight.After.JOINED, Straight.Ends.OPEN);
    made(grid, across);
    assertMesh(grid).hasCounts(25, 40, 16);
    Change along = Change.LoopsChange.of(grid.findEdge(5, 6), 0.5);
    if (slender < 1e7) {
      made(grid, along);
      assertMesh(grid).hasCounts(30, 49, 20);
    } else {
      assertThat(refused(grid, along).element())
          .as("the edge is shorter than what merges")
          .isNotNull();
    }
    assertThat(area(grid)).isCloseTo(before, within(before * 1e-9));
  }

  private static Change outline(int sides, double y, double width, double height) {
    return new Change.OutlineChange(
        new OutlineShape.Regular(sides),
        new Outline.Placement(
            new Vec3(2, y, 1), new Vec3(width, 0, 0), new Vec3(0, height, 0), ABOVE),
        Reach.FRONT,
        Scope.WHOLE);
  }

  /** Cuts that lie the same on both sides of x = 2. */
  static Stream<Change> symmetricCuts() {
    return Stream.of(
        Change.StraightChange.of(
            new PlaneBy.Along(Axis.Y, 1.25), Straight.After.JOINED, Straight.Ends.OPEN),
        Change.TraceChange.of(
            Stream.of(0, 12, 4).map(v -> new TracePoint(new Anchor.OnVertex(v), ABOVE)).toList()),
        outline(16, 1.5, 0.7, 0.7),
        outline(4, 1.5, 1.5, 1),
        outline(12, 0.2, 1.1, 0.9),
        Change.LoopsChange.of(Meshes.grid(4, 3).findEdge(5, 10), 0.3));
  }

  @ParameterizedTest
  @MethodSource("symmetricCuts")
  void symmetricInput_givesSymmetricOutput(Change change) {
    Mesh grid = Meshes.grid(4, 3);
    made(grid, change);
    assertThat(shape(grid, p -> p)).isEqualTo(shape(grid, p -> new Vec3(4 - p.x(), p.y(), p.z())));
  }

  /** How many faces of how many sides have their middle where, after a motion. */
  private static Map<String, Integer> shape(Mesh mesh, UnaryOperator<Vec3> motion) {
    Map<String, Integer> shape = new TreeMap<>();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        Vec3 p = motion.apply(mesh.polygon(f).middle());
        String key = "%d at %.6f %.6f".formatted(mesh.size(f), p.x() + 1e-9, p.y() + 1e-9);
        shape.merge(key, 1, Integer::sum);
      }
    }
    return shape;
  }
}
