package fairedge.core.form;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.form.Fold.Hinge;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Forming;
import fairedge.core.step.Receipt;
import fairedge.core.step.Workpiece;
import java.util.ArrayList;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Worked examples with known angles, and that lengths are kept. */
class FoldTest {
  private static Receipt made(Mesh mesh, Integer held, Hinge... hinges) {
    double[] before = lengths(mesh);
    Receipt receipt = Formed.made(mesh, new Forming.FoldChange(List.of(hinges), held));
    assertThat(lengths(mesh)).containsExactly(before, within(1e-12 * mesh.bounds().diagonal()));
    return receipt;
  }

  private static String refused(Mesh mesh, Hinge... hinges) {
    return Formed.refused(mesh, new Forming.FoldChange(List.of(hinges), null));
  }

  /** Between all corners of each face: so panels stay rigid. */
  private static double[] lengths(Mesh mesh) {
    return IntStream.range(0, mesh.faceEnd())
        .filter(mesh::hasFace)
        .mapToObj(mesh::vertices)
        .flatMapToDouble(round ->
            IntStream.range(0, round.length * round.length)
                .mapToDouble(i ->
                    mesh.position(round[i / round.length])
                        .distance(mesh.position(round[i % round.length]))))
        .toArray();
  }

  private static Hinge hinge(Mesh mesh, int a, int b, double angle) {
    return new Hinge(List.of(mesh.findEdge(a, b)), angle, false);
  }

  private static Hinge follower(Mesh mesh, int a, int b, double guess) {
    return new Hinge(List.of(mesh.findEdge(a, b)), guess, true);
  }

  @Test
  void sheet_foldsAboutOneHinge_frontsTogether() {
    Mesh mesh = Formed.sheet();
    made(mesh, 0, hinge(mesh, 1, 4, 90));
    assertThat(mesh.position(0)).as("the held panel keeps its bits").isEqualTo(Vec3.ZERO);
    assertThat(mesh.position(2).distance(new Vec3(1, 0, 1))).isLessThan(1e-15);
    Mesh back = Formed.sheet();
    made(back, 1, hinge(back, 1, 4, -90));
    assertThat(back.position(2)).isEqualTo(new Vec3(2, 0, 0));
    assertThat(back.position(0).distance(new Vec3(1, 0, -1))).isLessThan(1e-15);
    // The angle is that of the faces after the change, whatever it was.
    made(mesh, 0, hinge(mesh, 1, 4, 30));
    double at = Math.toRadians(30);
    assertThat(mesh.position(2).distance(new Vec3(1 + Math.cos(at), 0, Math.sin(at))))
        .isLessThan(1e-15);
    made(mesh, 0, hinge(mesh, 1, 4, 0));
    assertThat(mesh.position(2).distance(new Vec3(2, 0, 0))).isLessThan(1e-15);
    made(mesh, 0, hinge(mesh, 1, 4, 180));
    assertThat(mesh.position(2).distance(new Vec3(0, 0, 0))).isLessThan(1e-15);
  }

  /** A cross of six squares folds to a cube. */
  @Test
  void net_foldsToACube() {
    MeshBuilder b = new MeshBuilder();
    for (double[] p :
        new double[][] {
          {1, 0}, {2, 0}, {0, 1}, {1, 1}, {2, 1}, {3, 1}, {0, 2}, {1, 2}, {2, 2}, {3, 2}, {1, 3},
          {2, 3}, {1, 4}, {2, 4}
        }) {
      b.vertex(new Vec3(p[0], p[1], 0));
    }
    b.face(0, 1, 4, 3);
    b.face(2, 3, 7, 6);
    b.face(3, 4, 8, 7);
    b.face(4, 5, 9, 8);
    b.face(7, 8, 11, 10);
    b.face(10, 11, 13, 12);
    Mesh mesh = b.build();
    made(
        mesh,
        2,
        hinge(mesh, 3, 4, 90),
        hinge(mesh, 3, 7, 90),
        hinge(mesh, 4, 8, 90),
        hinge(mesh, 7, 8, 90),
        hinge(mesh, 10, 11, 90));
    Formed.made(mesh, new Forming.RejoinChange(List.of()));
    assertThat(Formed.counts(mesh)).containsExactly(8, 12, 6);
    assertThat(Math.abs(Formed.volume(mesh))).isCloseTo(1, within(1e-12));
  }

