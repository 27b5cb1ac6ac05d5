package fairedge.picture;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalArgumentException;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.props.HarbourProps;
import fairedge.picture.MeshPicture.Size;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.List;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

class MeshPictureTest {
  private static final Size SIZE = new Size(200, 120, 1);

  private static BufferedImage image(byte[] png) throws IOException {
    return ImageIO.read(new ByteArrayInputStream(png));
  }

  private static List<Mark> marksOf(Mesh mesh) {
    return new Inspector(Profile.ALL_QUADS, Tolerance.of(mesh.bounds()))
        .inspect(mesh).findings().stream().map(f -> Mark.of(f.finding(), f.severity())).toList();
  }

  @Test
  void model_fillsItsFrame_onClearGround() throws IOException {
    BufferedImage picture = image(MeshPicture.png(HarbourProps.mooringBollard(), List.of(), SIZE));
    assertThat(picture.getWidth()).isEqualTo(200);
    assertThat(picture.getHeight()).isEqualTo(120);
    assertThat(picture.getRGB(2, 2)).isZero();
    int top = 120;
    int bottom = 0;
    for (int y = 0; y < 120; y++) {
      for (int x = 0; x < 200; x++) {
        if (picture.getRGB(x, y) >>> 24 > 128) {
          top = Math.min(top, y);
          bottom = y;
        }
      }
    }
    assertThat(top).isBetween(12, 15);
    assertThat(bottom).isBetween(104, 108);
    assertThat(picture.getRGB(100, 60) >>> 24).isEqualTo(255);
  }

  @Test
  void sameInput_givesTheSameBytes() {
    Mesh lid = HarbourProps.hatchLid();
    byte[] first = MeshPicture.png(lid, marksOf(lid), SIZE);
    assertThat(MeshPicture.png(HarbourProps.hatchLid(), marksOf(lid), SIZE)).isEqualTo(first);
    assertThat(MeshPicture.png(lid, List.of(), SIZE)).isNotEqualTo(first);
  }

  @ParameterizedTest
  @EnumSource(Severity.class)
  void marks_standAtTheirPlace_unlessTheModelHidesThem(Severity severity) throws IOException {
    Mesh block = HarbourProps.fairleadBlock();
    Mark front = new Mark(Kind.POLE, severity, new Vec3(0, -40, 30));
    BufferedImage plain = image(MeshPicture.png(block, List.of(), SIZE));
    assertThat(differing(plain, image(MeshPicture.png(block, List.of(front), SIZE))))
        .isBetween(40, 500);
    Mark back = new Mark(Kind.POLE, severity, new Vec3(0, 40, 30));
    Mark nowhere = new Mark(Kind.POLE, severity, new Vec3(Double.NaN, 0, 0));
    assertThat(differing(plain, image(MeshPicture.png(block, List.of(back, nowhere), SIZE))))
        .isZero();
  }

  private static int differing(BufferedImage a, BufferedImage b) {
    int count = 0;
    for (int y = 0; y < a.getHeight(); y++) {
      for (int x = 0; x < a.getWidth(); x++) {
        count += a.getRGB(x, y) == b.getRGB(x, y) ? 0 : 1;
      }
    }
    return count;
  }

  @ParameterizedTest
  @EnumSource(Kind.class)
  void everyKind_hasAMark(Kind kind) throws IOException {
    Mesh block = HarbourProps.fairleadBlock();
    Mark mark = new Mark(kind, Severity.MUST, new Vec3(0, -40, 30));
    BufferedImage plain = image(MeshPicture.png(block, List.of(), SIZE));
    assertThat(differing(plain, image(MeshPicture.png(block, List.of(mark), SIZE))))
        .isGreaterThan(100);
  }

  @Test
  void meshesWithoutShape_giveAPicture() throws IOException {
    MeshBuilder b = new MeshBuilder();
    b.vertex(0, 0, 0);
    b.vertex(Double.NaN, 0, 0);
    b.vertex(1e308, 1, 0);
    b.vertex(-1e308, 1, 0);
    b.face(0, 1, 2);
    b.face(0, 2, 3);
    b.face(0, 3, 0, 2);
    assertThat(image(MeshPicture.png(b.build(), List.of(), SIZE)).getWidth()).isEqualTo(200);
  }

  @Test
  void sizesOutOfReason_areRefused() {
    assertThatIllegalArgumentException().isThrownBy(() -> new Size(8, 100, 1));
    assertThatIllegalArgumentException().isThrownBy(() -> new Size(100, 5000, 1));
    assertThatIllegalArgumentException().isThrownBy(() -> new Size(100, 100, 9));
  }

  /** For looking at: pictures of the scenario's forms, where a folder is named. */
  @Test
  void formsOfTheScenario_canBeLookedAt() throws IOException {
    String folder = System.getProperty("fair-edge.look", "target/look");
    Files.createDirectories(Path.of(folder));
    Mesh bollard = HarbourProps.mooringBollard();
    Mesh lid = HarbourProps.hatchLid();
    byte[] row = MeshPicture.png(lid, marksOf(lid), new Size(88, 52, 2));
    Files.write(Path.of(folder, "lid-row.png"), row);
    byte[] sheet = MeshPicture.png(bollard, marksOf(bollard), new Size(264, 156, 2));
    Files.write(Path.of(folder, "bollard-sheet.png"), sheet);
    assertThat(sheet.length).isGreaterThan(row.length);
  }
}
