package fairedge.core.format;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.format.Meant.Up;
import fairedge.core.geometry.Bounds;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Attribute;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.props.HarbourProps;
import org.junit.jupiter.api.Test;

class MeantTest {
  private static final Meant AS_IT_IS = new Meant(LengthUnit.MM, Up.Z);

  /** A starter in mm with Z upwards, as another program would write it down. */
  private static Mesh written(Mesh mesh, Meant meant) {
    double by = LengthUnit.MM.in(meant.unit());
    return mesh.moved(p -> (meant.up() == Up.Z ? p : new Vec3(p.x(), p.z(), -p.y())).times(by));
  }

  @Test
  void everyWayOfWritingAForm_isGuessed_andBringsItBack() {
    for (Mesh starter : new Mesh[] {HarbourProps.mooringBollard(), HarbourProps.pontoon()}) {
      Bounds wanted = starter.bounds();
      for (Meant meant : Meant.all()) {
        Mesh file = written(starter, meant);
        assertThat(Meant.guess(file.bounds(), wanted, LengthUnit.MM)).isEqualTo(meant);
        Mesh read = meant.mesh(file, LengthUnit.MM);
        for (int v = 0; v < starter.vertexEnd(); v++) {
          assertThat(read.position(v).distance(starter.position(v))).isLessThan(1e-9);
        }
        assertThat(meant.fits(file.bounds(), wanted, LengthUnit.MM)).isTrue();
      }
    }
  }

  @Test
  void whatIsAsItWas_isTheSameMesh() {
    Mesh mesh = HarbourProps.hatchLid();
    assertThat(AS_IT_IS.mesh(mesh, LengthUnit.MM)).isSameAs(mesh);
    assertThat(MeshBytes.write(mesh)).isEqualTo(MeshBytes.write(HarbourProps.hatchLid()));
  }

  @Test
  void formThatIsLikeNoOther_isTakenAsItIs_andDoesNotFit() {
    Bounds starter = HarbourProps.hatchLid().bounds();
    Bounds strange = new Bounds(Vec3.ZERO, new Vec3(7, 7, 7));
    assertThat(AS_IT_IS.fits(strange, starter, LengthUnit.MM)).isFalse();
    assertThat(Meant.guess(strange, starter, LengthUnit.MM)).isEqualTo(AS_IT_IS);
    assertThat(AS_IT_IS.fits(starter, starter, LengthUnit.MM)).isTrue();
    // A cut that makes the form a little larger is none of our business.
    Bounds larger = new Bounds(starter.min(), starter.max().plus(new Vec3(3, 0, 0)));
    assertThat(AS_IT_IS.fits(larger, starter, LengthUnit.MM)).isTrue();
    assertThat(Meant.guess(Bounds.EMPTY, starter, LengthUnit.MM)).isEqualTo(AS_IT_IS);
  }

  @Test
  void flatForm_isToldByItsTwoExtents() {
    Bounds sheet = new Bounds(Vec3.ZERO, new Vec3(300, 200, 0));
    Bounds file = new Bounds(Vec3.ZERO, new Vec3(0.3, 1e-9, 0.2));
    assertThat(Meant.guess(file, sheet, LengthUnit.MM)).isEqualTo(new Meant(LengthUnit.M, Up.Y));
  }

  @Test
  void normals_turnWithTheForm() {
    Mesh charted = Meshes.charted(3, 2);
    Mesh turned = new Meant(LengthUnit.M, Up.Y).mesh(charted, LengthUnit.MM);
    assertThat(charted.carries(Attribute.NORMAL)).isTrue();
    for (int i = 0; i < charted.valueEnd(Attribute.NORMAL); i++) {
      Vec3 n = charted.value(Attribute.NORMAL, i);
      assertThat(turned.value(Attribute.NORMAL, i)).isEqualTo(new Vec3(n.x(), -n.z() + 0.0, n.y()));
    }
    for (int i = 0; i < charted.valueEnd(Attribute.TEXTURE); i++) {
      assertThat(turned.value(Attribute.TEXTURE, i)).isEqualTo(charted.value(Attribute.TEXTURE, i));
    }
  }
}
