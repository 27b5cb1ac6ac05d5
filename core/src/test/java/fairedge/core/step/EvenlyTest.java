package fairedge.core.step;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.cut.Anchor;
import fairedge.core.cut.Outline;
import fairedge.core.cut.OutlineShape;
import fairedge.core.cut.PlaneBy;
import fairedge.core.cut.Reach;
import fairedge.core.cut.Straight;
import fairedge.core.cut.TracePoint;
import fairedge.core.cut.TraceRun;
import fairedge.core.form.Extrude;
import fairedge.core.form.Groove;
import fairedge.core.form.Inset;
import fairedge.core.form.MirrorBy;
import fairedge.core.form.Support;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.MeshCheck;
import fairedge.core.props.HarbourProps;
import fairedge.core.tidy.Move;
import fairedge.core.tidy.Slide;
import fairedge.core.tidy.Weld;
import fairedge.core.work.Scope;
import fairedge.core.work.View;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Changes made with their image: the form is as even after as before. */
class EvenlyTest {
  private static final View ABOVE = new View.Perspective(new Vec3(0.9, 0.8, 8));
  private static final Vec3 ONE = new Vec3(1, 1, 1);

  /** From 0 to 2; its image plane goes through its middle, square to x. */
  private final Mesh cube = Meshes.cube();

  private static Outcome evenly(Mesh mesh, double middle, Change change) {
    MirrorBy plane = new MirrorBy.AtOffset(Axis.X, middle);
    return new Workpiece(mesh, Tolerance.of(mesh.bounds()))
        .apply(new Forming.EvenChange(change, plane));
  }

  private Receipt made(Change change) {
    Outcome outcome = evenly(cube, 1, change);
    assertThat(outcome).isInstanceOf(Outcome.Made.class);
    assertThat(MeshCheck.faults(cube)).isEmpty();
    assertEven(cube, 1);
    return ((Outcome.Made) outcome).receipt();
  }

  private String refused(Change change) {
    byte[] before = MeshBytes.write(cube);
    Outcome outcome = evenly(cube, 1, change);
    assertThat(MeshBytes.write(cube)).isEqualTo(before);
    return ((Outcome.Refused) outcome).refusal().reason();
  }