  @Test
  void card_foldsFlat_alongAllItsLines() {
    Mesh mesh = HarbourProps.foldedSailCard();
    List<Hinge> lines = new ArrayList<>();
    for (int i = 1; i < 6; i++) {
      int at = 4 * i;
      lines.add(
          new Hinge(
              IntStream.range(0, 3).mapToObj(j -> mesh.findEdge(at + j, at + j + 1)).toList(),
              0,
              false));
    }
    made(mesh, 0, lines.toArray(Hinge[]::new));
    Vec3 normal = mesh.polygon(0).newell().unit();
    Vec3 from = mesh.position(0);
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      assertThat(mesh.position(v).minus(from).dot(normal)).isCloseTo(0, within(1e-12 * 300));
    }
  }

  /** Four panels round a vertex, their corners of 60, 90, 120 and 90 degrees: they fold flat. */
  private static Mesh star() {
    MeshBuilder b = new MeshBuilder();
    b.vertex(Vec3.ZERO);
    double at = 0;
    for (double corner : new double[] {60, 90, 120, 90}) {
      b.vertex(new Vec3(Math.cos(Math.toRadians(at)), Math.sin(Math.toRadians(at)), 0));
      at += corner;
    }
    for (int i = 0; i < 4; i++) {
      b.face(0, 1 + i, 1 + (i + 1) % 4);
    }
    return b.build();
  }

  /**
   * Of a vertex that folds flat, opposite hinges fold alike in size, and the tangents of half the
   * angles of neighbours stand in a fixed proportion (Huffman, "Curvature and creases", 1976).
   */
  @Test
  void oneHingeOfFour_givesTheRest_onTheWayOfTheSigns() {
    for (double sign : new double[] {1, -1}) {
      Mesh mesh = star();
      made(
          mesh,
          0,
          hinge(mesh, 0, 1, 40),
          follower(mesh, 0, 2, sign * 30),
          follower(mesh, 0, 3, sign > 0 ? -30 : 30),
          follower(mesh, 0, 4, sign > 0 ? 30 : 30));
      double[] angles = IntStream.rangeClosed(1, 4).mapToDouble(v -> angle(mesh, v)).toArray();
      assertThat(angles[0]).isCloseTo(40, within(1e-9));
      assertThat(Math.abs(angles[2])).isCloseTo(40, within(1e-6));
      assertThat(Math.abs(angles[1])).isCloseTo(Math.abs(angles[3]), within(1e-6));
    }
    Mesh alone = star();
    assertThat(
            refused(
                alone,
                hinge(alone, 0, 1, 40),
                hinge(alone, 0, 2, 0),
                hinge(alone, 0, 3, 0),
                hinge(alone, 0, 4, 0)))
        .contains("don't close");
    Mesh open = star();
    Receipt found =
        made(
            open,
            0,
            hinge(open, 0, 1, 40),
            follower(open, 0, 2, 0),
            follower(open, 0, 3, 0),
            follower(open, 0, 4, 0));
    assertThat(found.remarks()).filteredOn(r -> r.text().contains("follows")).hasSize(3);
  }

  private static double angle(Mesh mesh, int v) {
    int e = mesh.findEdge(0, v);
    int c = mesh.firstSideOn(e);
    Vec3 one = mesh.polygon(mesh.faceOf(c)).normal();
    Vec3 two = mesh.polygon(mesh.faceOf(mesh.nextOnEdge(c))).normal();
    Vec3 along =
        mesh.position(mesh.vertexOf(mesh.next(c))).minus(mesh.position(mesh.vertexOf(c))).unit();
    return Math.toDegrees(Math.atan2(-one.cross(two).dot(along), one.dot(two)));
  }

  @Test
  void whatIsNoHinge_isRefused() {
    Mesh bar = Formed.bar(3);
    assertThat(refused(bar, new Hinge(List.of(Formed.along(bar)[0]), 10, false)))
        .contains("hangs together on both sides");
    Mesh sheet = Formed.sheet();
    assertThat(refused(sheet, new Hinge(List.of(sheet.findEdge(0, 1)), 10, false)))
        .contains("border");
    assertThat(refused(sheet, hinge(sheet, 1, 4, 200))).contains("-180 to 180");
  }

  @Test
  void panelsThatPassThroughOneAnother_areMarked() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 4; i++) {
      b.vertex(new Vec3(i == 3 ? 3.3 : i, i == 3 ? 0.2 : 0, 0));
      b.vertex(new Vec3(i == 3 ? 3.3 : i, i == 3 ? 0.8 : 1, 0));
    }
    for (int i = 0; i < 3; i++) {
      b.face(2 * i, 2 * i + 2, 2 * i + 3, 2 * i + 1);
    }
    Mesh mesh = b.build();
    Receipt receipt = made(mesh, 0, hinge(mesh, 2, 3, 120), hinge(mesh, 4, 5, 130));
    assertThat(receipt.remarks()).anyMatch(r -> r.text().contains("pass through one another"));
    Mesh fine = Formed.sheet();
    assertThat(made(fine, 0, hinge(fine, 1, 4, 170)).remarks()).isEmpty();
  }

  private static FoldMotions played(Mesh mesh, Hinge... hinges) {
    byte[] before = MeshBytes.write(mesh);
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    FoldMotions motions = workpiece.motions(new Forming.FoldChange(List.of(hinges), 0));
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    return motions;
  }

  /** Where a pose puts a place; the rotation by Rodrigues, not by the matrix that it came from. */
  private static Vec3 posed(FoldMotions.MovedPanel panel, int stop, Vec3 p) {
    List<Double> q = panel.poses().subList(7 * stop, 7 * stop + 7);
    Vec3 axis = new Vec3(q.get(0), q.get(1), q.get(2));
    double half = Math.toDegrees(Math.atan2(axis.length(), q.get(3)));
    Vec3 turned = axis.length() > 0 ? p.turned(axis.unit(), 2 * half) : p;
    return turned.plus(new Vec3(q.get(4), q.get(5), q.get(6)));
  }

  /** At every stop a panel stands where a fold by that share of the angle would put it. */
  @Test
  void motions_areThoseOfTheFold_atEveryStop() {
    for (double start : new double[] {0, 50}) {
      for (double end : new double[] {178, -90, 31}) {
        Mesh mesh = Formed.sheet();
        if (start != 0) {
          made(mesh, 0, hinge(mesh, 1, 4, start));
        }
        FoldMotions motions = played(mesh, hinge(mesh, 1, 4, end));
        int last = motions.stops() - 1;
        assertThat(last).isEqualTo((int) Math.ceil(Math.abs(end) / 2));
        assertThat(motions.panels()).hasSize(1);
        assertThat(motions.panels().getFirst().faces()).containsExactly(1);
        for (int stop = 0; stop <= last; stop++) {
          Mesh folded = mesh.copy();
          Formed.apply(
              folded, new Forming.FoldChange(List.of(hinge(folded, 1, 4, end * stop / last)), 0));
          Vec3 place = posed(motions.panels().getFirst(), stop, mesh.position(2));
          assertThat(place.distance(folded.position(2))).isLessThan(1e-12);
        }
      }
    }
  }

  @Test
  void motions_tellFromWhereOnPanelsPass() {
    MeshBuilder b = new MeshBuilder();
    double[] lines = {0, 2, 3, 4.6};
    for (int i = 0; i < 8; i++) {
      b.vertex(lines[i / 2], i % 2, 0);
    }
    b.face(0, 2, 3, 1);
    b.face(2, 4, 5, 3);
    b.face(4, 6, 7, 5);
    Mesh mesh = b.build();
    FoldMotions motions = played(mesh, hinge(mesh, 2, 3, 130), hinge(mesh, 4, 5, 130));
    assertThat(motions.passing()).isNotNull();
    assertThat(motions.passing().faces()).containsExactlyInAnyOrder(0, 2);
    assertThat(motions.passing().stop()).isBetween(45, 65);
    assertThat(played(mesh, hinge(mesh, 2, 3, 60)).passing()).isNull();
  }
}
