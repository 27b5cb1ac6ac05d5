package fairedge.core.form;

import static fairedge.core.form.Formed.counts;
import static fairedge.core.form.Formed.cube;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.form.Inset.Margin;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.MeshCheck;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.step.Workpiece;
import java.util.Arrays;
import java.util.List;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Worked examples with known counts, and laws over many regions. */
class InsetTest {
  private static final int TOP = 1;
  private static final int FRONT = 2;

  /** One face, by its corners in the plane. */
  private static Mesh face(double... xy) {
    MeshBuilder b = new MeshBuilder();
    int[] round = new int[xy.length / 2];
    for (int i = 0; i < round.length; i++) {
      round[i] = b.vertex(new Vec3(xy[2 * i], xy[2 * i + 1], 0));
    }
    b.face(round);
    return b.build();
  }

  /** A flat sheet of n by n unit squares. */
  private static Mesh grid(int n) {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < (n + 1) * (n + 1); i++) {
      b.vertex(new Vec3(i % (n + 1), i / (n + 1), 0));
    }
    for (int y = 0; y < n; y++) {
      for (int x = 0; x < n; x++) {
        int at = y * (n + 1) + x;
        b.face(at, at + 1, at + n + 2, at + n + 1);
      }
    }
    return b.build();
  }

  private static Margin inwards(double w) {
    return new Margin(w, 0, false, true, false);
  }

  private static Margin outwards(double w) {
    return new Margin(w, 0, true, false, false);
  }

  private static double area(Mesh mesh) {
    return IntStream.range(0, mesh.faceEnd())
        .filter(mesh::hasFace)
        .mapToDouble(f -> mesh.polygon(f).area())
        .sum();
  }

  private static double apart(Mesh mesh, int v, double x, double y, double z) {
    return mesh.position(v).minus(new Vec3(x, y, z)).length();
  }

  private static Receipt made(Mesh mesh, boolean each, Margin margin, Integer... faces) {
    return Formed.made(mesh, new Forming.InsetChange(List.of(faces), each, margin));
  }

  private static String refused(Mesh mesh, boolean each, Margin margin, Integer... faces) {
    return Formed.refused(mesh, new Forming.InsetChange(List.of(faces), each, margin));
  }

  @Test
  void faces_ofACube() {
    Mesh top = cube();
    made(top, false, inwards(0.2), TOP);
    assertThat(counts(top)).containsExactly(12, 20, 10);
    assertThat(area(top)).isCloseTo(6, within(1e-12));
    assertThat(top.polygon(TOP).area()).isCloseTo(0.36, within(1e-12));
    assertThat(apart(top, top.vertices(TOP)[0], 0.2, 0.2, 1)).isLessThan(1e-12);
    Mesh each = cube();
    made(each, true, inwards(0.2), 0, 1, 2, 3, 4, 5);
    assertThat(counts(each)).containsExactly(32, 60, 30);
    Mesh two = cube();
    made(two, false, inwards(0.2), TOP, FRONT);
    assertThat(counts(two)).containsExactly(14, 24, 12);
    assertThat(two.polygon(TOP).area())
        .as("from the three other sides only: the two hang together")
        .isCloseTo(0.6 * 0.8, within(1e-12));
  }

  @Test
  void height_raisesTheRegionAlongItsNormal() {
    Mesh mesh = cube();
    made(mesh, false, new Margin(0.2, 0.5, false, true, false), TOP);
    assertThat(Arrays.stream(mesh.vertices(TOP)).mapToObj(mesh::position))
        .allSatisfy(p -> assertThat(p.z()).isCloseTo(1.5, within(1e-12)));
    assertThat(refused(cube(), false, inwards(0.2), 0, 1, 2, 3, 4, 5)).contains("no border");
  }

  /** The width is measured in the face, square to the side that it starts from. */
  @Test
  void corners_lieWhereTheLinesCross() {
    Mesh acute = face(0, 0, 4, 0, 0, 3);
    made(acute, false, inwards(0.5), 0);
    int[] inner = acute.vertices(0);
    assertThat(apart(acute, inner[0], 0.5, 0.5, 0)).isLessThan(1e-12);
    // The inscribed circle has radius 1: half way to its middle all lines are 0.5 from the sides.
    assertThat(apart(acute, inner[1], 2.5, 0.5, 0)).isLessThan(1e-12);
    assertThat(apart(acute, inner[2], 0.5, 2, 0)).isLessThan(1e-12);
    // An L: at the corner that turns back the lines cross beyond it.
    Mesh concave = face(0, 0, 2, 0, 2, 1, 1, 1, 1, 2, 0, 2);
    made(concave, false, inwards(0.25), 0);
    assertThat(apart(concave, concave.vertices(0)[3], 0.75, 0.75, 0)).isLessThan(1e-12);
    assertThat(area(concave)).isCloseTo(3, within(1e-12));
    // Straight on: square to the side.
    Mesh straight = face(0, 0, 1, 0, 2, 0, 2, 2, 0, 2);
    made(straight, false, inwards(0.25), 0);
    assertThat(apart(straight, straight.vertices(0)[1], 1, 0.25, 0)).isLessThan(1e-12);
  }

  @Test
  void regionOfManyFaces_keepsTheirSides_andGetsOneRing() {
    Mesh mesh = grid(4);
    // The four in the middle; the vertex between them has no end and stays.
    made(mesh, false, inwards(0.25), 5, 6, 9, 10);
    assertThat(mesh.faceCount()).isEqualTo(16 + 8);
    assertThat(area(mesh)).isCloseTo(16, within(1e-12));
    assertThat(Arrays.stream(new int[] {5, 6, 9, 10}).map(mesh::size)).containsOnly(4);
    assertThat(IntStream.range(0, mesh.faceEnd()).map(mesh::size)).containsOnly(4);
    assertThat(mesh.position(mesh.vertices(5)[0])).isEqualTo(new Vec3(1.25, 1.25, 0));
    assertThat(mesh.position(mesh.vertices(5)[1])).isEqualTo(new Vec3(2, 1.25, 0));
  }

  @Test
  void holeOfARegion_getsItsOwnRing() {
    Mesh mesh = grid(3);
    Integer[] round = {0, 1, 2, 3, 5, 6, 7, 8};
    made(mesh, false, inwards(0.2), round);
    assertThat(mesh.faceCount()).isEqualTo(9 + 12 + 4);
    assertThat(mesh.polygon(4).area()).as("the hole is as it was").isEqualTo(1);
    assertThat(area(mesh)).isCloseTo(9, within(1e-12));
    Mesh open = grid(3);
    made(open, false, new Margin(0.2, 0, false, false, false), round);
    assertThat(open.faceCount()).as("not along the border of the mesh").isEqualTo(9 + 4);
    assertThat(
            refused(
                grid(3), false, new Margin(0.2, 0, false, false, false), 0, 1, 2, 3, 4, 5, 6, 7, 8))
        .contains("no border");
  }

  @Test
  void ringEndsOpen_onTheBorderOfTheMesh() {
    Mesh mesh = grid(2);
    made(mesh, false, new Margin(0.25, 0, false, false, false), 0, 1);
    // Two quads along the one side that has faces beyond it.
    assertThat(mesh.faceCount()).isEqualTo(4 + 2);
    assertThat(area(mesh)).isCloseTo(4, within(1e-12));
    assertThat(mesh.bounds()).isEqualTo(grid(2).bounds());
    assertThat(IntStream.range(0, mesh.faceEnd()).map(mesh::size)).containsOnly(4);
  }

  @Test
  void collar_liesInTheFacesBeside_andTheChosenStay() {
    Mesh mesh = grid(4);
    made(mesh, false, outwards(0.25), 5, 6, 9, 10);
    assertThat(mesh.faceCount()).isEqualTo(16 + 8);
    assertThat(mesh.polygon(5).area()).isEqualTo(1);
    assertThat(area(mesh)).isCloseTo(16, within(1e-12));
    assertThat(IntStream.range(0, mesh.faceEnd()).map(mesh::size)).containsOnly(4);
    Mesh top = cube();
    made(top, false, outwards(0.25), TOP);
    assertThat(counts(top)).containsExactly(12, 20, 10);
    assertThat(top.polygon(FRONT).area()).isCloseTo(0.75, within(1e-12));
  }

  @Test
  void tooWide_isRefusedWithTheBound_whichIsTooWideItself() {
    assertThat(refused(cube(), false, inwards(0.6), TOP)).contains("less than 0.5");
    assertThat(refused(cube(), false, inwards(0.5), TOP)).contains("less than 0.5");
    made(cube(), false, inwards(0.4999), TOP);
    // A bar between two rooms: its sides touch long before any of them is lost.
    double[] dumbbell = {
      0, 0, 3, 0, 3, 1.4, 5, 1.4, 5, 0, 8, 0, 8, 3, 5, 3, 5, 1.6, 3, 1.6, 3, 3, 0, 3
    };
    assertThat(refused(face(dumbbell), false, inwards(0.2), 0)).contains("less than 0.1");
    made(face(dumbbell), false, inwards(0.09), 0);
    Receipt roomy = made(cube(), false, new Margin(2, 0, false, true, true), TOP);
    assertThat(roomy.remarks()).anyMatch(r -> r.text().contains("0.4500 wide"));
    assertThat(refused(cube(), false, inwards(0), TOP)).contains("more than 0");
    assertThat(refused(cube(), false, inwards(Double.NaN), TOP)).contains("more than 0");
  }

  /** Where lines pull a vertex opposite ways it would stay, and be double. */
  @Test
  void noVertex_comesToLieOnItsOld() {
    for (int first = 0; first < 38; first++) {
      for (int second = first; second < 38; second++) {
        Mesh mesh = HarbourProps.cleat();
        Formed.apply(mesh, new Forming.InsetChange(List.of(first, second), false, outwards(4)));
        assertThat(
                IntStream.range(0, mesh.vertexEnd())
                    .filter(mesh::hasVertex)
                    .mapToObj(mesh::position)
                    .distinct()
                    .count())
            .as("of faces %d and %d", first, second)
            .isEqualTo(mesh.vertexCount());
      }
    }
  }

  /** On flat regions the area is kept; everywhere all stays sound, and undo is exact. */
  @Test
  void manyRegions_keepTheLaws() {
    SplittableRandom random = new SplittableRandom(23);
    int done = 0;
    for (int round = 0; round < 150; round++) {
      boolean isFlat = round % 3 == 0;
      Mesh mesh =
          isFlat ? grid(6) : round % 3 == 1 ? HarbourProps.fairleadBlock() : HarbourProps.capstan();
      byte[] before = MeshBytes.write(mesh);
      double area = area(mesh);
      Integer[] faces =
          IntStream.range(0, mesh.faceEnd())
              .filter(f -> mesh.hasFace(f) && random.nextInt(3) == 0)
              .boxed()
              .toArray(Integer[]::new);
      if (faces.length == 0) {
        continue;
      }
      double w = random.nextDouble(0.01, 0.3) * (isFlat ? 1 : 10);
      Margin margin =
          new Margin(w, 0, random.nextInt(4) == 0, random.nextBoolean(), random.nextBoolean());
      Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
      Outcome outcome =
          workpiece.apply(new Forming.InsetChange(List.of(faces), random.nextBoolean(), margin));
      assertThat(MeshCheck.faults(mesh)).isEmpty();
      if (outcome instanceof Outcome.Made) {
        done++;
        if (isFlat) {
          assertThat(area(mesh)).isCloseTo(area, within(1e-9));
        }
        workpiece.undo();
      }
      assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    }
    assertThat(done).isGreaterThan(60);
  }
}
