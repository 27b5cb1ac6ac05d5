package fairedge.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.subdivide.CatmullClark;
import fairedge.core.survey.Asking;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Thresholds;
import fairedge.core.survey.Wanted;
import java.util.Arrays;
import java.util.List;
import java.util.function.DoubleBinaryOperator;
import java.util.function.UnaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What lies wrong in space, and how flow and support are told: worked examples, kind by kind. */
class SurfaceKindsTest {
  private static List<Finding> find(Mesh mesh, Profile profile, Kind... kinds) {
    return find(mesh, profile, null, kinds);
  }

  private static List<Finding> find(Mesh mesh, Profile profile, Mesh starter, Kind... kinds) {
    Tolerance tolerance = Tolerance.of(mesh.bounds());
    Starter known = starter == null ? null : new Starter(starter, tolerance.flat());
    return new Inspector(profile, tolerance, known)
        .inspect(mesh).findings().stream()
            .map(Report.Assessed::finding)
            .filter(f -> kinds.length == 0 || Arrays.asList(kinds).contains(f.kind()))
            .toList();
  }

  private static int concaveCorners(Mesh mesh) {
    return new Inspector(Profile.ALL_QUADS, Tolerance.of(mesh.bounds()))
        .inspect(mesh)
        .figures()
        .concaveCorners();
  }

  /** Sheets and boxes side by side, each by its corners, none joined. */
  private static final class Scene {
    private final MeshBuilder builder = new MeshBuilder();

    Scene face(double... xyz) {
      int[] corners = new int[xyz.length / 3];
      for (int i = 0; i < corners.length; i++) {
        corners[i] = builder.vertex(xyz[3 * i], xyz[3 * i + 1], xyz[3 * i + 2]);
      }
      builder.face(corners);
      return this;
    }

    Scene box(double x, double y, double z, double size) {
      int[] v = new int[8];
      for (int i = 0; i < 8; i++) {
        v[i] = builder.vertex(x + size * (i & 1), y + size * (i >> 1 & 1), z + size * (i >> 2));
      }
      for (int[] f :
          new int[][] {
            {0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}
          }) {
        builder.face(v[f[0]], v[f[1]], v[f[2]], v[f[3]]);
      }
      return this;
    }

    Mesh mesh() {
      return builder.build();
    }
  }

