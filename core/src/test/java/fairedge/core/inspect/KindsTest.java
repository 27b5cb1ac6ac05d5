package fairedge.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.format.obj.ObjReader;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.FlowFinding;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Measure;
import fairedge.core.survey.Starter;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.Arguments;
import org.junit.jupiter.params.provider.MethodSource;

/** Worked examples of every kind, and the lists of what must be said and what must not. */
class KindsTest {
  private static Report inspect(Mesh mesh, Profile profile) {
    return new Inspector(profile, Tolerance.of(mesh.bounds())).inspect(mesh);
  }

  private static List<String> kinds(Mesh mesh) {
    return inspect(mesh, Profile.ALL_QUADS).findings().stream()
        .map(f -> f.finding().kind().key())
        .toList();
  }

  private static Finding only(Mesh mesh, Kind kind) {
    return inspect(mesh, Profile.ALL_QUADS).findings().stream()
        .map(Report.Assessed::finding)
        .filter(f -> f.kind() == kind)
        .reduce((a, b) -> {
          throw new AssertionError("more than one " + kind + ": " + a + ", " + b);
        })
        .orElseThrow();
  }

  private static Mesh obj(String text) {
    try {
      return ObjReader.read(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8))).mesh();
    } catch (Exception e) {
      throw new AssertionError(e);
    }
  }

  static Stream<Arguments> clean() {
    return Stream.of(
        Arguments.of("cube", Meshes.cube(), Profile.ALL_QUADS),
        Arguments.of("cube, loops at 5 %", supported(0.05), Profile.ALL_QUADS),
        Arguments.of("cube, loops at 0.5 %", supported(0.005), Profile.ALL_QUADS),
        Arguments.of("grid", Meshes.grid(6, 5), Profile.OPEN_SHEET),
        Arguments.of("torus", Meshes.torus(12, 8), Profile.ALL_QUADS),
        Arguments.of("cylinder, ends of grids", cylinder(true, true), Profile.ALL_QUADS));
  }

  @ParameterizedTest(name = "{0}")
  @MethodSource("clean")
  void cleanMesh_hasNoMustAndNoShould(String name, Mesh mesh, Profile profile) {
    Report report = inspect(mesh, profile);
    assertThat(report.findings()).noneMatch(f -> f.severity() != Severity.REMARK);
  }

  /** A cube with a loop beside each edge. */
  private static Mesh supported(double share) {
    Mesh cube = Meshes.cube();
    Workpiece workpiece = new Workpiece(cube, Tolerance.of(cube.bounds()));
    int[][] edges = {{0, 1}, {0, 2}, {0, 4}};
    for (int[] ends : edges) {
      int e = cube.findEdge(ends[0], ends[1]);
      workpiece.apply(Change.LoopsChange.of(e, share));
      int rest = cube.findEdge(ends[1], cube.vertexEnd() - 1);
      for (int v = 0; rest == Mesh.NONE && v < cube.vertexEnd(); v++) {
        rest = v == ends[0] ? Mesh.NONE : sameLine(cube, ends[1], v, ends[0]);
      }
      workpiece.apply(Change.LoopsChange.of(rest, fromEnd(cube, rest, ends[1], share)));
    }
    return cube;
  }

  private static int sameLine(Mesh mesh, int from, int to, int beyond) {
    int e = mesh.findEdge(from, to);
    Vec3 way = mesh.position(beyond).minus(mesh.position(from));
    return e != Mesh.NONE && mesh.position(to).minus(mesh.position(from)).angleTo(way) < 1
        ? e
        : Mesh.NONE;
  }

  private static double fromEnd(Mesh mesh, int e, int end, double share) {
    double fraction = 2 * share / mesh.length(e);
    return mesh.first(e) == end ? fraction : 1 - fraction;
  }

  /** 24 sides round; each end a grid of 6 x 6 quads, or one face. */
  private static Mesh cylinder(boolean gridBelow, boolean gridAbove) {
    MeshBuilder b = new MeshBuilder();
    int[][] ring = new int[2][24];
    for (int level = 0; level < 2; level++) {
      for (int i = 0; i < 24; i++) {
        double a = 2 * Math.PI * i / 24;
        ring[level][i] = b.vertex(Math.cos(a), Math.sin(a), level);
      }
    }
    for (int i = 0; i < 24; i++) {
      int next = (i + 1) % 24;
      b.face(ring[0][i], ring[0][next], ring[1][next], ring[1][i]);
    }
    end(b, ring[0], gridBelow, true);
    end(b, ring[1], gridAbove, false);
    return b.build();
  }

  private static void end(MeshBuilder b, int[] ring, boolean grid, boolean below) {
    if (!grid) {
      b.face(turned(ring, below));
      return;
    }
    int[][] at = new int[7][7];
    for (int i = 0; i <= 6; i++) {
      at[i][0] = ring[i];
      at[6][i] = ring[6 + i];
      at[6 - i][6] = ring[12 + i];
      at[0][6 - i] = ring[(18 + i) % 24];
    }
    for (int i = 1; i < 6; i++) {
      for (int j = 1; j < 6; j++) {
        double z = b.position(ring[0]).z();
        Vec3 p = b.position(at[i][0]).towards(b.position(at[i][6]), j / 6.0);
        Vec3 q = b.position(at[0][j]).towards(b.position(at[6][j]), i / 6.0);
        at[i][j] = b.vertex((p.x() + q.x()) / 2, (p.y() + q.y()) / 2, z);
      }
    }
    for (int i = 0; i < 6; i++) {
      for (int j = 0; j < 6; j++) {
        b.face(turned(new int[] {at[i][j], at[i + 1][j], at[i + 1][j + 1], at[i][j + 1]}, below));
      }
    }
  }

  private static int[] turned(int[] ring, boolean turn) {
    int[] result = new int[ring.length];
    for (int i = 0; i < ring.length; i++) {
      result[i] = ring[turn ? ring.length - 1 - i : i];
    }
    return result;
  }

  @Test
  void cubeWithADiagonal_saysAPairAndTwoRingStops() {
    Mesh cube = Meshes.cube();
    new MeshEdit(cube).splitFace(1, cube.findCorner(1, 4), cube.findCorner(1, 7), List.of());
    assertThat(kinds(cube)).containsExactly("triangle", "ring-stop", "ring-stop");
  }

  @Test
  void cylinderWithOneFlatEnd_saysAnNgonAndARingStop() {
    Mesh cylinder = cylinder(true, false);
    assertThat(kinds(cylinder)).containsExactly("ngon", "ring-stop");
    FlowFinding.RingStop stop = (FlowFinding.RingStop) only(cylinder, Kind.RING_STOP);
    assertThat(stop.rings()).isEqualTo(12);
    assertThat(stop.title()).isEqualTo("12 rings stop at the 24-sided face");
  }

  @Test
  void borders_areLoopsAfterTheFansArePulledApart() {
    assertThat(only(Meshes.grid(4, 3), Kind.BORDER).measure().value()).isEqualTo(14);
    Report bowTie = inspect(Meshes.bowTie(), Profile.ALL_QUADS);
    assertThat(bowTie.figures().borderLoops()).isEqualTo(2);
    assertThat(kinds(Meshes.bowTie())).containsExactly("border", "border", "bow-tie");
    Figures crowded = inspect(Meshes.crowded(), Profile.ALL_QUADS).figures();
    assertThat(crowded.irregularBorders()).isEqualTo(1);
    assertThat(crowded.borderLoops()).isZero();
    assertThat(kinds(Meshes.crowded()))
        .containsExactly("loose-vertex", "loose-edge", "crowded-edge");
    assertThat(kinds(Meshes.grid(2, 2))).containsExactly("border");
    assertThat(inspect(Meshes.grid(2, 2), Profile.OPEN_SHEET).findings()).isEmpty();
  }

  @Test
  void starter_makesOldBordersAndPolesNoFinding() {
    Mesh grid = Meshes.grid(4, 3);
    Tolerance tolerance = Tolerance.of(grid.bounds());
    Starter starter = new Starter(Meshes.grid(4, 3), tolerance.flat());
    Inspector inspector = new Inspector(Profile.ALL_QUADS, tolerance, starter);
    assertThat(inspector.inspect(grid).findings()).isEmpty();
    // The same border, cut finer, is the same border.
    new MeshEdit(grid).splitEdge(grid.findEdge(0, 1), new Vec3(0.3, 0, 0));
    assertThat(inspector.inspect(grid).findings())
        .extracting(f -> f.finding().kind())
        .doesNotContain(Kind.BORDER);
    Mesh wider = Meshes.grid(5, 3);
    assertThat(inspector.inspect(wider).findings())
        .extracting(f -> f.finding().kind())
        .containsExactly(Kind.BORDER);
  }

  @Test
  void pole_isToldFromSixEdgesOn_orWhereItIsNewOnSmoothGround() {
    Mesh flower = flower(6);
    assertThat(only(flower, Kind.POLE).title()).isEqualTo("Pole where 6 edges meet");
    assertThat(kinds(flower(5))).doesNotContain("pole");
    Mesh five = flower(5);
    Tolerance tolerance = Tolerance.of(five.bounds());
    Inspector with =
        new Inspector(
            Profile.ALL_QUADS, tolerance, new Starter(Meshes.grid(3, 3), tolerance.flat()));
    assertThat(with.inspect(five).findings())
        .filteredOn(f -> f.finding().kind() == Kind.POLE)
        .singleElement()
        .satisfies(f -> {
          assertThat(f.severity()).isEqualTo(Severity.REMARK);
          assertThat(f.finding().title()).isEqualTo("New pole where 5 edges meet");
        });
    Inspector same =
        new Inspector(Profile.ALL_QUADS, tolerance, new Starter(flower(5), tolerance.flat()));
    assertThat(same.inspect(five).findings()).isEmpty();
  }

  /** n quads round one vertex, flat. */
  private static Mesh flower(int n) {
    MeshBuilder b = new MeshBuilder();
    int middle = b.vertex(0, 0, 0);
    for (int i = 0; i < 2 * n; i++) {
      double a = Math.PI * i / n;
      b.vertex(Math.cos(a), Math.sin(a), 0);
    }
    for (int i = 0; i < n; i++) {
      b.face(middle, 1 + 2 * i, 2 + 2 * i, 1 + (2 * i + 2) % (2 * n));
    }
    return b.build();
  }

  @Test
  void turnedFaces_areTheSmallerSide_andOnePatchIsOneFinding() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i <= 5; i++) {
      b.vertex(i, 0, 0);
      b.vertex(i, 1, 0);
    }
    for (int i = 0; i < 5; i++) {
      int v = 2 * i;
      boolean turn = i == 1 || i == 4;
      b.face(turn ? new int[] {v, v + 1, v + 3, v + 2} : new int[] {v, v + 2, v + 3, v + 1});
    }
    Mesh strip = b.build();
    Report report = inspect(strip, Profile.OPEN_SHEET);
    assertThat(report.figures().inconsistentEdges()).isEqualTo(3);
    assertThat(report.figures().facesToFlip()).isEqualTo(2);
    assertThat(report.findings())
        .extracting(f -> ((SurfaceFinding.Flipped) f.finding()).elements())
        .containsExactly(List.of(Element.face(1)), List.of(Element.face(4)));
  }

  @Test
  void moebiusBand_isOneSided() {
    Report report = inspect(Meshes.moebius(7), Profile.OPEN_SHEET);
    assertThat(report.findings())
        .extracting(f -> f.finding().title())
        .containsExactly("One-sided surface");
    assertThat(report.figures().facesToFlip()).isZero();
    assertThat(report.figures().genus()).isEqualTo(1);
  }

  @Test
  void closedPartOfNegativeVolume_isInsideOut() {
    StringBuilder text = new StringBuilder();
    for (int i = 0; i < 8; i++) {
      text.append("v ").append(i & 1).append(' ').append(i >> 1 & 1).append(' ').append(i >> 2);
      text.append('\n');
    }
    String out = "f 1 3 4 2\nf 5 6 8 7\nf 1 2 6 5\nf 2 4 8 6\nf 4 3 7 8\nf 3 1 5 7\n";
    String in = "f 2 4 3 1\nf 7 8 6 5\nf 5 6 2 1\nf 6 8 4 2\nf 8 7 3 4\nf 7 5 1 3\n";
    assertThat(kinds(obj(text + out))).isEmpty();
    assertThat(only(obj(text + in), Kind.INSIDE_OUT).measure().value())
        .isCloseTo(-1, within(1e-12));
  }

  @Test
  void twins_areGroupsWithOneCycle_eitherWay() {
    String points = "v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\n";
    Mesh mesh = obj(points + "f 1 2 3 4\nf 3 2 1 4\nf 2 3 4 1\nf 1 3 2 4\n");
    Finding twins = only(mesh, Kind.TWIN_FACE);
    assertThat(twins.elements()).containsExactly(Element.face(0), Element.face(1), Element.face(2));
  }

  @Test
  void facesWithoutAreaOrWithStraightCorners_areTold() {
    String points = "v 0 0 0\nv 1 0 0\nv 2 0 0\nv 2 2 0\nv 0 2 0\n";
    assertThat(kinds(obj(points + "f 1 2 3 4\n")))
        .containsExactly("flat-corner", "idle-vertex", "loose-vertex", "border");
    assertThat(kinds(obj(points + "f 1 2 3\nf 1 3 4 5\n")))
        .contains("flat-corner", "no-area", "triangle");
    Finding noArea = only(obj(points + "f 1 2 3\nf 1 3 4 5\n"), Kind.NO_AREA);
    assertThat(noArea.elements()).containsExactly(Element.face(0));
    Mesh point = obj("v 0 0 0\nv 0 0 0\nv 0 0 0\nv 5 0 0\nv 5 5 0\nv 0 5 0\nf 1 2 3\nf 1 4 5 6\n");
    assertThat(only(point, Kind.NO_AREA).measure().value()).isZero();
  }

  @Test
  void bendWithTwoEdges_isTold_onlyInside() {
    Mesh grid = Meshes.grid(2, 1);
    new MeshEdit(grid).splitEdge(grid.findEdge(1, 4), new Vec3(1.1, 0.5, 0));
    assertThat(only(grid, Kind.BENT_VERTEX).elements()).containsExactly(Element.vertex(6));
    assertThat(kinds(Meshes.grid(1, 1))).containsExactly("border");
  }

  /** A triangle cut in two at the middle of its side, with a quad below, turned every way. */
  @Test
  void twoTrianglesWhoseUnionHasAStraightCorner_areNoPair_howeverTheyLie() {
    for (int degrees = 0; degrees < 360; degrees += 7) {
      double c = Math.cos(Math.toRadians(degrees));
      double s = Math.sin(Math.toRadians(degrees));
      double[][] places = {{0, 0}, {0.7, 0}, {1.4, 0}, {0.6, 0.9}, {1.4, -1}, {0, -1}};
      MeshBuilder b = new MeshBuilder();
      for (double[] p : places) {
        b.vertex(c * p[0] - s * p[1], s * p[0] + c * p[1], 0.3 * p[0]);
      }
      b.face(0, 1, 3);
      b.face(1, 2, 3);
      b.face(0, 5, 4, 2, 1);
      assertThat(forms(b.build()))
          .as("%d degrees", degrees)
          .containsOnly(SidesFinding.Triangle.Form.STRAY);
    }
  }

  private static List<SidesFinding.Triangle.Form> forms(Mesh mesh) {
    return inspect(mesh, Profile.ALL_QUADS).findings().stream()
        .map(Report.Assessed::finding)
        .filter(SidesFinding.Triangle.class::isInstance)
        .map(f -> ((SidesFinding.Triangle) f).form())
        .toList();
  }

  @Test
  void trianglesAllOver_areOneFinding_unlessTheStarterHadThem() {
    Mesh tetrahedron = Meshes.tetrahedron();
    assertThat(kinds(tetrahedron)).containsExactly("all-triangles");
    assertThat(only(tetrahedron, Kind.ALL_TRIANGLES).measure().value()).isEqualTo(1);
    Tolerance tolerance = Tolerance.of(tetrahedron.bounds());
    Starter starter = new Starter(Meshes.tetrahedron(), tolerance.flat());
    assertThat(new Inspector(Profile.ALL_QUADS, tolerance, starter).inspect(tetrahedron).findings())
        .hasSize(4)
        .allMatch(f -> f.finding().kind() == Kind.TRIANGLE);
  }

  @Test
  void oddFile_isFoundAgainInTheReport() throws Exception {
    String text = "v 0 0 0\nv 1 0 0\nv 1 1 nan\nv 0 1 0\nf 1 1 2 4\nf 1 2 3 9\nf 1 2 3 4\n";
    var read = ObjReader.read(new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8)));
    Tolerance tolerance = Tolerance.of(read.mesh().bounds());
    Report report =
        new Inspector(Profile.ALL_QUADS, tolerance).inspect(read.mesh(), read.oddities());
    assertThat(report.findings())
        .extracting(f -> f.finding().kind())
        .contains(Kind.REPEATED_CORNER, Kind.UNREADABLE_FACE, Kind.NO_PLACE);
    assertThat(report.findings())
        .filteredOn(f -> f.finding().kind() == Kind.UNREADABLE_FACE)
        .singleElement()
        .satisfies(f -> {
          assertThat(f.finding().measure()).isEqualTo(new Measure(6, Measure.Unit.LINE));
          assertThat(f.finding().elements()).startsWith(Element.vertex(0));
        });
  }

  @Test
  void figures_ofKnownForms() {
    Figures torus = inspect(Meshes.torus(12, 8), Profile.ALL_QUADS).figures();
    assertThat(torus.euler()).isZero();
    assertThat(torus.genus()).isEqualTo(1);
    assertThat(torus.poles()).isZero();
    assertThat(torus.rings().lengths()).isEqualTo(Map.of(8, 12, 12, 8));
    assertThat(torus.rings().closed()).isEqualTo(20);
    assertThat(torus.loops().lengths()).isEqualTo(Map.of(8, 12, 12, 8));
    assertThat(torus.loops().shareComplete()).isEqualTo(1);
    assertThat(torus.innerValences()).isEqualTo(Map.of(4, 96));

    Figures lid = inspect(HarbourProps.hatchLid(), Profile.ALL_QUADS).figures();
    assertThat(lid.rings().ends()).isEqualTo(Map.of("ngon", 32));
    assertThat(lid.loops().ends()).isEqualTo(Map.of("pole", 96));
    assertThat(lid.volume())
        .isCloseTo(16 * 0.5 * 300 * 300 * Math.sin(Math.PI / 8) * 80, within(1.0));

    Figures cube = inspect(Meshes.cube(), Profile.ALL_QUADS).figures();
    assertThat(cube.area()).isEqualTo(24);
    assertThat(cube.volume()).isEqualTo(8);
    assertThat(cube.cornerAngles().mean()).isCloseTo(90, within(1e-9));
    assertThat(cube.warp().max()).isZero();
    assertThat(cube.aspect().counts().getFirst()).isEqualTo(6);
    assertThat(cube.partList()).hasSize(1);
  }

  @Test
  void lengthsOfRingsAndLoops_addUp_onAnything() {
    Meshes.all()
        .forEach((name, mesh) -> {
          Figures figures = inspect(mesh, Profile.ALL_QUADS).figures();
          assertThat(sum(figures.rings().lengths())).as(name).isEqualTo(2 * figures.quads());
          int twoSided =
              figures.edges()
                  - figures.borderEdges()
                  - figures.crowdedEdges()
                  - figures.looseEdges();
          assertThat(sum(figures.loops().lengths())).as(name).isEqualTo(twoSided);
          int inParts = figures.partList().stream().mapToInt(Figures.PartFigures::faces).sum();
          assertThat(inParts).as(name).isEqualTo(figures.faces());
        });
  }

  private static int sum(Map<Integer, Integer> lengths) {
    return lengths.entrySet().stream().mapToInt(e -> e.getKey() * e.getValue()).sum();
  }
}
