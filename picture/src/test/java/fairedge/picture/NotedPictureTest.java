package fairedge.picture;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.props.HarbourProps;
import fairedge.picture.MeshPicture.Size;
import java.awt.image.BufferedImage;
import java.util.Arrays;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class NotedPictureTest {
  private static final Size SIZE = new Size(300, 200, 2);
  private static final PictureView STANDARD = new PictureView.Standard();
  private static final int MAGENTA = 0xA3195B;

  /** A cube from -10 to 10. */
  private static Mesh cube() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 8; i++) {
      b.vertex(new Vec3((i & 1) * 20 - 10, (i >> 1 & 1) * 20 - 10, (i >> 2) * 20 - 10));
    }
    for (int[] f :
        new int[][] {
          {0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}
        }) {
      b.face(f);
    }
    return b.build();
  }

  private static BufferedImage drawn(PictureView view, Pin... pins) {
    return MeshPicture.noted(cube(), List.of(), List.of(pins), view, SIZE);
  }

  private static Pin pin(PinForm form, Vec3 place) {
    return new Pin(1, form, place, List.of());
  }

  private static long count(BufferedImage image, int colour) {
    long count = 0;
    for (int y = 0; y < image.getHeight(); y++) {
      for (int x = 0; x < image.getWidth(); x++) {
        if ((image.getRGB(x, y) & 0xFFFFFF) == colour) {
          count++;
        }
      }
    }
    return count;
  }

  private static PictureView.From from(double x, double y, double z) {
    return new PictureView.From(new Vec3(x, y, z), Vec3.ZERO);
  }

  @Test
  void faceBeforeAnEye_hasItsSizeByTheAngleOfView() {
    // The front face is 20 wide at 90 from the eye: half of it under 10 / 90, half the picture
    // under the tangent of 16 degrees.
    BufferedImage image = drawn(from(0, -100, 0));
    int y = image.getHeight() / 2 + 40;
    int left = 0;
    while ((image.getRGB(left, y) & 0xFFFFFF) == 0xFFFFFF) {
      left++;
    }
    double half = 200 * (10.0 / 90) / Math.tan(Math.toRadians(16));
    assertThat(300 - left).isBetween((int) half - 1, (int) half + 3);
  }

  @Test
  void pins_areToldApartByForm() {
    Vec3 front = new Vec3(0, -10, 0);
    long disc = count(drawn(STANDARD, pin(PinForm.DISC, front)), MAGENTA);
    long ring = count(drawn(STANDARD, pin(PinForm.RING, front)), MAGENTA);
    long flag = count(drawn(STANDARD, pin(PinForm.FLAG, front)), MAGENTA);
    assertThat(ring).isPositive().isLessThan(disc);
    assertThat(flag).isNotEqualTo(disc).isGreaterThan(ring);
    assertThat(count(drawn(STANDARD), MAGENTA)).isZero();
  }

  @Test
  void everyNumber_hasItsOwnPicture() {
    List<BufferedImage> all =
        IntStream.range(10, 20)
            .mapToObj(n -> drawn(STANDARD, new Pin(n, PinForm.DISC, Vec3.ZERO, List.of())))
            .toList();
    assertThat(all.stream().map(i -> Arrays.hashCode(pixels(i))).distinct()).hasSize(10);
  }

  private static int[] pixels(BufferedImage i) {
    return i.getRGB(0, 0, i.getWidth(), i.getHeight(), null, 0, i.getWidth());
  }

  @Test
  void strokes_areFullWhereTheyAreSeen_andFaintBehindTheModel() {
    List<Vec3> before = List.of(new Vec3(-8, -10, 0), new Vec3(0, -10, 2), new Vec3(8, -10, 0));
    List<Vec3> behind = List.of(new Vec3(-8, 10, 0), new Vec3(0, 10, 2), new Vec3(8, 10, 0));
    PictureView front = from(0, -100, 0);
    Vec3 off = new Vec3(0, 0, -10);
    long seen = count(drawn(front, new Pin(1, PinForm.DISC, off, List.of(before))), MAGENTA);
    long hidden = count(drawn(front, new Pin(1, PinForm.DISC, off, List.of(behind))), MAGENTA);
    assertThat(seen - hidden).isGreaterThan(300);
  }

  @Test
  void placesAreSeenFromOneSideOnly() {
    Vec3 front = new Vec3(0, -10, 0);
    assertThat(MeshPicture.shows(cube(), from(0, -100, 0), SIZE, front)).isTrue();
    assertThat(MeshPicture.shows(cube(), from(0, 100, 0), SIZE, front)).isFalse();
    assertThat(MeshPicture.shows(cube(), new PictureView.Sideways(180, 20), SIZE, front)).isFalse();
    assertThat(MeshPicture.shows(cube(), new PictureView.Sideways(10, 20), SIZE, front)).isTrue();
  }

  @Test
  void eyeInsideTheModel_seesTheWallsThatLieAhead() {
    // Half of the walls at the sides lie behind the eye, and are cut off there.
    BufferedImage image = drawn(from(0, -2, 0), pin(PinForm.DISC, new Vec3(0, 10, 0)));
    assertThat(count(image, 0xFFFFFF)).isZero();
  }

  @Test
  void eyeThatLooksNowhere_orStraightDown_drawsTheModelAllTheSame() {
    assertThat(count(drawn(from(0, 0, 0)), 0xFFFFFF)).isLessThan(600L * 400 * 9 / 10);
    assertThat(count(drawn(from(0, 0, 100)), 0xFFFFFF)).isLessThan(600L * 400 * 9 / 10);
    PictureView nowhere =
        new PictureView.From(new Vec3(Double.NaN, 0, 0), new Vec3(0, 0, Double.POSITIVE_INFINITY));
    assertThat(drawn(nowhere, pin(PinForm.DISC, new Vec3(Double.NaN, 0, 0)))).isNotNull();
  }

  @Test
  void sameInput_givesTheSamePicture() {
    Mesh lid = HarbourProps.hatchLid();
    List<Mark> marks = List.of(new Mark(Kind.NGON, Severity.MUST, lid.bounds().centre()));
    Pin pin = new Pin(12, PinForm.FLAG, lid.bounds().max(), List.of());
    int[] first = pixels(MeshPicture.noted(lid, marks, List.of(pin), STANDARD, SIZE));
    assertThat(pixels(MeshPicture.noted(lid, marks, List.of(pin), STANDARD, SIZE)))
        .isEqualTo(first);
  }
}
