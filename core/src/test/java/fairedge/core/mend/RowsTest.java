package fairedge.core.mend;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.step.Forming;
import fairedge.core.step.Mending;
import fairedge.core.step.Outcome;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Wanted;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** For single kinds of findings, what is offered on a small mesh. */
class RowsTest {
  private static List<Mend> mends(Mesh mesh, String profile, String kind) {
    return mends(mesh, profile, kind, Wanted.NOTHING);
  }

  private static List<Mend> mends(Mesh mesh, String profile, String kind, Wanted wanted) {
    Tolerance tolerance = Tolerance.of(mesh.bounds());
    Workpiece workpiece = new Workpiece(mesh, tolerance);
    State state =
        State.of(
            new Inspector(Profile.named(profile), tolerance).asking(wanted, List.of()), workpiece);
    Assessed found =
        state.report().findings().stream()
            .filter(a -> a.finding().kind().key().equals(kind))
            .findFirst()
            .orElseThrow();
    return new Mender(workpiece, state, List.of()).of(found.finding()).mends();
  }

  private static Mesh after(Mesh mesh, Mend mend) {
    Mesh copy = MeshBytes.read(MeshBytes.write(mesh));
    assertThat(new Workpiece(copy, Tolerance.of(copy.bounds())).apply(mend.change()))
        .isInstanceOf(Outcome.Made.class);
    return copy;
  }

  @Test
  void whereOnePartLiesInAnother_theyMeet() {
    MeshBuilder builder = new MeshBuilder();
    box(builder, new Vec3(0, 0, 0), new Vec3(2, 2, 2));
    box(builder, new Vec3(0.7, 0.8, 0.9), new Vec3(1.4, 1.3, 4));
    List<Mend> mends = mends(builder.build(), "Flat panels", "crossing");
    assertThat(mends)
        .anySatisfy(m -> assertThat(m.does()).startsWith("Let the two parts meet"))
        .allSatisfy(
            m -> assertThat(m.changes()).singleElement().isInstanceOf(Forming.MeetChange.class));
  }

  @Test
  void whereQuadsChangeTheirWidth_theLoopBetweenIsSlid() {
    Mesh mesh = columns(0, 1, 2, 3, 3.2, 5, 6, 7);
    List<Mend> mends = mends(mesh, "Open sheet", "jump");
    Mend slid =
        mends.stream()
            .filter(m -> m.changes().getFirst() instanceof Tidying.SlideChange)
            .findFirst()
            .orElseThrow();
    assertThat(slid.cost().facesAdded()).isZero();
    assertThat(after(mesh, slid).faceCount()).isEqualTo(mesh.faceCount());
  }

  @Test
  void aLineBesideTheRequiredOne_isSlidOntoIt() {
    Mesh mesh = columns(0, 1, 2.2, 3, 4);
    Wanted.Line line = new Wanted.Line(List.of(new Vec3(2, 0, 0), new Vec3(2, 4, 0)));
    Wanted wanted = new Wanted(null, null, null, null, false, List.of(line), List.of());
    List<Mend> mends = mends(mesh, "Open sheet", "off-line", wanted);
    assertThat(mends).first().extracting(Mend::does).asString().startsWith("Slide this line");
    Mesh slid = after(mesh, mends.getFirst());
    assertThat(IntStream.range(0, slid.vertexEnd()).filter(v -> slid.position(v).x() == 2))
        .hasSize(5);
  }

  /** The corner of a T is the end of a line, which runs on across. */
  @Test
  void aCornerThatDoesNotTurn_isRunOnFrom_orMoved() {
    MeshBuilder builder = new MeshBuilder();
    double[][] at = {
      {0, 0}, {1, 0}, {2, 0}, {3, 0}, {0, 1}, {1, 1}, {1.5, 1}, {2, 1}, {3, 1}, {0, 2}, {1, 2},
      {1.5, 2}, {2, 2}, {3, 2}
    };
    for (double[] p : at) {
      builder.vertex(p[0], p[1], 0);
    }
    builder.face(0, 1, 5, 4);
    builder.face(1, 2, 7, 6, 5);
    builder.face(2, 3, 8, 7);
    builder.face(4, 5, 10, 9);
    builder.face(5, 6, 11, 10);
    builder.face(6, 7, 12, 11);
    builder.face(7, 8, 13, 12);
    Mesh mesh = builder.build();
    List<Mend> mends = mends(mesh, "Open sheet", "ngon");
    assertThat(mends).isNotEmpty();
    assertThat(mends)
        .allSatisfy(m -> {
          Mesh whole = after(mesh, m);
          for (int f = 0; f < whole.faceEnd(); f++) {
            assertThat(!whole.hasFace(f) || whole.size(f) == 4).isTrue();
          }
        });
  }