  /** As many vertices lie at the image of a place as there, and every edge has an image. */
  private static void assertEven(Mesh mesh, double middle) {
    int[][] images = new int[mesh.vertexEnd()][];
    for (int v = 0; v < images.length; v++) {
      if (mesh.hasVertex(v)) {
        Vec3 p = mesh.position(v);
        images[v] = at(mesh, new Vec3(2 * middle - p.x(), p.y(), p.z()));
        assertThat(images[v]).as("the images of %s", p).hasSameSizeAs(at(mesh, p));
      }
    }
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e)) {
        int[] others = images[mesh.second(e)];
        assertThat(IntStream.of(images[mesh.first(e)]))
            .anyMatch(v -> IntStream.of(others).anyMatch(w -> mesh.findEdge(v, w) >= 0));
      }
    }
  }

  private static int[] at(Mesh mesh, Vec3 place) {
    double alike = 1e-6 * mesh.bounds().diagonal();
    return IntStream.range(0, mesh.vertexEnd())
        .filter(w -> mesh.hasVertex(w) && mesh.position(w).distance(place) <= alike)
        .toArray();
  }

  /** The face of the cube that looks in a direction. */
  private int face(double x, double y, double z) {
    return IntStream.range(0, cube.faceEnd())
        .filter(f -> cube.polygon(f).normal().dot(new Vec3(x, y, z)) > 0.9)
        .findFirst()
        .orElseThrow();
  }

  private int edge(Vec3 a, Vec3 b) {
    return cube.findEdge(vertex(a), vertex(b));
  }

  private int vertex(Vec3 p) {
    return IntStream.range(0, cube.vertexEnd())
        .filter(v -> cube.position(v).equals(p))
        .findFirst()
        .orElseThrow();
  }

  @Test
  void chosenElements_areTakenWithTheirImages() {
    made(
        new Forming.InsetChange(
            List.of(face(1, 0, 0)), false, new Inset.Margin(0.2, 0, false, true, false)));
    assertThat(cube.faceCount()).isEqualTo(6 + 8);
    made(
        new Forming.ExtrudeChange(
            List.of(face(-1, 0, 0)),
            false,
            Extrude.Extrusion.asked(null, null, 0.3, null, null, null)));
    made(
        new Forming.SupportChange(
            List.of(edge(new Vec3(2, 0, 0), new Vec3(2, 2, 0))),
            null,
            Support.Holding.asked(null, 0.1, null, null, null, null, null, null)));
  }

  @Test
  void whatIsItsOwnImage_isMadeOnce() {
    int top = face(0, 0, 1);
    made(
        new Forming.InsetChange(List.of(top), false, new Inset.Margin(0.2, 0, false, true, false)));
    assertThat(cube.faceCount()).isEqualTo(6 + 4);
    made(straight(Axis.Y, 1));
    made(straight(Axis.X, 1));
    made(
        new Forming.GrooveChange(
            List.of(edge(new Vec3(0, 2, 2), new Vec3(1, 2, 2))),
            Groove.Channel.asked(0.05, null, 0.02, 2, Groove.GrooveEnd.NARROW, null, true, null)));
  }

  private static Change straight(Axis axis, double offset) {
    return Change.StraightChange.of(
        new PlaneBy.Along(axis, offset), Straight.After.JOINED, Straight.Ends.OPEN);
  }

  @Test
  void cuts_areFollowedByTheirImage() {
    Receipt receipt = made(straight(Axis.X, 0.5));
    assertThat(receipt.newVertices()).hasSize(8);
    assertThat(cube.faceCount()).isEqualTo(6 + 8);
    made(
        new Change.StraightChange(
            new PlaneBy.Along(Axis.X, 0.25),
            0,
            20,
            0,
            2,
            0.05,
            Reach.THROUGH,
            false,
            null,
            Straight.After.JOINED,
            Straight.Ends.OPEN,
            Scope.WHOLE));
  }

  @Test
  void trace_isFollowedByItsImage_andOneAcrossMeetsItOnThePlane() {
    int side = edge(new Vec3(2, 0, 2), new Vec3(2, 2, 2));
    int front = edge(new Vec3(0, 0, 2), new Vec3(2, 0, 2));
    boolean isFirst = cube.position(cube.first(front)).x() == 0;
    made(trace(on(side, 0.4), on(front, isFirst ? 0.75 : 0.25)));
    Mesh across = cube.copy();
    assertThat(across.vertexCount()).isEqualTo(8 + 4);
  }

  @Test
  void traceOverThePlane_crossesItsImage() {
    int left = edge(new Vec3(0, 0, 2), new Vec3(0, 2, 2));
    int right = edge(new Vec3(2, 0, 2), new Vec3(2, 2, 2));
    made(trace(on(left, 0.25), on(right, 0.75)));
    assertThat(cube.faceCount()).as("four parts of the top").isEqualTo(5 + 4);
    Mesh level = Meshes.cube();
    assertThat(evenly(level, 1, trace(on(left, 0.5), on(right, 0.5))))
        .isInstanceOf(Outcome.Made.class);
    assertThat(level.faceCount()).as("its own image").isEqualTo(7);
  }

  private static Change trace(Anchor... anchors) {
    return Change.TraceChange.of(
        List.of(anchors).stream().map(a -> new TracePoint(a, ABOVE)).toList());
  }

  private static Anchor on(int edge, double t) {
    return new Anchor.OnEdge(edge, t);
  }

  @Test
  void outline_isLaidOnBothSides_orOnceOnThePlane() {
    View aslant = new View.Parallel(new Vec3(0, 1, -1));
    Outline.Placement right =
        new Outline.Placement(
            new Vec3(1.5, 0, 2), new Vec3(0.2, 0, 0), new Vec3(0, 0.15, 0.15), aslant);
    made(new Change.OutlineChange(new OutlineShape.Regular(5), right, Reach.FRONT, Scope.WHOLE));
    assertThat(cube.vertexCount()).as("five corners and two on the edge").isEqualTo(8 + 14);
    Outline.Placement middle =
        new Outline.Placement(
            new Vec3(1, 0, 2), new Vec3(0.1, 0, 0), new Vec3(0, 0.1, 0.1), aslant);
    made(new Change.OutlineChange(new OutlineShape.Regular(6), middle, Reach.FRONT, Scope.WHOLE));
    assertThat(cube.vertexCount()).isEqualTo(8 + 14 + 8);
  }

  @Test
  void loops_besideAcrossAndAlongThePlane() {
    int along = edge(new Vec3(0, 0, 0), new Vec3(2, 0, 0));
    made(Change.LoopsChange.of(along, 0.25));
    assertThat(cube.vertexCount()).as("on both sides of the plane").isEqualTo(8 + 8);
    int up = edge(new Vec3(0, 0, 0), new Vec3(0, 0, 2));
    made(Change.LoopsChange.of(up, 0.3));
    assertThat(cube.faceCount()).as("once, right round").isEqualTo(6 + 8 + 8);
  }

  @Test
  void moved_vertices_onThePlaneStayOnIt() {
    made(straight(Axis.X, 1));
    int corner = vertex(new Vec3(2, 2, 2));
    int middle = vertex(new Vec3(1, 2, 2));
    Move.Motion out = new Move.Motion(new Vec3(0.25, 0.125, 0), 0, ONE, 0, ONE, null);
    made(new Tidying.MoveChange(List.of(corner, middle), out));
    assertThat(cube.position(corner)).isEqualTo(new Vec3(2.25, 2.125, 2));
    assertThat(cube.x(middle)).isEqualTo(1);
    assertThat(has(new Vec3(-0.25, 2.125, 2))).isTrue();
    int other = vertex(new Vec3(-0.25, 2.125, 2));
    assertThat(refused(new Tidying.MoveChange(List.of(corner, other), out))).contains("both sides");
  }

  private boolean has(Vec3 p) {
    return IntStream.range(0, cube.vertexEnd())
        .anyMatch(v -> cube.hasVertex(v) && cube.position(v).equals(p));
  }

  @Test
  void unevenForm_isRefusedWithThePlace() {
    Move.Motion out = new Move.Motion(new Vec3(0.25, 0, 0), 0, ONE, 0, ONE, null);
    int corner = vertex(new Vec3(2, 2, 2));
    assertThat(
            new Workpiece(cube, Tolerance.of(cube.bounds()))
                .apply(new Tidying.MoveChange(List.of(corner), out)))
        .isInstanceOf(Outcome.Made.class);
    assertThat(
            refused(
                new Forming.InsetChange(
                    List.of(face(0, 1, 0)), false, new Inset.Margin(0.2, 0, false, true, false))))
        .contains("uneven here");
    assertThat(refused(new Tidying.TurnChange(List.of(0)))).contains("Switch Keep even off");
  }

  /** Many changes of every kind on a form that is even: it stays so. */
  @Test
  void manyChanges_leaveTheFormEven() {
    SplittableRandom random = new SplittableRandom(29);
    int done = 0;
    for (int round = 0; round < 400; round++) {
      Mesh mesh = HarbourProps.cleat();
      byte[] before = MeshBytes.write(mesh);
      Change change = RandomChanges.of(round, mesh, random, mesh.bounds().diagonal());
      // What is parted has two vertices in one place, which is no longer told by place.
      if (change instanceof Forming.EvenChange || change instanceof Forming.PartChange) {
        continue;
      }
      Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
      Outcome outcome =
          workpiece.apply(new Forming.EvenChange(change, new MirrorBy.AtOffset(Axis.X, 0)));
      assertThat(MeshCheck.faults(mesh)).isEmpty();
      if (outcome instanceof Outcome.Made made && !made.receipt().changesNothing()) {
        done++;
        assertThat(mesh).as("round %d: %s", round, change).satisfies(m -> assertEven(m, 0));
        workpiece.undo();
      }
      assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    }
    assertThat(done).isGreaterThan(60);
  }

  /** Its image crosses it, and one of the two would run on the other's line: no half is left. */
  @Test
  void aTraceThatItsImageCrosses_isEven_orRefused() {
    Mesh mesh = HarbourProps.cleat();
    byte[] before = MeshBytes.write(mesh);
    View view = new View.Parallel(new Vec3(514.2302, 137.5151, -711.4076));
    Change trace =
        new Change.TraceChange(
            List.of(
                TraceRun.of(
                    List.of(
                        new TracePoint(new Anchor.OnEdge(11, 0.875), view),
                        new TracePoint(new Anchor.OnVertex(15), view),
                        new TracePoint(new Anchor.OnVertex(22), view)))),
            Reach.THROUGH,
            Scope.WHOLE);
    Outcome outcome =
        new Workpiece(mesh, Tolerance.of(mesh.bounds()))
            .apply(new Forming.EvenChange(trace, new MirrorBy.AtOffset(Axis.X, 0)));
    assertThat(outcome)
        .isInstanceOfSatisfying(
            Outcome.Refused.class,
            refused -> assertThat(refused.refusal().reason()).contains("uneven here"));
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
  }

  @Test
  void verticesThatAreEachOthersImages_areWeldedOnThePlaneOnly() {
    Mesh sheet = Meshes.grid(4, 2);
    assertThat(evenly(sheet, 2, new Tidying.WeldChange(List.of(6, 8), Weld.At.FIRST)))
        .isInstanceOf(Outcome.Refused.class);
    assertThat(evenly(sheet, 2, new Tidying.WeldChange(List.of(6, 8), Weld.At.MIDDLE)))
        .isInstanceOf(Outcome.Made.class);
  }

  /** What names vertices or edges in an order has its image done after it, or is made once. */
  @Test
  void splitsSlidesConnectsAndWelds_haveTheirImages() {
    Mesh sheet = Meshes.grid(4, 2);
    int own = sheet.findEdge(6, 11);
    change(sheet, new Tidying.SplitChange(List.of(own), 0.25));
    change(sheet, new Tidying.SplitChange(List.of(sheet.findEdge(0, 1)), 0.25));
    assertThat(sheet.vertexCount()).isEqualTo(15 + 4);
    change(sheet, new Tidying.ConnectChange(List.of(0, 6), Scope.WHOLE));
    change(sheet, new Tidying.SlideChange(List.of(11), 11, 10, 0.25, Slide.SlideBy.FRACTION));
    change(sheet, new Tidying.WeldChange(List.of(10, 11), Weld.At.FIRST));
    Mesh across = Meshes.grid(3, 1);
    int middle = across.findEdge(1, 2);
    assertThat(evenly(across, 1.5, new Tidying.SplitChange(List.of(middle), 0.25)))
        .isInstanceOf(Outcome.Refused.class);
    change(across, 1.5, new Tidying.SplitChange(List.of(middle), 0.5));
    assertThat(evenly(across, 1.5, new Tidying.WeldChange(List.of(0, 1, 3), Weld.At.FIRST)))
        .isInstanceOf(Outcome.Refused.class);
  }

  private static void change(Mesh mesh, Change change) {
    change(mesh, 2, change);
  }

  private static void change(Mesh mesh, double middle, Change change) {
    Outcome outcome = evenly(mesh, middle, change);
    assertThat(outcome).as("%s", change).isInstanceOf(Outcome.Made.class);
    assertThat(MeshCheck.faults(mesh)).isEmpty();
    assertEven(mesh, middle);
  }
}
