package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Client.Reply;
import fairedge.server.running.Running;
import java.awt.Color;
import java.awt.image.BufferedImage;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import java.util.Map;
import java.util.zip.CRC32;
import javax.imageio.ImageIO;
import org.junit.jupiter.api.BeforeAll;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.JsonNode;

/** Pictures of briefs: drawn anew, named by what they are, seen by those who see the brief. */
@ExtendWith(Running.class)
class BriefApiTest {
  private static final byte[] WEBP =
      Base64.getDecoder().decode("UklGRiIAAABXRUJQVlA4IBYAAAAwAQCdASoBAAEADsD+JaQAA3AAAAAA");

  private static Breakwater quay;
  private static Client runa;
  private static Client ada;

  @BeforeAll
  static void start(Application app) {
    quay = new Breakwater(app, "-brief");
    runa = quay.runa;
    ada = quay.ada;
  }

  /** Red at the left, blue at the right. */
  private static BufferedImage flag(int width, int height) {
    BufferedImage flag = new BufferedImage(width, height, BufferedImage.TYPE_INT_RGB);
    for (int x = 0; x < width; x++) {
      for (int y = 0; y < height; y++) {
        flag.setRGB(x, y, (x < width / 2 ? Color.RED : Color.BLUE).getRGB());
      }
    }
    return flag;
  }