  private static Mesh shaped(Mesh mesh, UnaryOperator<Vec3> place) {
    MeshBuilder b = new MeshBuilder();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      b.vertex(place.apply(mesh.position(v)));
    }
    for (int f = 0; f < mesh.faceEnd(); f++) {
      b.face(mesh.vertices(f));
    }
    return b.build();
  }

  private static Mesh raised(int n, DoubleBinaryOperator height) {
    return shaped(
        Meshes.grid(n, n), p -> new Vec3(p.x(), p.y(), height.applyAsDouble(p.x(), p.y())));
  }

  static Mesh torus(int n, int m) {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < n; i++) {
      for (int k = 0; k < m; k++) {
        double u = 2 * Math.PI * i / n;
        double v = 2 * Math.PI * k / m;
        double r = 3 + Math.cos(v);
        b.vertex(r * Math.cos(u), r * Math.sin(u), Math.sin(v));
      }
    }
    for (int i = 0; i < n; i++) {
      for (int k = 0; k < m; k++) {
        int j = (i + 1) % n;
        int l = (k + 1) % m;
        b.face(i * m + k, j * m + k, j * m + l, i * m + l);
      }
    }
    return b.build();
  }

  @Test
  void whatMustComeOutClean_does() {
    List<Mesh> clean =
        List.of(
            Meshes.cube(),
            Meshes.box(0, 0.05, 0.95, 1),
            Meshes.box(0, 0.005, 0.995, 1),
            torus(24, 12),
            CatmullClark.refined(Meshes.cube(), 1).mesh(),
            CatmullClark.refined(Meshes.cube(), 3).mesh());
    for (Profile profile : List.of(Profile.ALL_QUADS, Profile.STUDY_PIECE)) {
      for (Mesh mesh : clean) {
        assertThat(new Inspector(profile, Tolerance.of(mesh.bounds())).inspect(mesh).findings())
            .filteredOn(f -> f.severity() != Severity.REMARK)
            .isEmpty();
      }
    }
    assertThat(find(Meshes.grid(8, 5), Profile.OPEN_SHEET)).isEmpty();
    assertThat(find(Meshes.box(0, 0.05, 0.95, 1), Profile.ALL_QUADS)).isEmpty();
    assertThat(find(Meshes.box(0, 0.005, 0.995, 1), Profile.ALL_QUADS)).isEmpty();
  }

  @Test
  void tJunction_isTouching_aSplitOneIsNot() {
    Mesh gaping =
        new Scene()
            .face(0, 0, 0, 2, 0, 0, 2, 1, 0, 0, 1, 0)
            .face(0, 1, 0, 1, 1, 0, 1, 2, 0, 0, 2, 0)
            .mesh();
    assertThat(find(gaping, Profile.ALL_QUADS, Kind.TOUCHING))
        .singleElement()
        .satisfies(f -> {
          assertThat(f.place()).isEqualTo(new Vec3(1, 1, 0));
          assertThat(f.measure().value()).isZero();
        });
    assertThat(find(Meshes.grid(2, 2), Profile.ALL_QUADS, Kind.TOUCHING)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({"0,1", "0.04,1", "0.06,0"})
  void bordersSideBySide_areASeam(double gap, int seams) {
    MeshBuilder b = new MeshBuilder();
    for (int side = 0; side < 2; side++) {
      for (int i = 0; i < 4; i++) {
        double x = side * (1 + gap);
        b.face(
            b.vertex(x, i, 0),
            b.vertex(x + 1, i, 0),
            b.vertex(x + 1, i + 1, 0),
            b.vertex(x, i + 1, 0));
      }
    }
    // Quads of one side are not joined either: their seams join with the long one.
    List<Finding> found = find(b.build(), Profile.ALL_QUADS, Kind.SEAM);
    assertThat(found.stream().filter(f -> touches(f, b.build(), 1, 1 + gap)).count())
        .isEqualTo(seams);
  }

  private static boolean touches(Finding seam, Mesh mesh, double... xs) {
    return seam.elements().stream()
        .map(e -> mesh.along(e.id(), 0.5).x())
        .anyMatch(x -> Arrays.stream(xs).anyMatch(at -> at == x));
  }

  /**
   * Right across it lies between two borders. Within the sheet it is one as far as its sides are
   * farther than four edges from each other along the border.
   */
  @ParameterizedTest
  @CsvSource({"4, 0, 1, 8", "6, 1, 0, 0", "10, 1, 1, 4", "14, 1, 1, 12"})
  void aSlitInASheet_isASeamOnce(int rows, int whole, int seams, int edges) {
    Mesh grid = Meshes.grid(4, rows);
    MeshBuilder b = new MeshBuilder();
    for (int v = 0; v < grid.vertexEnd(); v++) {
      b.vertex(grid.position(v));
    }
    int[] other = IntStream.range(1, rows).map(y -> b.vertex(2, y, 0)).toArray();
    for (int f = 0; f < grid.faceEnd(); f++) {
      boolean right = grid.polygon(f).middle().x() > 2;
      b.face(
          Arrays.stream(grid.vertices(f))
              .map(v -> {
                Vec3 p = grid.position(v);
                boolean cut = right && p.x() == 2 && p.y() > whole && p.y() < rows - whole;
                return cut ? other[(int) p.y() - 1] : v;
              })
              .toArray());
    }
    assertThat(find(b.build(), Profile.ALL_QUADS, Kind.SEAM))
        .hasSize(seams)
        .allSatisfy(f -> assertThat(f.measure().value()).isEqualTo(edges));
  }

  @Test
  void faceThatGoesThereAndBack_isASlit_aLooseEdgeIsNone() {
    MeshBuilder b = new MeshBuilder();
    for (double[] at : new double[][] {{0, 0}, {4, 0}, {4, 4}, {0, 4}, {2, 2}, {9, 9}}) {
      b.vertex(at[0], at[1], 0);
    }
    b.face(0, 1, 2, 4, 2, 3);
    b.edge(1, 5);
    assertThat(find(b.build(), Profile.ALL_QUADS, Kind.SLIT))
        .singleElement()
        .satisfies(f -> {
          assertThat(f.elements()).containsExactly(Element.vertex(4));
          assertThat(f.place()).isEqualTo(new Vec3(2, 2, 0));
        });
    assertThat(find(Meshes.grid(2, 2), Profile.ALL_QUADS, Kind.SLIT)).isEmpty();
  }

  @Test
  void sidesThatFollowEachOther_areNoSeam_howeverLongTheQuadsBehindThem() {
    for (double length : new double[] {30, 59, 61, 400}) {
      Mesh sheet = shaped(Meshes.grid(12, 1), p -> p.y() == 0 ? p : new Vec3(p.x(), length, p.z()));
      assertThat(find(sheet, Profile.ALL_QUADS, Kind.SEAM)).as("%f", length).isEmpty();
    }
  }

  @Test
  void shortEdges_areToldByLength_notAcrossSupportStrips() {
    Mesh squeezed =
        shaped(Meshes.grid(4, 4), p -> p.x() == 2 && p.y() == 2 ? new Vec3(1.005, 2, 0) : p);
    assertThat(find(squeezed, Profile.ALL_QUADS, Kind.SHORT_EDGE))
        .singleElement()
        .satisfies(f -> {
          assertThat(f.rule()).isEqualTo(Rule.SHORT_EDGE_BESIDE);
          assertThat(f.measure().value()).isCloseTo(0.005, within(1e-12));
        });
    Mesh one =
        shaped(Meshes.grid(4, 4), p -> p.x() == 2 && p.y() == 2 ? new Vec3(1 + 1e-9, 2, 0) : p);
    assertThat(find(one, Profile.ALL_QUADS, Kind.SHORT_EDGE))
        .extracting(Finding::rule)
        .containsExactly(Rule.SHORT_EDGE);
    assertThat(find(Meshes.box(0, 0.005, 0.995, 1), Profile.ALL_QUADS, Kind.SHORT_EDGE)).isEmpty();
  }

  @Test
  void shapesOfFaces_areTold() {
    Mesh sliver = new Scene().face(0, 0, 0, 10, 0, 0, 5, 0.09, 0).mesh();
    assertThat(find(sliver, Profile.ALL_QUADS, Kind.SLIVER))
        .singleElement()
        .satisfies(f -> assertThat(f.measure().value()).isCloseTo(0.009, within(1e-12)));
    Mesh longQuad = new Scene().face(0, 0, 0, 10, 0, 0, 10, 0.05, 0, 0, 0.05, 0).mesh();
    assertThat(find(longQuad, Profile.ALL_QUADS, Kind.SLIVER)).isEmpty();
    assertThat(find(longQuad, Profile.ALL_QUADS, Kind.STRETCHED))
        .singleElement()
        .satisfies(f -> assertThat(f.measure().value()).isCloseTo(200, within(1e-9)));

    Mesh dart = new Scene().face(0, 0, 0, 2, 1, 0, 0, 4, 0, 1, 1.5, 0).mesh();
    assertThat(find(dart, Profile.ALL_QUADS, Kind.CONCAVE)).hasSize(1);
    assertThat(concaveCorners(dart)).isEqualTo(1);
    // Turned back by half a degree: no fault, but counted; by a twentieth: straight.
    for (double degrees : new double[] {0.5, 0.05}) {
      double depth = Math.tan(Math.toRadians(degrees / 2));
      Mesh notched = new Scene().face(0, 0, 0, 1, depth, 0, 2, 0, 0, 2, 2, 0, 0, 2, 0).mesh();
      assertThat(find(notched, Profile.ALL_QUADS, Kind.CONCAVE)).isEmpty();
      assertThat(concaveCorners(notched)).isEqualTo(degrees > 0.1 ? 1 : 0);
    }

    Mesh saddle = new Scene().face(0, 0, 0, 1, 0, 1, 1, 1, 0, 0, 1, 1).mesh();
    assertThat(find(saddle, Profile.ALL_QUADS, Kind.WARPED)).hasSize(1);
    Mesh gentle = new Scene().face(0, 0, 0, 1, 0, 0.3, 1, 1, 0, 0, 1, 0.3).mesh();
    assertThat(find(gentle, Profile.ALL_QUADS, Kind.WARPED)).isEmpty();
  }

  @ParameterizedTest
  @CsvSource({"0.1,1", "0.5,0"})
  void surfaceFoldedBack_isFolded(double rise, int found) {
    MeshBuilder b = new MeshBuilder();
    int[] v = {
      b.vertex(0, 0, 0), b.vertex(0, 1, 0), b.vertex(2, 0, 0),
      b.vertex(2, 1, 0), b.vertex(0, 0, rise), b.vertex(0, 1, rise)
    };
    b.face(v[0], v[2], v[3], v[1]);
    b.face(v[3], v[2], v[4], v[5]);
    assertThat(find(b.build(), Profile.ALL_QUADS, Kind.FOLDED)).hasSize(found);
  }

  @Test
  void wallInABox_isInner_theBoxIsNot() {
    MeshBuilder b = new MeshBuilder();
    int[] v = new int[12];
    for (int i = 0; i < 12; i++) {
      v[i] = b.vertex(i / 4, i % 4 == 1 || i % 4 == 2 ? 1 : 0, i % 4 >= 2 ? 1 : 0);
    }
    for (int part = 0; part < 2; part++) {
      for (int i = 0; i < 4; i++) {
        int at = 4 * part;
        int next = (i + 1) % 4;
        b.face(v[at + i], v[at + next], v[at + 4 + next], v[at + 4 + i]);
      }
    }
    b.face(v[3], v[2], v[1], v[0]);
    int wall = b.face(v[4], v[5], v[6], v[7]);
    b.face(v[8], v[9], v[10], v[11]);
    assertThat(find(b.build(), Profile.ALL_QUADS, Kind.INNER_FACE))
        .singleElement()
        .satisfies(f -> assertThat(f.elements()).containsExactly(Element.face(wall)));
  }

  @Test
  void finOnABox_isNoInnerFace() {
    Mesh cube = Meshes.cube();
    MeshBuilder b = new MeshBuilder();
    for (int v = 0; v < 8; v++) {
      b.vertex(cube.position(v));
    }
    for (int f = 0; f < 6; f++) {
      b.face(cube.vertices(f));
    }
    int[] top = cube.vertices(1);
    b.face(top[0], top[1], b.vertex(9, 9, 9));
    assertThat(find(b.build(), Profile.ALL_QUADS, Kind.INNER_FACE)).isEmpty();
  }

  /** A second box against one of edge 2 at the origin. */
  @ParameterizedTest
  @CsvSource({
    "1,1,1,crosses",
    "0.5,0.5,1,crosses",
    "1e-5,0,2,",
    "0,0,2,lies",
    "1,0.5,2,lies",
    "2,0,0,lies",
    "3,0,0,",
    "2,2,0,",
    "2,2,2,",
    "0.5,0.5,0.5,",
    "0,0,1,lies",
    "1,0,0,lies"
  })
  void boxes_crossWhereTheyPassThroughOrLieOnEachOther(double x, double y, double z, String how) {
    double size = x == 0.5 && z == 0.5 ? 1 : 2;
    double lift = x == 1e-5 ? 1e-3 : 0;
    Mesh two = new Scene().box(0, 0, 0, 2).box(x, y, z + lift, size).mesh();
    List<Finding> found = find(two, Profile.ALL_QUADS, Kind.CROSSING);
    assertThat(found).hasSize(how == null ? 0 : 1);
    for (double turn : new double[] {0.3, 1.1, 2.7}) {
      Mesh turned = shaped(two, p -> p.turned(new Vec3(1, 2, 3).unit(), Math.toDegrees(turn)));
      List<Finding> again = find(turned, Profile.ALL_QUADS, Kind.CROSSING);
      assertThat(again).hasSameSizeAs(found);
      if (!found.isEmpty()) {
        assertThat(again.getFirst().elements()).isEqualTo(found.getFirst().elements());
      }
    }
  }

  @Test
  void sheetsThatCrossCornerToCornerOrInTheirMiddle_cross() {
    Scene middle =
        new Scene()
            .face(-1, -1, 0, 1, -1, 0, 1, 1, 0, -1, 1, 0)
            .face(-1, 0, -1, 1, 0, -1, 1, 0, 1, -1, 0, 1);
    assertThat(find(middle.mesh(), Profile.ALL_QUADS, Kind.CROSSING)).hasSize(1);
    Scene diagonal =
        new Scene()
            .face(-1, -1, 0, 1, -1, 0, 1, 1, 0, -1, 1, 0)
            .face(-3, -3, -1, 3, 3, -1, 3, 3, 1, -3, -3, 1);
    assertThat(find(diagonal.mesh(), Profile.ALL_QUADS, Kind.CROSSING)).hasSize(1);
    Scene standing =
        new Scene()
            .face(-1, -1, 0, 1, -1, 0, 1, 1, 0, -1, 1, 0)
            .face(-0.5, 0, 0, 0.5, 0, 0, 0.5, 0, 1, -0.5, 0, 1);
    assertThat(find(standing.mesh(), Profile.ALL_QUADS, Kind.CROSSING)).isEmpty();
  }

  @Test
  void tubeThroughAWall_isOneFindingWithItsPairs() {
    Mesh tube = Meshes.openPrism(12);
    Mesh scene = shaped(tube, p -> p);
    MeshBuilder b = new MeshBuilder();
    for (int v = 0; v < scene.vertexEnd(); v++) {
      b.vertex(scene.position(v));
    }
    for (int f = 0; f < scene.faceEnd(); f++) {
      b.face(scene.vertices(f));
    }
    double z = scene.bounds().centre().z();
    b.face(b.vertex(-9, -9, z), b.vertex(9, -9, z), b.vertex(9, 9, z), b.vertex(-9, 9, z));
    int sides = (int) IntStream.range(0, scene.faceEnd()).filter(f -> scene.size(f) == 4).count();
    assertThat(find(b.build(), Profile.ALL_QUADS, Kind.CROSSING))
        .singleElement()
        .satisfies(f -> {
          assertThat(f.measure().value()).isEqualTo(sides);
          assertThat(f.elements()).hasSize(sides + 1);
        });
  }

  @Test
  void cutThatStops_isALoopEndAndADeadEnd() {
    Mesh grid = Meshes.grid(6, 6);
    Mesh cut = grid.copy();
    var edit = new fairedge.core.local.MeshEdit(cut);
    int from = edge(cut, new Vec3(2.5, 2, 0));
    int to = edge(cut, new Vec3(2.5, 3, 0));
    int v = edit.splitEdge(from, cut.along(from, 0.5));
    int w = edit.splitEdge(to, cut.along(to, 0.5));
    int f =
        IntStream.of(cut.facesAt(v))
            .filter(g -> cut.findCorner(g, w) >= 0)
            .findFirst()
            .orElseThrow();
    edit.splitFace(f, cut.findCorner(f, v), cut.findCorner(f, w), List.of());
    List<Finding> found = find(cut, Profile.OPEN_SHEET, grid, Kind.LOOP_END, Kind.DEAD_END);
    assertThat(found).extracting(g -> g.kind()).containsExactly(Kind.LOOP_END, Kind.DEAD_END);
    assertThat(found.getLast().measure().value()).isEqualTo(1);
    assertThat(find(grid, Profile.OPEN_SHEET, grid, Kind.LOOP_END, Kind.DEAD_END)).isEmpty();
  }

  private static int edge(Mesh mesh, Vec3 middle) {
    return IntStream.range(0, mesh.edgeEnd())
        .filter(e -> mesh.hasEdge(e) && mesh.along(e, 0.5).distance(middle) < 1e-9)
        .findFirst()
        .orElseThrow();
  }

  @Test
  void newLoopThatDoesNothing_isIdle_oneThatHoldsIsNot() {
    Mesh plain = Meshes.box(0, 1);
    Mesh middle = Meshes.box(0, 0.5, 1);
    assertThat(find(middle, Profile.FLAT_PANELS, plain, Kind.IDLE_LOOP)).hasSize(3);
    Mesh held = Meshes.box(0, 0.05, 0.95, 1);
    assertThat(find(held, Profile.FLAT_PANELS, plain, Kind.IDLE_LOOP)).isEmpty();
    Mesh torus = torus(24, 4);
    assertThat(find(torus, Profile.FLAT_PANELS, torus, Kind.IDLE_LOOP)).isEmpty();
    // A square bar, cut right round in its middle.
    Mesh bar = bar(0, 4, 8);
    assertThat(find(bar, Profile.FLAT_PANELS, bar(0, 8), Kind.IDLE_LOOP))
        .singleElement()
        .satisfies(f -> assertThat(f.measure().value()).isEqualTo(4));
    assertThat(find(bar(0, 0.2, 8), Profile.FLAT_PANELS, bar(0, 8), Kind.IDLE_LOOP)).isEmpty();
  }

  @Test
  void loopThatTheExerciseAsksFor_isNotIdle() {
    Mesh bar = bar(0, 4, 6, 8);
    double[][] round = {{4, 0, 0}, {4, 1, 0}, {4, 1, 1}};
    Wanted.Line line =
        new Wanted.Line(Arrays.stream(round).map(p -> new Vec3(p[0], p[1], p[2])).toList());
    Wanted wanted = new Wanted(null, null, null, null, false, List.of(line), List.of());
    Tolerance tolerance = Tolerance.of(bar.bounds());
    Report report =
        new Inspector(Profile.FLAT_PANELS, tolerance, new Starter(bar(0, 8), tolerance.flat()))
            .asking(wanted, List.of())
            .inspect(bar);
    assertThat(report.findings().stream().map(Report.Assessed::finding))
        .filteredOn(f -> f.kind() == Kind.IDLE_LOOP)
        .singleElement()
        .satisfies(f -> assertThat(f.place().x()).isEqualTo(6));
  }

  @Test
  void bareCube_hasTwelveHardEdges_aRoundFormOfSixSidesNoneRoundIt() {
    Mesh cube = Meshes.cube();
    assertThat(hardEdges(cube)).isEqualTo(12);
    for (int sides : new int[] {5, 6, 8, 12}) {
      // A tube: at five sides each turns by 72 degrees.
      assertThat(hardEdges(tube(sides))).as("%d sides", sides).isEqualTo(sides == 5 ? 5 : 0);
    }
  }

  private static long hardEdges(Mesh mesh) {
    Subject subject =
        new Subject(
            mesh, Tolerance.of(mesh.bounds()), Thresholds.USUAL, List.of(), null, Asking.NOTHING);
    return IntStream.range(0, mesh.edgeEnd()).filter(subject.hardEdges()::isHard).count();
  }

  /** An open tube of one ring, its places as a file with six decimals holds them. */
  private static Mesh tube(int sides) {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 2 * sides; i++) {
      double angle = 2 * Math.PI * (i % sides) / sides;
      b.vertex(
          Math.round(1e6 * Math.cos(angle)) / 1e6,
          Math.round(1e6 * Math.sin(angle)) / 1e6,
          i / sides);
    }
    for (int i = 0; i < sides; i++) {
      int next = (i + 1) % sides;
      b.face(i, next, sides + next, sides + i);
    }
    return b.build();
  }

  @Test
  void partsWithoutAnInside_areNotInsideOut() {
    Mesh cube = Meshes.cube();
    MeshBuilder turned = new MeshBuilder();
    MeshBuilder flat = new MeshBuilder();
    for (int v = 0; v < cube.vertexEnd(); v++) {
      Vec3 p = cube.position(v);
      turned.vertex(p);
      // Pressed into a tilted plane: closed, and nothing within.
      flat.vertex(p.x(), p.y(), 0.3 * p.x() + 0.7 * p.y() + 0.1);
    }
    for (int f = 0; f < cube.faceEnd(); f++) {
      int[] v = cube.vertices(f);
      turned.face(v[3], v[2], v[1], v[0]);
      flat.face(v[3], v[2], v[1], v[0]);
    }
    assertThat(find(turned.build(), Profile.ALL_QUADS, Kind.INSIDE_OUT)).hasSize(1);
    assertThat(find(flat.build(), Profile.ALL_QUADS, Kind.INSIDE_OUT)).isEmpty();
    assertThat(find(klein(12, 8), Profile.ALL_QUADS, Kind.INSIDE_OUT)).isEmpty();
  }

  /** A torus whose second way round comes back mirrored: closed, and no side is the outer one. */
  private static Mesh klein(int n, int m) {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < n; i++) {
      double u = 2 * Math.PI * i / n;
      for (int k = 0; k < m; k++) {
        double v = 2 * Math.PI * k / m;
        double r = 2 + Math.cos(u / 2) * Math.sin(v) - Math.sin(u / 2) * Math.sin(2 * v);
        b.vertex(
            -r * Math.cos(u),
            -r * Math.sin(u),
            Math.sin(u / 2) * Math.sin(v) + Math.cos(u / 2) * Math.sin(2 * v));
      }
    }
    for (int i = 0; i < n; i++) {
      for (int k = 0; k < m; k++) {
        int after = (k + 1) % m;
        boolean last = i == n - 1;
        int over = last ? (m - k) % m : (i + 1) * m + k;
        int overAfter = last ? (m - after) % m : (i + 1) * m + after;
        b.face(i * m + k, i * m + after, overAfter, over);
      }
    }
    return b.build();
  }

  /** A square bar with closed ends, of one quad each, and outlines at the given places. */
  private static Mesh bar(double... at) {
    MeshBuilder b = new MeshBuilder();
    for (double x : at) {
      for (int i = 0; i < 4; i++) {
        b.vertex(x, i == 1 || i == 2 ? 1 : 0, i > 1 ? 1 : 0);
      }
    }
    int last = 4 * (at.length - 1);
    b.face(3, 2, 1, 0);
    b.face(last, last + 1, last + 2, last + 3);
    for (int k = 0; k + 1 < at.length; k++) {
      for (int i = 0; i < 4; i++) {
        int next = (i + 1) % 4;
        b.face(4 * k + i, 4 * k + next, 4 * k + 4 + next, 4 * k + 4 + i);
      }
    }
    return b.build();
  }

  @Test
  void ringAroundAMoebiusStripAndAHelix_areSpirals() {
    assertThat(find(torus(12, 8), Profile.ALL_QUADS, Kind.SPIRAL)).isEmpty();
    // A torus whose last row is joined one on: every loop that goes round comes back beside itself.
    int n = 12;
    int m = 8;
    Mesh torus = torus(n, m);
    MeshBuilder b = new MeshBuilder();
    for (int v = 0; v < torus.vertexEnd(); v++) {
      b.vertex(torus.position(v));
    }
    for (int i = 0; i < n; i++) {
      for (int k = 0; k < m; k++) {
        int j = (i + 1) % n;
        int shift = j == 0 ? 1 : 0;
        int l = (k + 1) % m;
        b.face(i * m + k, j * m + (k + shift) % m, j * m + (l + shift) % m, i * m + l);
      }
    }
    assertThat(find(b.build(), Profile.ALL_QUADS, Kind.SPIRAL))
        .singleElement()
        .satisfies(f -> assertThat(f.measure().value()).isEqualTo(n * m));
  }

  @Test
  void widthsThatJump_areOneFindingAlongTheLoop() {
    Mesh grid =
        shaped(
            Meshes.grid(6, 4), p -> new Vec3(p.x() <= 3 ? p.x() : 3 + 4 * (p.x() - 3), p.y(), 0));
    assertThat(find(grid, Profile.OPEN_SHEET, Kind.JUMP))
        .singleElement()
        .satisfies(f -> {
          assertThat(f.elements()).hasSize(4);
          assertThat(f.measure().value()).isCloseTo(4, within(1e-12));
        });
    assertThat(find(Meshes.grid(6, 4), Profile.OPEN_SHEET, Kind.JUMP)).isEmpty();
  }

  @Test
  void newEdgesAcrossTheBend_areAskew() {
    Mesh straight = raised(12, (x, y) -> Math.sqrt(400 - x * x));
    Mesh starter = raised(1, (x, y) -> 100);
    assertThat(find(straight, Profile.SMOOTH_FORM, starter, Kind.ASKEW)).isEmpty();
    Mesh turned =
        shaped(
            Meshes.grid(12, 12),
            p -> {
              Vec3 q = p.turned(new Vec3(0, 0, 1), 40);
              return new Vec3(q.x(), q.y(), Math.sqrt(400 - q.x() * q.x()));
            });
    List<Finding> askew = find(turned, Profile.SMOOTH_FORM, starter, Kind.ASKEW);
    assertThat(askew)
        .isNotEmpty()
        .allSatisfy(f -> assertThat(f.measure().value()).isBetween(30.0, 45.0));
  }

  @Test
  void edgesFarFromTheirLoops_goSoft_heldOnesDoNot() {
    assertThat(find(Meshes.box(0, 1), Profile.SMOOTH_FORM, Kind.SOFT_EDGE)).hasSize(12);
    assertThat(find(Meshes.box(0, 0.05, 0.95, 1), Profile.SMOOTH_FORM, Kind.SOFT_EDGE)).isEmpty();
    assertThat(find(Meshes.box(0, 0.3, 0.7, 1), Profile.SMOOTH_FORM, Kind.SOFT_EDGE)).hasSize(12);
  }

  /** More hard edges than are subdivided at a time. */
  @Test
  void edgesOfVeryManyBoxes_goSoftAsThoseOfOneDo() {
    Mesh box = Meshes.box(0, 0.3, 0.7, 1);
    MeshBuilder builder = new MeshBuilder();
    for (int i = 0; i < 250; i++) {
      int first = builder.vertexCount();
      for (int v = 0; v < box.vertexEnd(); v++) {
        builder.vertex(box.position(v).plus(new Vec3(2 * i, 0, 0)));
      }
      for (int f = 0; f < box.faceEnd(); f++) {
        builder.face(Arrays.stream(box.vertices(f)).map(v -> first + v).toArray());
      }
    }
    double one = find(box, Profile.SMOOTH_FORM, Kind.SOFT_EDGE).getFirst().measure().value();
    assertThat(find(builder.build(), Profile.SMOOTH_FORM, Kind.SOFT_EDGE))
        .hasSize(12 * 250)
        .allSatisfy(f -> assertThat(f.measure().value()).isCloseTo(one, within(1e-6)));
  }

  @ParameterizedTest
  @ValueSource(doubles = {0.0005, 0.002, 0.05})
  void supportStrips_areTightUnderAThousandth(double width) {
    Mesh box = Meshes.box(0, width, 1 - width, 1);
    boolean tight = width < 0.001 * Math.sqrt(3);
    assertThat(find(box, Profile.SMOOTH_FORM, Kind.TIGHT).isEmpty()).isEqualTo(!tight);
  }

  @Test
  void foldedCage_pinches_flatOneDoesNot() {
    assertThat(find(Meshes.grid(8, 8), Profile.SMOOTH_FORM, Kind.PINCH)).isEmpty();
    Mesh spike = shaped(Meshes.grid(8, 8), p -> p.x() == 4 && p.y() == 4 ? new Vec3(4, 4, 12) : p);
    // Steep all round: its edges are hard, so it is to be held, and nothing folds.
    assertThat(find(spike, Profile.SMOOTH_FORM, Kind.PINCH)).isEmpty();
    Mesh over = shaped(Meshes.grid(8, 8), p -> p.x() == 4 && p.y() == 4 ? new Vec3(6, 6, 1) : p);
    assertThat(find(over, Profile.SMOOTH_FORM, Kind.PINCH)).isNotEmpty();
    // Up and down by turns: no edge turns at all, each face is twisted.
    Mesh twisted =
        shaped(Meshes.grid(8, 8), p -> new Vec3(p.x(), p.y(), (p.x() + p.y()) % 2 == 0 ? 20 : -20));
    assertThat(find(twisted, Profile.SMOOTH_FORM, Kind.PINCH)).isNotEmpty();
    assertThat(find(Meshes.box(0, 1), Profile.SMOOTH_FORM, Kind.PINCH)).isEmpty();
    assertThat(find(CatmullClark.refined(Meshes.cube(), 3).mesh(), Profile.SMOOTH_FORM, Kind.PINCH))
        .isEmpty();
  }

  /** A plate with a hole of 16 sides and its wall; round it one ring of quads, or of triangles. */
  private static Mesh plateWithHole(boolean collar) {
    MeshBuilder b = new MeshBuilder();
    int n = 16;
    double[][] rings = {{1, -2}, {1, 0}, {2, 0}, {4, 0}};
    for (double[] ring : rings) {
      for (int i = 0; i < n; i++) {
        double a = 2 * Math.PI * i / n;
        b.vertex(ring[0] * Math.cos(a), ring[0] * Math.sin(a), ring[1]);
      }
    }
    for (int ring = 0; ring < 3; ring++) {
      for (int i = 0; i < n; i++) {
        int at = ring * n + i;
        int next = ring * n + (i + 1) % n;
        if (ring == 1 && !collar && i == 3) {
          b.face(at, at + n, next);
          b.face(at + n, next + n, next);
        } else {
          b.face(at, at + n, next + n, next);
        }
      }
    }
    return b.build();
  }

  @Test
  void holeWithoutARingRoundIt_hasNoCollar() {
    assertThat(find(plateWithHole(true), Profile.SMOOTH_FORM, Kind.NO_COLLAR)).isEmpty();
    assertThat(find(plateWithHole(false), Profile.SMOOTH_FORM, Kind.NO_COLLAR))
        .singleElement()
        .satisfies(f -> assertThat(f.measure().value()).isEqualTo(16));
  }
}
