package fairedge.core.lens;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Bending.BendWay;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.lens.LensPicture.Tone;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.survey.Thresholds;
import fairedge.core.survey.Wanted;
import java.util.List;
import java.util.Map;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class BendLookTest {
  private static Bent bend(Mesh mesh, BendWay way, double amount) {
    Tolerance tolerance = Tolerance.of(mesh.bounds());
    return new Looks(Thresholds.USUAL, tolerance, null, Wanted.NOTHING)
        .bend(mesh, new BendTrial(way, Axis.Z, Axis.X, amount, BendTrial.STRETCH, BendTrial.TURN));
  }

  private static int[] ids(List<Tone> tones, String name) {
    return tones.stream().filter(t -> t.name().equals(name)).findFirst().orElseThrow().ids();
  }

  /** A square post, 1 wide and 10 high, without caps, in so many sections. */
  private static Mesh post(int sections) {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i <= sections; i++) {
      double z = 10.0 * i / sections;
      b.vertex(0, 0, z);
      b.vertex(1, 0, z);
      b.vertex(1, 1, z);
      b.vertex(0, 1, z);
    }
    for (int v = 0; v < 4 * sections; v++) {
      int next = v % 4 == 3 ? v - 3 : v + 1;
      b.face(v, next, next + 4, v + 4);
    }
    return b.build();
  }

  @Test
  void post_needsSectionsEnough() {
    // A quarter turn over six sections is 15 degrees each: just enough.
    LensPicture six = bend(post(6), BendWay.BEND, 90).picture();
    assertThat(ids(six.faces(), "coarse")).isEmpty();
    assertThat(six.sentence())
        .isEqualTo(
            "Nothing folds or gapes, no face turns by over 15\u00b0 at once, no edge changes length"
                + " by over 25 %.");
    LensPicture five = bend(post(5), BendWay.BEND, 90).picture();
    assertThat(ids(five.faces(), "coarse")).hasSize(20);
    assertThat(five.sentence())
        .isEqualTo("20 faces turn by over 15\u00b0 at once: too few sections.");
    assertThat(five.spots()).singleElement().matches(s -> s.text().equals("18\u00b0"));
    assertThat(ids(bend(post(5), BendWay.TWIST, 90).picture().faces(), "coarse")).hasSize(20);
    assertThat(bend(post(5), BendWay.TAPER, 0.2).picture().spots()).isEmpty();
  }

  @Test
  void bent_isTheMeshUnderTheSameIds_aroundACircle() {
    Mesh post = post(20);
    Bent bent = bend(post, BendWay.BEND, 180);
    double r = 10 / Math.PI;
    Vec3 centre = new Vec3(0.5 + r, 0.5, 5);
    for (int v = 0; v < post.vertexEnd(); v++) {
      Vec3 p = bent.mesh().position(v).minus(centre);
      double across = Math.hypot(p.x(), p.z());
      assertThat(across).isBetween(r - 0.5 - 1e-9, r + 0.5 + 1e-9);
      assertThat(p.y()).isEqualTo(post.position(v).y() - 0.5);
    }
  }

  @Test
  void tooTightABend_foldsTheInside() {
    // Ten long and one wide about a circle 3.2 round: what it turns about lies inside the post.
    Mesh wide = post(40).moved(p -> new Vec3(p.x() * 8, p.y(), p.z()));
    LensPicture picture = bend(wide, BendWay.BEND, 360).picture();
    // The side towards the bend, and those beside it that reach beyond.
    assertThat(ids(picture.faces(), "fold")).hasSize(120);
    assertThat(picture.sentence()).startsWith("120 faces fold; ");
    assertThat(ids(bend(post(40), BendWay.BEND, 180).picture().faces(), "fold")).isEmpty();
  }

  @Test
  void lengths_thatChangeByMuch_areMarked() {
    // Its side away from the bend goes from 10 to 10 (r + 1) / r with r = 10 / pi: a third longer.
    Mesh wide = post(40).moved(p -> new Vec3(p.x() * 2, p.y(), p.z()));
    LensPicture picture = bend(wide, BendWay.BEND, 180).picture();
    assertThat(ids(picture.edges(), "stretched")).hasSize(160);
    assertThat(picture.spots()).singleElement().matches(s -> s.text().equals("-31 %"));
  }

  @Test
  void vertexOnAnEdge_gapes_asSoonAsItBends() {
    MeshBuilder b = new MeshBuilder();
    int a = b.vertex(0, 0, 0);
    int c = b.vertex(0, 0, 10);
    b.face(a, b.vertex(0, 1, 0), b.vertex(0, 1, 10), c);
    int x = b.vertex(0, -1, 0);
    int y = b.vertex(0, -1, 5);
    int z = b.vertex(0, -1, 10);
    int between = b.vertex(0, 0, 5);
    b.face(x, a, between, y);
    b.face(y, between, c, z);
    Mesh sheet = b.build();
    LensPicture picture = bend(sheet, BendWay.BEND, 90).picture();
    double r = 20 / Math.PI;
    assertThat(picture.spots())
        .filteredOn(s -> s.vertex() == between)
        .singleElement()
        .matches(
            s -> Math.abs(Double.parseDouble(s.text()) - r * (1 - Math.cos(Math.PI / 4))) < 0.01);
    assertThat(picture.sentence()).endsWith("the surface gapes at 1 vertex.");
    assertThat(bend(sheet, BendWay.BEND, 0).picture().spots()).isEmpty();
  }

  @Test
  void ngon_thatReachesAlong_turnsAsAWhole() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i <= 20; i++) {
      b.vertex(0, 0, 0.5 * i);
    }
    for (int i = 20; i >= 0; i--) {
      b.vertex(0, 1, 0.5 * i);
    }
    b.face(IntStream.range(0, 42).toArray());
    LensPicture picture = bend(b.build(), BendWay.BEND, 90).picture();
    assertThat(ids(picture.faces(), "coarse")).containsExactly(0);
    assertThat(picture.spots()).singleElement().matches(s -> s.text().equals("90\u00b0"));
  }

  @Test
  void everyFixture_canBeBent_andUnbentItIsAsItWas() {
    for (Map.Entry<String, Mesh> fixture : Meshes.all().entrySet()) {
      for (BendWay way : BendWay.values()) {
        Bent bent = bend(fixture.getValue(), way, way == BendWay.TAPER ? 0.9 : 300);
        assertThat(bent.mesh().faceCount()).isEqualTo(fixture.getValue().faceCount());
        LensPicture none = bend(fixture.getValue(), way, 0).picture();
        assertThat(none.faces()).as(fixture.getKey()).allMatch(t -> t.ids().length == 0);
        assertThat(none.edges()).as(fixture.getKey()).allMatch(t -> t.ids().length == 0);
        assertThat(none.spots()).as(fixture.getKey()).isEmpty();
      }
    }
  }
}