  private static byte[] file(BufferedImage picture, String format) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    assertThat(ImageIO.write(picture, format, out)).isTrue();
    return out.toByteArray();
  }

  private static Reply send(String exercise, byte[] file) {
    return runa.sendFile("/api/exercises/" + exercise + "/pictures", Map.of(), "x.png", file);
  }

  private static String added(String exercise, byte[] file) {
    return send(exercise, file).is(201).json().path("name").asString();
  }

  private static byte[] png(String exercise, String hash) {
    return runa.get("/api/exercises/" + exercise + "/pictures/" + hash).is(200).bytes();
  }

  private static BufferedImage seen(String exercise, String hash) throws IOException {
    return ImageIO.read(new ByteArrayInputStream(png(exercise, hash)));
  }

  /** A chunk of a PNG before its end. */
  private static byte[] withChunk(byte[] png, String type, byte[] content) {
    byte[] named = Arrays.copyOf(type.getBytes(StandardCharsets.US_ASCII), 4 + content.length);
    System.arraycopy(content, 0, named, 4, content.length);
    CRC32 crc = new CRC32();
    crc.update(named);
    ByteBuffer all = ByteBuffer.allocate(png.length + 12 + content.length);
    all.put(png, 0, png.length - 12).putInt(content.length).put(named).putInt((int) crc.getValue());
    return all.put(png, png.length - 12, 12).array();
  }

  /** With an orientation in an EXIF segment after the head of a JPEG. */
  private static byte[] turned(byte[] jpeg, int orientation) {
    ByteBuffer exif = ByteBuffer.allocate(36);
    exif.putShort((short) 0xFFE1).putShort((short) 34);
    exif.put("Exif\0\0".getBytes(StandardCharsets.US_ASCII));
    exif.put("MM".getBytes(StandardCharsets.US_ASCII)).putShort((short) 42).putInt(8);
    exif.putShort((short) 1).putShort((short) 0x0112).putShort((short) 3).putInt(1);
    exif.putShort((short) orientation).putShort((short) 0).putInt(0);
    ByteBuffer all = ByteBuffer.allocate(jpeg.length + 36);
    return all.put(jpeg, 0, 2).put(exif.array()).put(jpeg, 2, jpeg.length - 2).array();
  }

  @Test
  void picture_isDrawnAnew_withoutWhatItsFileSaid() throws IOException {
    String id = quay.begun();
    byte[] sent =
        withChunk(
            file(flag(40, 20), "png"), "tEXt", "Author\0Runa".getBytes(StandardCharsets.US_ASCII));
    assertThat(new String(sent, StandardCharsets.ISO_8859_1)).contains("Author");
    String hash = added(id, sent);
    byte[] kept = png(id, hash);
    assertThat(new String(kept, StandardCharsets.ISO_8859_1)).doesNotContain("Author", "Runa");
    assertThat(seen(id, hash).getRGB(3, 3)).isEqualTo(Color.RED.getRGB());
    assertThat(seen(id, hash).getRGB(37, 3)).isEqualTo(Color.BLUE.getRGB());
    assertThat(added(id, kept)).as("drawn anew once more").isEqualTo(hash);
    assertThat(seen(id, added(id, WEBP)).getWidth()).isEqualTo(1);
    assertThat(seen(id, added(id, file(flag(4000, 500), "jpeg"))).getWidth()).isEqualTo(1600);
  }

  @Test
  void photo_standsAsTheCameraWasHeld() throws IOException {
    String id = quay.begun();
    byte[] jpeg = file(flag(64, 32), "jpeg");
    BufferedImage upright = seen(id, added(id, turned(jpeg, 6)));
    assertThat(upright.getWidth()).isEqualTo(32);
    assertThat(new Color(upright.getRGB(16, 5)).getRed()).as("left is above").isGreaterThan(200);
    assertThat(new Color(upright.getRGB(16, 60)).getBlue()).isGreaterThan(200);
    BufferedImage over = seen(id, added(id, turned(jpeg, 3)));
    assertThat(new Color(over.getRGB(5, 16)).getBlue()).isGreaterThan(200);
  }

  @Test
  void whatIsNoPicture_isToldSo_andNothingIsKept() throws IOException {
    String id = quay.begun();
    byte[] png = file(flag(40, 20), "png");
    byte[] huge = png.clone();
    ByteBuffer.wrap(huge).putInt(16, 100_000).putInt(20, 100_000);
    byte[] checked = withChecksumOfHead(huge);
    List<byte[]> bad =
        new ArrayList<>(
            List.of(
                new byte[0],
                "no picture".getBytes(StandardCharsets.UTF_8),
                "<svg xmlns='http://www.w3.org/2000/svg' onload='alert(1)'/>"
                    .getBytes(StandardCharsets.UTF_8),
                file(flag(4, 4), "gif"),
                file(flag(4, 4), "bmp"),
                Arrays.copyOf(png, png.length / 2),
                checked,
                Arrays.copyOf(WEBP, 20)));
    for (int i = 8; i < 40; i += 3) {
      byte[] broken = png.clone();
      broken[i] ^= 0x55;
      bad.add(broken);
    }
    for (byte[] file : bad) {
      Reply told = send(id, file);
      assertThat(told.status()).as(told.text()).isIn(201, 422, 400);
      if (told.status() != 201) {
        assertThat(told.detail()).isNotBlank();
      }
    }
    assertThat(send(id, checked).is(422).detail()).contains("100,000 by 100,000");
    assertThat(send(id, file(flag(4, 4), "gif")).is(422).detail()).contains("none of PNG");
  }

  private static byte[] withChecksumOfHead(byte[] png) {
    CRC32 crc = new CRC32();
    crc.update(png, 12, 17);
    ByteBuffer.wrap(png).putInt(29, (int) crc.getValue());
    return png;
  }

  @Test
  void pictureWithoutWords_isMissing_andStudentsSeeItWithTheBrief() throws IOException {
    String id = quay.ready("With a picture");
    String hash = added(id, file(flag(8, 8), "png"));
    quay.keep(id, Map.of("brief", "Look: ![ ](picture:" + hash + ")")).is(200);
    JsonNode missing = quay.editor(id).path("missing");
    assertThat(missing.get(0).path("what").asString()).isEqualTo("A word on picture 1");
    assertThat(quay.makeReady(id).is(400).detail()).contains("A word on picture 1");
    quay.keep(id, Map.of("brief", "Look: ![A flag](picture:" + hash + ")", "sheet", hash)).is(200);
    quay.makeReady(id).is(200);
    String assignment = quay.set(id, Map.of());
    JsonNode open =
        ada.put("/api/assignments/" + assignment + "/workpiece", Map.of()).is(200).json();
    assertThat(open.at("/task/sheet").asString()).isEqualTo(hash);
    Reply seen = ada.get("/api/assignments/" + assignment + "/pictures/" + hash).is(200);
    assertThat(seen.type()).isEqualTo("image/png");
    ada.get("/api/exercises/" + id + "/pictures/" + hash).is(404);
    String other = quay.set(quay.ready("Without"), Map.of());
    ada.get("/api/assignments/" + other + "/pictures/" + hash).is(404);
    ada.get("/api/assignments/" + assignment + "/pictures/zz").is(404);
    String planned = quay.set(id, Map.of("opens", Breakwater.onTheWall(60)));
    ada.get("/api/assignments/" + planned + "/pictures/" + hash).is(404);
    quay.keep(id, Map.of("sheet", "nonsense")).is(400);
    quay.keep(id, Map.of("sheet", "")).is(200);
    assertThat(quay.editor(id).at("/draft/sheet").isNull()).isTrue();
  }

  @Test
  void exportAndCopy_takePicturesAlong() throws IOException {
    String id = quay.ready("Packed");
    String first = added(id, file(flag(8, 8), "png"));
    String second = added(id, file(flag(16, 8), "png"));
    added(id, file(flag(24, 8), "png"));
    String brief = "![One](picture:" + second + ") and ![two](picture:" + first + ")";
    quay.keep(id, Map.of("brief", brief, "sheet", first)).is(200);
    byte[] zip = runa.get("/api/exercises/" + id + "/export").is(200).bytes();
    String again =
        runa.sendFile("/api/exercises/imports", Map.of(), "exercise.zip", zip)
            .is(201)
            .json()
            .path("id")
            .asString();
    assertThat(quay.editor(again).path("draft")).isEqualTo(quay.editor(id).path("draft"));
    assertThat(png(again, second)).isEqualTo(png(id, second));
    assertThat(runa.get("/api/exercises/" + again + "/export").is(200).bytes()).isEqualTo(zip);
    String copy =
        runa.post("/api/exercises/" + id + "/copies", Map.of())
            .is(201)
            .json()
            .path("id")
            .asString();
    assertThat(png(copy, first)).isEqualTo(png(id, first));
  }

  @Test
  void picturesAreTwentyAtTheMost() throws IOException {
    String id = quay.begun();
    for (int i = 1; i <= 20; i++) {
      added(id, file(flag(2 * i, 2), "png"));
    }
    assertThat(send(id, file(flag(200, 2), "png")).is(400).detail()).contains("20 pictures");
    added(id, file(flag(2, 2), "png"));
  }
}
