package fairedge.core.lens;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import fairedge.core.Meshes;
import fairedge.core.flow.EdgeLoops;
import fairedge.core.flow.Topology;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Bending.BendWay;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.lens.LensPicture.Spot;
import fairedge.core.lens.LensPicture.Tone;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.props.HarbourProps;
import fairedge.core.subdivide.CatmullClark;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Thresholds;
import fairedge.core.survey.Wanted;
import java.util.List;
import java.util.stream.IntStream;
import org.jspecify.annotations.Nullable;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class LensTest {
  private static Looks looks(Mesh mesh, @Nullable Mesh starter) {
    Tolerance tolerance = Tolerance.of(mesh.bounds());
    Starter began = starter == null ? null : new Starter(starter, tolerance.flat());
    return new Looks(Thresholds.USUAL, tolerance, began, Wanted.NOTHING);
  }

  private static LensPicture look(Mesh mesh, Lens lens) {
    return looks(mesh, null).look(mesh, lens);
  }

  private static int[] ids(List<Tone> tones, String name) {
    return tones.stream().filter(t -> t.name().equals(name)).findFirst().orElseThrow().ids();
  }

  @Test
  void flow_ofASheet_tellsTheTwoWaysApart_andEveryEdgeInsideIsInOne() {
    Mesh sheet = Meshes.grid(4, 3);
    LensPicture flow = look(sheet, Lens.FLOW);
    // Three loops of 3 edges across, two of 4 along.
    assertThat(ids(flow.edges(), "way-1")).hasSize(9);
    assertThat(ids(flow.edges(), "way-2")).hasSize(8);
    assertThat(ids(flow.edges(), "short")).isEmpty();
    assertThat(flow.spots()).isEmpty();
  }

  @Test
  void flow_showsLoopsThatCrossApart_onRoundForms() {
    for (Mesh mesh :
        List.of(HarbourProps.mooringBollard(), CatmullClark.refined(Meshes.cube(), 2).mesh())) {
      List<Tone> tones = look(mesh, Lens.FLOW).edges();
      int[] wayOf = new int[mesh.edgeEnd()];
      for (int way = 1; way <= 4; way++) {
        for (int e : tones.get(way - 1).ids()) {
          wayOf[e] = way;
        }
      }
      Topology topology = new Topology(mesh);
      int crossings = 0;
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        int[] ways = IntStream.of(mesh.edgesAt(v)).map(e -> wayOf[e]).sorted().toArray();
        if (topology.valence(v) == 4 && ways[0] > 0) {
          assertThat(ways[1]).isEqualTo(ways[0]).isLessThan(ways[2]);
          assertThat(ways[3]).isEqualTo(ways[2]);
          crossings++;
        }
      }
      assertThat(crossings).isPositive();
    }
  }

  @Test
  void flow_ofACube_stopsAtItsEightCorners() {
    LensPicture flow = look(Meshes.cube(), Lens.FLOW);
    assertThat(ids(flow.edges(), "short")).hasSize(12);
    assertThat(flow.spots()).hasSize(8).allMatch(s -> s.text().equals("3"));
    assertThat(flow.sentence())
        .isEqualTo(
            "0 of 12 loops run on until they close or come to a border; others stop at 8"
                + " poles.");
  }

  @Test
  void subdivided_tellsHowFarTheSurfaceEnds_andWhatGoesSoft() {
    Mesh cube = Meshes.cube();
    LensPicture smooth = look(cube, Lens.SUBDIVIDED);
    assertThat(smooth.sentence())
        .isEqualTo("How far the smooth surface ends from its cage; 12 hard edges go soft.");
    // A corner of the cube from 0 to 2 ends at (1/2, 1/2, 1/2): 0.866 away, an edge's middle
    // nearer.
    assertThat(smooth.spots()).singleElement().matches(s -> s.text().equals("0.866"));
    assertThat(ids(smooth.faces(), "depth-4")).hasSize(6);
    LensPicture sheet = look(Meshes.grid(4, 3), Lens.SUBDIVIDED);
    assertThat(sheet.sentence())
        .isEqualTo(
            "How far the smooth surface ends from its cage; nothing pinches, folds or goes soft.");
    // Only the sheet's four corners are rounded, each in a face of its own.
    assertThat(sheet.faces().stream().mapToInt(t -> t.ids().length).sum()).isEqualTo(4);
    assertThat(ids(sheet.faces(), "pinch")).isEmpty();
    Mesh box = Meshes.box(0, 0.3, 0.7, 1);
    Inspector strict = new Inspector(Profile.SMOOTH_FORM, Tolerance.of(box.bounds()));
    int[] soft =
        strict.inspect(box).findings().stream()
            .map(Report.Assessed::finding)
            .filter(f -> f.kind() == Kind.SOFT_EDGE)
            .flatMap(f -> f.elements().stream())
            .mapToInt(Element::id)
            .sorted()
            .toArray();
    assertThat(ids(look(box, Lens.SUBDIVIDED).edges(), "soft")).isNotEmpty().isEqualTo(soft);
  }

  @Test
  void along_saysWhereRingAndLoopEnd_andWhy() {
    Mesh cube = Meshes.cube();
    Along along = Looks.along(cube, cube.findEdge(0, 1));
    assertThat(along.ring().sentence()).isEqualTo("A ring of 4 quads. It closes.");
    assertThat(along.loop().sentence())
        .isEqualTo("A loop of 1 edge. It ends at a pole where 3 edges meet on both sides.");
    assertThat(along.loop().ends())
        .extracting(Along.CourseEnd::vertex)
        .containsExactlyInAnyOrder(0, 1);
    Mesh cut = cubeWithADiagonal();
    Along stopped = Looks.along(cut, cut.findEdge(4, 5));
    assertThat(stopped.ring().sentence())
        .isEqualTo("A ring of 3 quads. It ends at a triangle on both sides.");
    assertThat(stopped.ring().ends()).allMatch(end -> cut.size(end.face()) == 3);
    assertThatIllegalArgumentException().isThrownBy(() -> Looks.along(cube, 12));
  }

  @Test
  void along_walksTheLoopThatIsAmongAllLoops() {
    for (Mesh mesh : List.of(HarbourProps.mooringBollard(), Meshes.grid(4, 3), Meshes.crowded())) {
      EdgeLoops all = new EdgeLoops(new Topology(mesh));
      for (int e = 0; e < mesh.edgeEnd(); e++) {
        Along.Course loop = Looks.along(mesh, e).loop();
        int known = all.loopOf(e);
        assertThat(loop == null).isEqualTo(known == Mesh.NONE);
        if (loop != null) {
          assertThat(loop.edges())
              .containsExactlyInAnyOrderElementsOf(
                  IntStream.of(all.edgesOf(known)).boxed().toList());
        }
      }
    }
  }

  private static Mesh cubeWithADiagonal() {
    MeshBuilder b = new MeshBuilder();
    Mesh cube = Meshes.cube();
    for (int v = 0; v < 8; v++) {
      b.vertex(cube.position(v));
    }
    b.face(0, 2, 3);
    b.face(0, 3, 1);
    for (int f = 1; f < 6; f++) {
      b.face(cube.vertices(f));
    }
    return b.build();
  }

  @Test
  void poles_areToldByValence_newOnesOffHardEdgesStrongly() {
    Mesh sheet = Meshes.grid(6, 6);
    LensPicture none = look(sheet, Lens.POLES);
    assertThat(none.spots()).isEmpty();
    Mesh cube = Meshes.cube();
    assertThat(look(cube, Lens.POLES).sentence()).isEqualTo("8 poles: 8 of 3 edges.");
    // A fan of six quads: its hub is a pole of 6.
    LensPicture fan = look(fan(6), Lens.POLES);
    assertThat(fan.spots())
        .singleElement()
        .matches(Spot::isStrong)
        .extracting(Spot::text)
        .isEqualTo("6");
    LensPicture five = look(fan(5), Lens.POLES);
    assertThat(five.spots()).singleElement().matches(s -> !s.isStrong());
    LensPicture fresh = looks(fan(5), sheet).look(fan(5), Lens.POLES);
    assertThat(fresh.spots())
        .singleElement()
        .matches(Spot::isStrong)
        .extracting(Spot::words)
        .asString()
        .startsWith("5 edges meet here, new");
  }

  /** Flat quads round a vertex. */
  private static Mesh fan(int n) {
    MeshBuilder b = new MeshBuilder();
    b.vertex(0, 0, 0);
    for (int i = 0; i < 2 * n; i++) {
      double angle = Math.PI * i / n;
      b.vertex(Math.cos(angle), Math.sin(angle), 0);
    }
    for (int i = 0; i < n; i++) {
      b.face(0, 1 + 2 * i, 2 + 2 * i, 1 + (2 * i + 2) % (2 * n));
    }
    return b.build();
  }

  /** Columns of quads, 1 deep, of these widths. */
  private static Mesh columns(double... widths) {
    MeshBuilder b = new MeshBuilder();
    double x = 0;
    for (int i = 0; i <= widths.length; i++) {
      b.vertex(x, 0, 0);
      b.vertex(x, 1, 0);
      x += i < widths.length ? widths[i] : 0;
    }
    for (int i = 0; i < widths.length; i++) {
      b.face(2 * i, 2 * i + 2, 2 * i + 3, 2 * i + 1);
    }
    return b.build();
  }

  @Test
  void spacing_showsStretchedQuads_andWhereWidthsJump() {
    Mesh columns = columns(1, 3, 5, 1.2, 9);
    LensPicture spacing = look(columns, Lens.SPACING);
    assertThat(ids(spacing.faces(), "mild")).containsExactly(1);
    assertThat(ids(spacing.faces(), "much")).containsExactly(2);
    assertThat(ids(spacing.faces(), "over")).containsExactly(4);
    // 3 to 1 is at the limit, not over it; 5 to 3 is even enough.
    assertThat(ids(spacing.edges(), "step")).containsExactly(columns.findEdge(2, 3));
    assertThat(ids(spacing.edges(), "jump"))
        .containsExactly(
            IntStream.of(columns.findEdge(6, 7), columns.findEdge(8, 9)).sorted().toArray());
    assertThat(spacing.sentence())
        .isEqualTo("1 quad is stretched over 8 to 1; widths jump at 2 edges.");
  }

  @Test
  void shapeChange_isMeasuredFromTheStarter_inFourSteps() {
    Mesh sheet = Meshes.grid(8, 8);
    Mesh same = MeshBytes.read(MeshBytes.write(sheet));
    assertThat(looks(same, sheet).look(same, Lens.SHAPE_CHANGE).sentence())
        .isEqualTo("The surface lies where the starter's lies.");
    Mesh raised = Meshes.grid(8, 8);
    int middle = 4 * 9 + 4;
    new MeshEdit(raised).moveVertex(middle, new Vec3(4, 4, 0.15));
    LensPicture change = looks(raised, sheet).look(raised, Lens.SHAPE_CHANGE);
    assertThat(change.faces())
        .extracting(Tone::words)
        .containsExactly("Up to 0.05", "Up to 0.1", "Up to 0.15", "Up to 0.2");
    assertThat(ids(change.faces(), "depth-3")).containsExactly(27, 28, 35, 36);
    assertThat(change.spots())
        .singleElement()
        .isEqualTo(
            new Spot(
                Mesh.NONE, new Vec3(4, 4, 0.15), "0.15", true, "Farthest from the starter", true));
    assertThat(looks(raised, null).look(raised, Lens.SHAPE_CHANGE).sentence())
        .isEqualTo("There is no starter to compare with.");
  }

  @ParameterizedTest
  @EnumSource
  void everyLens_takesEveryMesh(Lens lens) {
    for (var fixture : Meshes.all().entrySet()) {
      Mesh mesh = fixture.getValue();
      LensPicture picture = looks(mesh, Meshes.cube()).look(mesh, lens);
      assertThat(picture.sentence()).as(fixture.getKey()).isNotBlank();
      picture.faces().forEach(t -> assertThat(IntStream.of(t.ids())).allMatch(mesh::hasFace));
      picture.edges().forEach(t -> assertThat(IntStream.of(t.ids())).allMatch(mesh::hasEdge));
    }
  }

  @Test
  void placesBeyondMeasure_areLookedAt_withoutAnError() {
    for (double far : new double[] {1e300, 1e155, 1e-300, Double.MIN_VALUE, Double.NaN}) {
      MeshBuilder b = new MeshBuilder();
      for (int v = 0; v < 12; v++) {
        b.vertex(v % 4, far * (v / 4), v == 5 ? far : 0);
      }
      for (int f : new int[] {0, 1, 2, 4, 5, 6}) {
        b.face(f, f + 1, f + 5, f + 4);
      }
      b.vertex(1.5, 0, 0);
      b.face(12, 0, 7);
      Mesh mesh = b.build();
      Looks looks = looks(mesh, Meshes.grid(3, 2));
      for (Lens lens : Lens.values()) {
        assertThat(looks.look(mesh, lens).sentence()).isNotBlank();
      }
      for (BendWay way : BendWay.values()) {
        BendTrial trial = new BendTrial(way, Axis.Y, Axis.Z, 0.9, 0.25, 15);
        assertThat(looks.bend(mesh, trial).picture().sentence()).isNotBlank();
      }
    }
  }
}
