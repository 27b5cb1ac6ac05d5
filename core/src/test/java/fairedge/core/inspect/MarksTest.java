package fairedge.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Places;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Wanted;
import fairedge.core.survey.Wanted.Line;
import fairedge.core.survey.Wanted.Pardon;
import fairedge.core.work.Scope;
import java.util.List;
import java.util.function.UnaryOperator;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;

/** What an exercise marks on its starter, and the references that it knows: worked examples. */
class MarksTest {
  private static Mesh copy(Mesh mesh) {
    return MeshBytes.read(MeshBytes.write(mesh));
  }

  private static Report inspect(Mesh mesh, Mesh began, Wanted wanted, Mesh... references) {
    Tolerance tolerance = Tolerance.of(began.bounds());
    return new Inspector(Profile.ALL_QUADS, tolerance, new Starter(began, tolerance.flat()))
        .asking(wanted, List.of(references))
        .inspect(mesh);
  }

  private static List<Finding> of(Kind kind, Report report) {
    return report.findings().stream()
        .map(Report.Assessed::finding)
        .filter(f -> f.kind() == kind)
        .toList();
  }

  private static Wanted marks(
      @Nullable List<Vec3> cuttable, @Nullable List<Vec3> held, @Nullable List<Pardon> pardons) {
    return Wanted.asked(null, null, null, null, null, null, null, null, cuttable, held, pardons);
  }

  private static Wanted pardon(Finding... findings) {
    return marks(
        null,
        null,
        List.of(findings).stream().map(f -> new Pardon(f.kind().key(), f.place())).toList());
  }

  private static Mesh cut(Mesh began, Change change) {
    Workpiece work = new Workpiece(copy(began), Tolerance.of(began.bounds()));
    work.apply(change);
    return work.mesh();
  }

