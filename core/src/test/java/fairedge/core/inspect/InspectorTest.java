package fairedge.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.SidesFinding.Ngon;
import fairedge.core.inspect.finding.SidesFinding.Triangle;
import fairedge.core.inspect.finding.SidesFinding.Triangle.Form;
import fairedge.core.inspect.finding.VerticesFinding.DoubleVertices;
import fairedge.core.inspect.finding.VerticesFinding.IdleVertex;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.props.HarbourProps;
import fairedge.core.survey.Measure;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Threshold;
import fairedge.core.survey.Thresholds;
import fairedge.core.survey.Wanted;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class InspectorTest {
  /** Those that this class is about; the others are in {@link KindsTest}. */
  private static final Set<Kind> HERE =
      EnumSet.of(Kind.NGON, Kind.TRIANGLE, Kind.IDLE_VERTEX, Kind.DOUBLE);

  /** Its own starter: triangles are expected, and nothing is new. */
  private static Report inspect(Mesh mesh, Profile profile) {
    Tolerance tolerance = Tolerance.of(mesh.bounds());
    Report all =
        new Inspector(profile, tolerance, new Starter(mesh, tolerance.flat())).inspect(mesh);
    return new Report(
        all.figures(),
        all.findings().stream().filter(f -> HERE.contains(f.finding().kind())).toList(),
        all.leftOut(),
        all.met(),
        all.pardoned());
  }

  private static List<Finding> findings(Mesh mesh) {
    return inspect(mesh, Profile.ALL_QUADS).findings().stream()
        .map(Report.Assessed::finding)
        .toList();
  }

  private static <T extends Finding> T only(Mesh mesh, Class<T> type) {
    List<Finding> found = findings(mesh);
    assertThat(found).hasSize(1).first().isInstanceOf(type);
    return type.cast(found.getFirst());
  }

  private static Mesh diagonalCube() {
    Mesh cube = Meshes.cube();
    new MeshEdit(cube).splitFace(1, cube.findCorner(1, 4), cube.findCorner(1, 7), List.of());
    return cube;
  }

  @Test
  void cube_grid_andBollard_areClean() {
    assertThat(findings(Meshes.cube())).isEmpty();
    assertThat(findings(Meshes.grid(4, 3))).isEmpty();
    assertThat(findings(HarbourProps.mooringBollard())).isEmpty();
  }

  @Test
  void cubeWithADiagonal_hasOnePair() {
    Triangle pair = only(diagonalCube(), Triangle.class);
    assertThat(pair.form()).isEqualTo(Form.PAIR);
    assertThat(pair.faces()).containsExactly(1, 6);
    assertThat(pair.place()).isEqualTo(new Vec3(1, 1, 2));
    assertThat(pair.measure()).isEqualTo(new Measure(2, Measure.Unit.FACES));
  }

  @Test
  void hatchLid_hasTwoFlatNgons_inTheOrderOfTheFile() {
    assertThat(findings(HarbourProps.hatchLid()))
        .extracting(Finding::title)
        .containsExactly("16 sides, flat", "16 sides, flat");
    Ngon top = (Ngon) findings(HarbourProps.hatchLid()).getFirst();
    assertThat(top.elements()).containsExactly(Element.face(16));
    assertThat(top.place().z()).isEqualTo(80);
  }

  @Test
  void quadWithAPointInItsSide_isAnNgonWithAStraightCorner_besideAnIdleVertex() {
    Mesh grid = Meshes.grid(1, 1);
    int v = new MeshEdit(grid).splitEdge(grid.findEdge(0, 1), new Vec3(0.5, 0, 0));
    List<Finding> found = findings(grid);
    Ngon ngon = (Ngon) found.getFirst();
    assertThat(ngon.straightCorners()).isEqualTo(1);
    assertThat(ngon.sentence()).contains("only 4 of its corners turn", "an idle vertex");
    IdleVertex idle = (IdleVertex) found.getLast();
    assertThat(idle.elements()).containsExactly(Element.vertex(v));
    assertThat(idle.turn()).isZero();
    assertThat(found).hasSize(2);
  }

  @Test
  void idleVertex_turnsByAtMostOneDegree() {
    assertThat(bentBy(0.99)).isTrue();
    assertThat(bentBy(1.01)).isFalse();
  }

  private static boolean bentBy(double degrees) {
    Mesh grid = Meshes.grid(1, 1);
    double rise = 0.5 * Math.tan(Math.toRadians(degrees / 2));
    new MeshEdit(grid).splitEdge(grid.findEdge(0, 1), new Vec3(0.5, -rise, 0));
    return findings(grid).stream().anyMatch(IdleVertex.class::isInstance);
  }

  @Test
  void looseEdge_doesNotSaveAnIdleVertex() {
    MeshBuilder b = new MeshBuilder();
    int[] ring = {
      b.vertex(0, 0, 0), b.vertex(1, 0, 0), b.vertex(2, 0, 0), b.vertex(2, 1, 0), b.vertex(0, 1, 0)
    };
    b.face(ring);
    b.edge(ring[1], b.vertex(1, 0, 5));
    assertThat(findings(b.build())).anyMatch(IdleVertex.class::isInstance);
  }

  @Test
  void ngonOffItsPlane_isNotFlat() {
    MeshBuilder b = new MeshBuilder();
    b.face(
        b.vertex(0, 0, 0),
        b.vertex(2, 0, 0),
        b.vertex(3, 1, 0.01),
        b.vertex(2, 2, 0),
        b.vertex(0, 2, 0));
    Ngon ngon = only(b.build(), Ngon.class);
    assertThat(ngon.flat()).isFalse();
    assertThat(ngon.title()).isEqualTo("5 sides, not flat");
  }

  /** n triangles round a middle that is raised; with or without a skirt of quads. */
  private static Mesh umbrella(int n, boolean skirt) {
    MeshBuilder b = new MeshBuilder();
    int[][] ring = new int[2][n];
    for (int level = 0; level < 2; level++) {
      for (int i = 0; i < n; i++) {
        double angle = 2 * Math.PI * i / n;
        ring[level][i] = b.vertex(Math.cos(angle), Math.sin(angle), -level);
      }
    }
    int middle = b.vertex(0, 0, 0.1);
    for (int i = 0; i < n; i++) {
      int next = (i + 1) % n;
      b.face(middle, ring[0][i], ring[0][next]);
      if (skirt) {
        b.face(ring[1][i], ring[1][next], ring[0][next], ring[0][i]);
      }
    }
    return b.build();
  }

  @Test
  void trianglesRoundAVertex_withQuadsOrABorderRoundThem_areOneFan() {
    for (boolean skirt : new boolean[] {true, false}) {
      Triangle fan = (Triangle) findings(umbrella(12, skirt)).getFirst();
      assertThat(fan.form()).isEqualTo(Form.FAN);
      assertThat(fan.faces()).hasSize(12);
      assertThat(fan.place()).isEqualTo(new Vec3(0, 0, 0.1));
    }
  }

  @Test
  void octahedron_isNoFan_andTooSharpForPairs() {
    MeshBuilder b = new MeshBuilder();
    int top = b.vertex(0, 0, 1);
    int[] belt = {b.vertex(1, 0, 0), b.vertex(0, 1, 0), b.vertex(-1, 0, 0), b.vertex(0, -1, 0)};
    int foot = b.vertex(0, 0, -1);
    for (int i = 0; i < 4; i++) {
      b.face(top, belt[i], belt[(i + 1) % 4]);
      b.face(foot, belt[(i + 1) % 4], belt[i]);
    }
    assertThat(findings(b.build()))
        .hasSize(8)
        .allSatisfy(f -> assertThat(((Triangle) f).form()).isEqualTo(Form.STRAY));
  }

  @Test
  void looseTriangles_thatAllLieOnABorder_areAFan() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 5; i++) {
      b.vertex(i / 2, i % 2, 0);
    }
    for (int i = 0; i < 3; i++) {
      b.face(i % 2 == 0 ? new int[] {i, i + 2, i + 1} : new int[] {i, i + 1, i + 2});
    }
    Triangle fan = only(b.build(), Triangle.class);
    assertThat(fan.form()).isEqualTo(Form.FAN);
    assertThat(fan.elements()).startsWith(Element.vertex(2));
  }

  @Test
  void chainOfTriangles_isPairedAsFarAsItGoes_notFromTheSquarestOn() {
    Mesh grid = Meshes.grid(4, 3);
    split(grid, 5, 6, 12);
    split(grid, 6, 7, 13);
    // The two in the middle would pair as well, and leave two strays.
    assertThat(findings(grid))
        .extracting(Finding::title)
        .containsExactly("Pair of triangles", "Pair of triangles");
  }

  private static void split(Mesh mesh, int face, int from, int to) {
    new MeshEdit(mesh)
        .splitFace(face, mesh.findCorner(face, from), mesh.findCorner(face, to), List.of());
  }

  @Test
  void triangleWithoutATriangleBesideIt_isStray() {
    Mesh grid = Meshes.grid(3, 3);
    int v = new MeshEdit(grid).splitEdge(grid.findEdge(5, 6), new Vec3(1.5, 1, 0));
    split(grid, 4, 9, v);
    assertThat(findings(grid))
        .extracting(Finding::title)
        .containsExactly("5 sides, one corner straight", "Triangle, stray");
  }

  @Test
  void pair_liesWithinTwentyDegrees_andMakesAConvexQuad() {
    assertThat(folded(19.9)).isEqualTo(Form.PAIR);
    assertThat(folded(20.1)).isEqualTo(Form.STRAY);
    MeshBuilder dart = new MeshBuilder();
    int a = dart.vertex(0, 0, 0);
    int b = dart.vertex(1, 0, 0);
    int c = dart.vertex(3, 2, 0);
    int d = dart.vertex(1.5, -0.1, 0);
    dart.face(a, b, c);
    dart.face(b, a, d);
    assertThat(((Triangle) findings(dart.build()).getFirst()).form()).isEqualTo(Form.STRAY);
  }

  private static Form folded(double degrees) {
    MeshBuilder b = new MeshBuilder();
    double turn = Math.toRadians(degrees);
    int a = b.vertex(0, 0, 0);
    int c = b.vertex(0, 1, 0);
    int left = b.vertex(-1, 0.5, 0);
    int right = b.vertex(Math.cos(turn), 0.5, Math.sin(turn));
    b.face(a, c, left);
    b.face(c, a, right);
    return ((Triangle) findings(b.build()).getFirst()).form();
  }

  @Test
  void verticesInOnePlace_areOneCluster_lonelyOnesToo() {
    MeshBuilder b = new MeshBuilder();
    b.face(b.vertex(0, 0, 0), b.vertex(1, 0, 0), b.vertex(1, 1, 0), b.vertex(0, 1, 0));
    b.face(b.vertex(1, 0, 0), b.vertex(2, 0, 0), b.vertex(2, 1, 0), b.vertex(1, 1, 0));
    b.vertex(1, 1, 0);
    List<Finding> found = findings(b.build());
    assertThat(found).hasSize(2);
    DoubleVertices below = (DoubleVertices) found.getFirst();
    assertThat(ids(below)).containsExactly(1, 4);
    assertThat(below.pairs()).isEqualTo(1);
    DoubleVertices above = (DoubleVertices) found.getLast();
    assertThat(ids(above)).containsExactly(2, 7, 8);
    assertThat(above.pairs()).isEqualTo(3);
  }

  private static List<Integer> ids(Finding finding) {
    return finding.elements().stream().map(Element::id).toList();
  }

  @Test
  void doubles_chainWithinTheWeldDistance_ofTheProfileWhereItSaysOne() {
    MeshBuilder b = new MeshBuilder();
    b.face(b.vertex(0, 0, 0), b.vertex(1, 0, 0), b.vertex(1, 1, 0), b.vertex(0, 1, 0));
    for (int i = 0; i < 3; i++) {
      b.vertex(5 + 0.1 * i, 0, 0);
    }
    Mesh mesh = b.build();
    assertThat(findings(mesh)).isEmpty();
    Profile wide = Profile.ALL_QUADS.with(Thresholds.USUAL.with(Threshold.WELD, 0.11));
    Report report = inspect(mesh, wide);
    DoubleVertices chain = (DoubleVertices) report.findings().getFirst().finding();
    assertThat(ids(chain)).containsExactly(4, 5, 6);
    assertThat(chain.pairs()).isEqualTo(2);
    assertThat(chain.apart()).isCloseTo(0.1, within(1e-9));
  }

  @Test
  void profile_saysHowMuchAFindingCounts() {
    Mesh lid = HarbourProps.hatchLid();
    assertThat(inspect(lid, Profile.ALL_QUADS).count(Severity.MUST)).isEqualTo(2);
    assertThat(inspect(lid, Profile.FLAT_PANELS).findings()).isEmpty();
    assertThat(inspect(lid, Profile.STUDY_PIECE).count(Severity.REMARK)).isEqualTo(2);
    Mesh umbrella = umbrella(12, true);
    assertThat(inspect(umbrella, Profile.SMOOTH_FORM).findings())
        .extracting(Report.Assessed::severity)
        .contains(Severity.SHOULD);
    assertThat(Profile.builtIn()).extracting(Profile::name).hasSize(5).doesNotHaveDuplicates();
    assertThat(Profile.named("Open sheet")).isSameAs(Profile.OPEN_SHEET);
  }

  @Test
  void figures_countEverything() {
    Figures figures = inspect(HarbourProps.hatchLid(), Profile.ALL_QUADS).figures();
    assertThat(figures.vertices()).isEqualTo(32);
    assertThat(figures.edges()).isEqualTo(48);
    assertThat(figures.faces()).isEqualTo(18);
    assertThat(figures.corners()).isEqualTo(96);
    assertThat(figures.quads()).isEqualTo(16);
    assertThat(figures.ngons()).isEqualTo(2);
    assertThat(figures.borderEdges()).isZero();
    assertThat(figures.bySides()).isEqualTo(Map.of(4, 16, 16, 2));
  }

  static Stream<Map.Entry<String, Mesh>> fixtures() {
    Map<String, Mesh> all = Meshes.all();
    all.put("no place", withoutPlaces());
    return all.entrySet().stream();
  }

  private static Mesh withoutPlaces() {
    MeshBuilder b = new MeshBuilder();
    int nowhere = b.vertex(Double.NaN, 0, 0);
    int a = b.vertex(0, 0, 0);
    int c = b.vertex(1, 0, 0);
    b.face(nowhere, a, c);
    b.face(c, a, b.vertex(1, 1, 0), b.vertex(2, 2, 0), nowhere);
    return b.build();
  }

  @ParameterizedTest
  @MethodSource("fixtures")
  void inspection_neverFails_andSaysTheSameTwice(Map.Entry<String, Mesh> fixture) {
    Report first = inspect(fixture.getValue(), Profile.ALL_QUADS);
    assertThat(inspect(fixture.getValue(), Profile.ALL_QUADS)).isEqualTo(first);
    assertThat(first.findings())
        .allSatisfy(f -> {
          assertThat(f.finding().elements()).isNotEmpty();
          assertThat(f.finding().sentence()).endsWith(".");
          assertThat(f.finding().place().isFinite()).isTrue();
        });
  }

  @Test
  void whatIsToldOfTheWholeMesh_doesNotFollowSteps() {
    Tolerance tolerance = new Tolerance(1);
    Inspector plain = new Inspector(Profile.ALL_QUADS, tolerance);
    assertThat(plain.followsSteps()).isTrue();
    assertThat(new Inspector(Profile.SMOOTH_FORM, tolerance).followsSteps()).isFalse();
    Wanted still = new Wanted(1, 9, 0.1, null, true, List.of(), List.of());
    assertThat(plain.asking(still, List.of()).followsSteps()).isFalse();
    Wanted budget = new Wanted(1, 9, null, null, true, List.of(), List.of());
    assertThat(plain.asking(budget, List.of()).followsSteps()).isTrue();
  }
}