  /** Six faces round a vertex: triangles on two sides of it, quads between. */
  private static Mesh twoTrianglesInACorner() {
    MeshBuilder builder = new MeshBuilder();
    int middle = builder.vertex(new Vec3(0, 0, 0));
    int[] near = new int[6];
    for (int i = 0; i < 6; i++) {
      near[i] = builder.vertex(on(60 * i - 30, 1));
    }
    for (int i = 0; i < 6; i++) {
      int next = near[(i + 1) % 6];
      if (i % 3 == 0) {
        builder.face(middle, near[i], next);
      } else {
        builder.face(middle, near[i], builder.vertex(on(60 * i, 1.8)), next);
      }
    }
    return builder.build();
  }

  private static Vec3 on(double degrees, double radius) {
    double angle = Math.toRadians(degrees);
    return new Vec3(radius * Math.cos(angle), radius * Math.sin(angle), 0);
  }

  @Test
  void theCornerOfTwoTriangles_isDrawnOut_intoAnEdge() {
    Mesh mesh = twoTrianglesInACorner();
    Mend mend =
        mends(mesh, "Open sheet", "triangle").stream()
            .filter(m -> m.changes().getFirst() instanceof Mending.DrawOutChange)
            .findFirst()
            .orElseThrow();
    assertThat(mend.cost().moved()).isZero();
    assertThat(mend.cost().poles()).as("a six becomes two fours").isEmpty();
    Mesh after = after(mesh, mend);
    assertThat(after.faceCount()).isEqualTo(6);
    assertThat(IntStream.range(0, after.faceEnd()).filter(after::hasFace).map(after::size))
        .containsOnly(4);
  }

  @Test
  void aVertex_isDrawnOutOnlyInsideASurface_andBetweenFacesThatDoNotTouch() {
    Mesh mesh = twoTrianglesInACorner();
    byte[] before = MeshBytes.write(mesh);
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    assertThat(workpiece.apply(new Mending.DrawOutChange(0, 0, 1, 0.25)))
        .isInstanceOfSatisfying(
            Outcome.Refused.class,
            refused -> assertThat(refused.refusal().reason()).contains("No face lies between"));
    assertThat(workpiece.apply(new Mending.DrawOutChange(1, 0, 5, 0.25)))
        .isInstanceOf(Outcome.Refused.class);
    assertThat(workpiece.apply(new Mending.DrawOutChange(0, 0, 3, 1)))
        .isInstanceOf(Outcome.Refused.class);
    assertThat(workpiece.apply(new Mending.DrawOutChange(0, 0, 3, 0.25)))
        .isInstanceOf(Outcome.Made.class);
    workpiece.undo();
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
  }

  /** Asked for one, it is among those that are offered when more are. */
  @Test
  void theFirst_isOneOfThose() {
    Mesh mesh = twoTrianglesInACorner();
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    State state =
        State.of(new Inspector(Profile.named("Open sheet"), workpiece.tolerance()), workpiece);
    Assessed triangle =
        state.report().findings().stream()
            .filter(a -> a.finding().kind().key().equals("triangle"))
            .findFirst()
            .orElseThrow();
    Mender mender = new Mender(workpiece, state, List.of());
    List<Mend> first = mender.of(triangle.finding(), 1).mends();
    assertThat(first).hasSize(1);
    assertThat(mender.of(triangle.finding()).mends())
        .extracting(Mend::changes)
        .contains(first.getFirst().changes());
  }

  @Test
  void twoOfTheSameSentence_areToldApart() {
    MeshBuilder builder = new MeshBuilder();
    for (int i = 0; i < 6; i++) {
      builder.vertex(Math.cos(i * Math.PI / 3), Math.sin(i * Math.PI / 3), 0);
    }
    builder.face(0, 1, 2, 3, 4, 5);
    assertThat(mends(builder.build(), "Open sheet", "ngon"))
        .extracting(Mend::does)
        .doesNotHaveDuplicates()
        .first()
        .isEqualTo("Connect two corners: 2 quads, no new vertex.");
  }

  private static Mesh columns(double... xs) {
    MeshBuilder builder = new MeshBuilder();
    for (int j = 0; j < 5; j++) {
      for (double x : xs) {
        builder.vertex(x, j, 0);
      }
    }
    int n = xs.length;
    for (int j = 0; j < 4; j++) {
      for (int i = 0; i + 1 < n; i++) {
        int v = j * n + i;
        builder.face(v, v + 1, v + n + 1, v + n);
      }
    }
    return builder.build();
  }

  private static void box(MeshBuilder builder, Vec3 from, Vec3 to) {
    int v = 0;
    for (int i = 0; i < 8; i++) {
      int made =
          builder.vertex(
              (i & 1) == 0 ? from.x() : to.x(),
              (i & 2) == 0 ? from.y() : to.y(),
              (i & 4) == 0 ? from.z() : to.z());
      v = i == 0 ? made : v;
    }
    int[][] sides = {
      {0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}
    };
    for (int[] side : sides) {
      builder.face(v + side[0], v + side[1], v + side[2], v + side[3]);
    }
  }
}