  private static Mesh moved(Mesh mesh, UnaryOperator<Vec3> by) {
    MeshBuilder out = new MeshBuilder();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      Vec3 p = by.apply(mesh.position(v));
      out.vertex(p.x(), p.y(), p.z());
    }
    for (int f = mesh.faceEnd() - 1; f >= 0; f--) {
      out.face(mesh.vertices(f));
    }
    return out.build();
  }

  @Test
  void pardonedFault_isNotCounted_whileItStaysAsItIs() {
    Mesh lid = HarbourProps.hatchLid();
    List<Finding> ngons = of(Kind.NGON, inspect(lid, lid, Wanted.NOTHING));
    assertThat(ngons).hasSize(2);
    Wanted one = pardon(ngons.getFirst());
    Report report = inspect(lid, lid, one);
    assertThat(of(Kind.NGON, report)).containsExactly(ngons.get(1));
    assertThat(report.pardoned()).isEqualTo(1);

    // With faces numbered anew, rounded as files are, or twice as large: the same fault.
    assertThat(of(Kind.NGON, inspect(moved(lid, p -> p), lid, one))).hasSize(1);
    UnaryOperator<Vec3> rounded =
        p ->
            new Vec3(Math.rint(p.x() * 1e3), Math.rint(p.y() * 1e3), Math.rint(p.z() * 1e3))
                .times(1e-3);
    assertThat(of(Kind.NGON, inspect(moved(lid, rounded), lid, one))).hasSize(1);
    assertThat(of(Kind.NGON, inspect(moved(lid, p -> p.times(2)), lid, one))).hasSize(1);

    // With a corner more it is another, and counts.
    int top = ngons.getFirst().elements().getFirst().id();
    int[] ring = lid.vertices(top);
    Mesh more = copy(lid);
    int side = more.findEdge(ring[0], ring[1]);
    new MeshEdit(more).splitEdge(side, more.along(side, 0.5));
    assertThat(of(Kind.NGON, inspect(more, lid, one))).hasSize(3);
  }

  @Test
  void allOfAKind_arePardoned_andNoOtherKind() {
    Mesh buoy = HarbourProps.channelBuoy();
    Report plain = inspect(buoy, buoy, Wanted.NOTHING);
    Report report = inspect(buoy, buoy, marks(null, null, List.of(new Pardon("triangle", null))));
    int triangles = of(Kind.TRIANGLE, plain).size();
    assertThat(triangles).isPositive();
    assertThat(of(Kind.TRIANGLE, report)).isEmpty();
    assertThat(report.pardoned()).isEqualTo(triangles);
    assertThat(report.findings()).hasSize(plain.findings().size() - triangles);
    // A triangle that a cut makes is not the starter's.
    int edge =
        of(Kind.TRIANGLE, plain).getFirst().elements().stream()
            .filter(e -> buoy.hasFace(e.id()))
            .findFirst()
            .orElseThrow()
            .id();
    int[] ring = buoy.vertices(edge);
    Mesh cut = copy(buoy);
    int side = cut.findEdge(ring[0], ring[1]);
    new MeshEdit(cut).splitEdge(side, cut.along(side, 0.5));
    assertThat(
            inspect(cut, buoy, marks(null, null, List.of(new Pardon("triangle", null))))
                .count(Severity.MUST))
        .isPositive();
  }

  @Test
  void faultOfTheWholeMesh_isPardonedByItsKind() {
    Mesh cube = Meshes.cube();
    Wanted five = new Wanted(null, 5, null, null, false, List.of(), List.of());
    assertThat(of(Kind.TOO_MANY, inspect(cube, cube, five))).hasSize(1);
    Wanted pardoned = five.pardoning(List.of(new Pardon("too-many", Vec3.ZERO)));
    assertThat(of(Kind.TOO_MANY, inspect(cube, cube, pardoned))).isEmpty();
  }

  @Test
  void newEdge_inALockedFace_isOffLine() {
    Mesh strip = Meshes.grid(3, 1);
    Mesh cut = cut(strip, Change.LoopsChange.of(strip.findEdge(0, 1), 0.5));
    assertThat(of(Kind.OFF_LINE, inspect(cut, strip, Wanted.NOTHING))).isEmpty();
    Vec3 first = Places.onFace(strip, 0);
    assertThat(of(Kind.OFF_LINE, inspect(cut, strip, marks(List.of(first), null, null)))).isEmpty();
    Vec3 last = Places.onFace(strip, 2);
    assertThat(of(Kind.OFF_LINE, inspect(cut, strip, marks(List.of(last), null, null))))
        .singleElement()
        .isInstanceOf(ShapeFinding.Locked.class)
        .satisfies(f -> assertThat(f.elements()).hasSize(1));
  }

  @Test
  void heldPlace_withoutAVertex_isMoved() {
    Mesh cube = Meshes.cube();
    Wanted held = marks(null, List.of(cube.position(6)), null);
    assertThat(of(Kind.MOVED, inspect(cube, cube, held))).isEmpty();
    Mesh other = moved(cube, p -> p.equals(cube.position(6)) ? p.plus(new Vec3(0, 0, 0.2)) : p);
    assertThat(of(Kind.MOVED, inspect(other, cube, held)))
        .singleElement()
        .satisfies(f -> {
          assertThat(f.measure().value()).isCloseTo(0.2, within(1e-12));
          assertThat(f.sentence()).contains("holds");
        });
  }

  /** A file in other units is held to the same, as large as it is. */
  @Test
  void marks_holdInAFileThatLiesElsewhere() {
    Mesh bollard = HarbourProps.mooringBollard();
    Vec3 place = bollard.position(40);
    Wanted held = marks(null, List.of(place), null);
    UnaryOperator<Vec3> metres = p -> p.times(0.001);
    assertThat(of(Kind.MOVED, inspect(moved(bollard, metres), bollard, held))).isEmpty();
    Mesh off = moved(bollard, p -> metres.apply(p.equals(place) ? p.times(1.05) : p));
    assertThat(of(Kind.PLACED, inspect(off, bollard, held))).hasSize(1);
    assertThat(of(Kind.MOVED, inspect(off, bollard, held))).hasSize(1);
  }

  @Test
  void referenceWhoseLinesAreMetBest_countsAlone() {
    Mesh cube = Meshes.cube();
    Mesh level = cut(cube, Change.LoopsChange.of(cube.findEdge(0, 4), 0.5));
    Mesh upright = cut(cube, Change.LoopsChange.of(cube.findEdge(0, 1), 0.5));
    assertThat(of(Kind.OFF_LINE, inspect(upright, cube, Wanted.NOTHING, level))).hasSize(1);
    assertThat(of(Kind.OFF_LINE, inspect(upright, cube, Wanted.NOTHING, level, upright))).isEmpty();
    assertThat(of(Kind.OFF_LINE, inspect(level, cube, Wanted.NOTHING, level, upright))).isEmpty();
    // Lines of both: one of them counts, and the other's are not needed.
    Mesh both = cut(level, Change.LoopsChange.of(level.findEdge(0, 1), 0.5));
    assertThat(of(Kind.OFF_LINE, inspect(both, cube, Wanted.NOTHING, level, upright))).isNotEmpty();
  }

  /** A cut in front only, along a line or a reference that comes round. */
  @Test
  void lineThatIsWantedRound_byALineOrTheReference_isOneSided_whereItStops() {
    Mesh cube = Meshes.box(0, 1, 2);
    int side = cube.findEdge(vertexAt(cube, 0, 0, 0), vertexAt(cube, 0, 0, 1));
    Mesh round = cut(cube, Change.LoopsChange.of(side, 0.5));
    int[] ring = cube.vertices(cube.facesOn(side)[0]);
    Mesh front = connected(cube, ring[0], ring[2]);
    assertThat(of(Kind.ONE_SIDED, inspect(round, cube, Wanted.NOTHING, round))).isEmpty();
    Line square =
        new Line(
            List.of(
                new Vec3(0, 0, 0.5),
                new Vec3(2, 0, 0.5),
                new Vec3(2, 2, 0.5),
                new Vec3(0, 2, 0.5),
                new Vec3(0, 0, 0.5)));
    Wanted asked = new Wanted(null, null, null, null, false, List.of(square), List.of());
    assertThat(of(Kind.ONE_SIDED, inspect(round, cube, asked))).isEmpty();
    Mesh piece = alongFront(cube);
    assertThat(of(Kind.ONE_SIDED, inspect(piece, cube, Wanted.NOTHING))).isEmpty();
    assertThat(of(Kind.ONE_SIDED, inspect(piece, cube, asked))).hasSize(1);
    assertThat(of(Kind.ONE_SIDED, inspect(piece, cube, Wanted.NOTHING, round))).hasSize(1);
    // A diagonal is on neither.
    assertThat(of(Kind.ONE_SIDED, inspect(front, cube, asked, round))).isEmpty();
  }

  private static int vertexAt(Mesh mesh, double x, double y, double z) {
    int v = 0;
    while (!mesh.position(v).equals(new Vec3(x, y, z))) {
      v++;
    }
    return v;
  }

  /** The box with an edge half-way up two of its squares in front. */
  private static Mesh alongFront(Mesh box) {
    Mesh mesh = copy(box);
    MeshEdit edit = new MeshEdit(mesh);
    int[] middles = new int[3];
    for (int x = 0; x < 3; x++) {
      int e = mesh.findEdge(vertexAt(mesh, x, 0, 0), vertexAt(mesh, x, 0, 1));
      middles[x] = edit.splitEdge(e, mesh.along(e, 0.5));
    }
    return connected(connected(mesh, middles[0], middles[1]), middles[1], middles[2]);
  }

  private static Mesh connected(Mesh mesh, int from, int to) {
    return cut(mesh, new Tidying.ConnectChange(List.of(from, to), Scope.WHOLE));
  }

  @Test
  void requiredLines_andDistance_areToldAsNumbers() {
    Mesh cube = Meshes.cube();
    Line side = new Line(List.of(cube.position(0), cube.position(1)));
    Vec3 a = cube.position(0).towards(cube.position(4), 0.5);
    Vec3 b = cube.position(1).towards(cube.position(5), 0.5);
    Line middle = new Line(List.of(a, b));
    Wanted wanted = new Wanted(null, null, 0.5, null, false, List.of(side, middle), List.of());
    assertThat(inspect(cube, cube, wanted).met().lines()).isCloseTo(0.5, within(1e-9));
    Mesh level = cut(cube, Change.LoopsChange.of(cube.findEdge(0, 4), 0.5));
    assertThat(inspect(level, cube, wanted).met().lines()).isCloseTo(1, within(1e-9));
    assertThat(inspect(level, cube, wanted).met().moved()).isCloseTo(0, within(1e-9));
    Mesh other = moved(cube, p -> p.equals(cube.position(6)) ? p.plus(new Vec3(0, 0, 0.2)) : p);
    assertThat(inspect(other, cube, wanted).met().moved()).isCloseTo(0.2, within(1e-3));
    assertThat(inspect(level, cube, Wanted.NOTHING).met()).isEqualTo(Met.NOTHING_ASKED);
  }

  @Test
  void requiredLine_isNeverIdle_noReferenceNeeded() {
    Mesh plane = Meshes.box(0, 1, 2, 3);
    Mesh cut = cut(plane, Change.LoopsChange.of(plane.findEdge(0, 1), 0.5));
    List<Finding> idle = of(Kind.IDLE_LOOP, inspect(cut, plane, Wanted.NOTHING));
    for (Finding loop : idle) {
      int e = loop.elements().getFirst().id();
      Line line = new Line(List.of(cut.position(cut.first(e)), cut.position(cut.second(e))));
      Wanted asked = new Wanted(null, null, null, null, false, List.of(line), List.of());
      assertThat(of(Kind.IDLE_LOOP, inspect(cut, plane, asked))).hasSizeLessThan(idle.size());
    }
    assertThat(idle).isNotEmpty();
  }
}
