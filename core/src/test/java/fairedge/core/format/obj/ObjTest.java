package fairedge.core.format.obj;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import fairedge.core.Meshes;
import fairedge.core.format.BadFile;
import fairedge.core.format.Limits;
import fairedge.core.format.ReadResult;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Attribute;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.Oddity;
import java.io.ByteArrayInputStream;
import java.io.IOException;
import java.io.InputStream;
import java.nio.charset.StandardCharsets;
import java.util.List;
import java.util.Map;
import java.util.SplittableRandom;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

class ObjTest {
  private static final String SQUARE = "v 0 0 0\nv 1 0 0\nv 1 1 0\nv 0 1 0\n";

  private static InputStream stream(String text) {
    return new ByteArrayInputStream(text.getBytes(StandardCharsets.UTF_8));
  }

  private static ReadResult read(String text) throws IOException, BadFile {
    ReadResult result = ObjReader.read(stream(text));
    assertMesh(result.mesh()).isSound();
    return result;
  }

  private static BadFile refused(String text) {
    return catchThrowableOfType(BadFile.class, () -> ObjReader.read(stream(text)));
  }

  @Test
  void facesOfAnyNotation_areRead() throws Exception {
    ReadResult result = read(SQUARE + "vt 0 0\nvn 0 0 1\nf 1/1/1 2//1 3/1 4\n");
    assertMesh(result.mesh()).hasCounts(4, 4, 1);
    assertThat(result.oddities()).isEmpty();
    assertThat(result.mesh().vertices(0)).containsExactly(0, 1, 2, 3);
  }

  @Test
  void indices_mayRunForwardAndCountBack() throws Exception {
    Mesh mesh = read("f 1 2 3\nv 0 0 0\nv 1 0 0\nf -1 -2 3\nv 1 1 0\n").mesh();
    assertThat(mesh.vertices(0)).containsExactly(0, 1, 2);
    // -1 counts from the records so far: the second vertex then.
    assertThat(mesh.vertices(1)).containsExactly(1, 0, 2);
  }

  @Test
  void marksCommentsAndJoinedLines_areTakenForWhatTheyAre() throws Exception {
    String text =
        "\uFEFF# a lid\r\ng top\r\nusemtl oak\r\nv 0 0 0 # origin\r\nv 1 0 0\r\nv 1 \\\r\n1 0\r\n"
            + "f 1 2 \\\n 3\n\nl 1 2\n";
    Mesh mesh = read(text).mesh();
    assertMesh(mesh).hasCounts(3, 3, 1);
    assertThat(mesh.position(2)).isEqualTo(new Vec3(1, 1, 0));
  }

  @Test
  void brokenBytes_doNotStopTheReading() throws Exception {
    byte[] text = ("o caf?\n" + SQUARE + "f 1 2 3 4\n").getBytes(StandardCharsets.ISO_8859_1);
    text[5] = (byte) 0xE9;
    assertMesh(ObjReader.read(new ByteArrayInputStream(text)).mesh()).hasCounts(4, 4, 1);
  }

  @ParameterizedTest
  @CsvSource(
      delimiter = '|',
      value = {
        "f 0 1 2 | index 0 names no vertex",
        "f 1 2 9 | it names vertex 9, the file has 4",
        "f 1 2 -9 | index -9 is out of range",
        "f 1 2 x | \"x\" is no index",
        "f 1 2 99999999999 | index 99999999999 is out of range",
        "f 1 2 | it has 2 different corners in a row, a face needs 3",
        "f 1 1 2 2 1 | it has 2 different corners in a row, a face needs 3",
      })
  void unreadableFace_isLeftOut_andReportedWithItsLine(String face, String text) throws Exception {
    ReadResult result = read(SQUARE + face + "\nf 1 2 3 4\n");
    assertMesh(result.mesh()).hasCounts(4, 4, 1);
    assertThat(result.oddities())
        .singleElement()
        .satisfies(o -> {
          assertThat(o.kind()).isEqualTo(Oddity.Kind.UNREADABLE_FACE);
          assertThat(o.line()).isEqualTo(5);
          assertThat(o.face()).isEqualTo(Mesh.NONE);
          assertThat(o.text()).isEqualTo(text.strip());
        });
  }

  @Test
  void repeatedCorner_isDropped_andReported() throws Exception {
    ReadResult result = read(SQUARE + "f 1 2 2 3 4 1\n");
    assertThat(result.mesh().vertices(0)).containsExactly(0, 1, 2, 3);
    assertThat(result.oddities())
        .containsExactly(
            new Oddity(
                Oddity.Kind.REPEATED_CORNER,
                5,
                0,
                List.of(0, 1, 2, 3),
                "2 corners repeat the one before"));
  }

  @ParameterizedTest
  @CsvSource({"v 1 0", "v 1 0 nan", "v 1 inf 0", "v 1 0 0x10", "v 1 0 1d", "v 1 0 ten"})
  void vertexWithoutANumber_keepsItsIndex_andHasNoPlace(String vertex) throws Exception {
    Mesh mesh = read("v 0 0 0\n" + vertex + "\nv 1 1 0\nf 1 2 3\n").mesh();
    assertThat(mesh.hasPlace(1)).isFalse();
    assertThat(mesh.vertices(0)).containsExactly(0, 1, 2);
  }

  @Test
  void fileWithoutAFace_orThatIsNoObj_isRefusedWithThePlace() {
    assertThat(refused(SQUARE))
        .hasMessage(
            "Line 4: found the end, and no face before it, expected at least one \"f\" record");
    assertThat(refused("").found()).isEqualTo("no face");
    BadFile noObj = refused("\n<svg>\n</svg>\n");
    assertThat(noObj.line()).isEqualTo(2);
    assertThat(noObj.found()).isEqualTo("\"<svg>\"");
    BadFile noReadable = refused(SQUARE + "f 1 2 9\n");
    assertThat(noReadable.line()).isEqualTo(5);
    assertThat(noReadable.found()).contains("no readable face");
  }

  @Test
  void lineWithoutAnEnd_isRefusedInBoundedMemory() {
    InputStream endless =
        new InputStream() {
          @Override
          public int read() {
            return ' ';
          }

          @Override
          public int read(byte[] into, int from, int count) {
            java.util.Arrays.fill(into, from, from + count, (byte) '1');
            return count;
          }
        };
    BadFile refused = catchThrowableOfType(BadFile.class, () -> ObjReader.read(endless));
    assertThat(refused.expected()).isEqualTo("shorter lines");
  }

  static Stream<Map.Entry<String, Mesh>> fixtures() {
    return Meshes.all().entrySet().stream();
  }

  @ParameterizedTest
  @MethodSource("fixtures")
  void writtenMesh_readsBackTheSame(Map.Entry<String, Mesh> fixture) throws Exception {
    Mesh mesh = fixture.getValue();
    StringBuilder out = new StringBuilder();
    ObjWriter.write(mesh, out);
    Mesh again = read(out.toString()).mesh();
    assertMesh(again).hasCounts(mesh.vertexCount(), mesh.edgeCount(), mesh.faceCount());
    for (int f = 0; f < mesh.faceEnd(); f++) {
      assertThat(again.vertices(f)).isEqualTo(mesh.vertices(f));
    }
  }

  @Test
  void positions_roundTripExactly() throws Exception {
    SplittableRandom random = new SplittableRandom(3);
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 500; i++) {
      b.vertex(anyFinite(random), anyFinite(random), anyFinite(random));
    }
    b.face(0, 1, 2);
    Mesh mesh = b.build();
    StringBuilder out = new StringBuilder();
    ObjWriter.write(mesh, out);
    Mesh again = read(out.toString()).mesh();
    for (int v = 0; v < 500; v++) {
      assertThat(again.position(v)).isEqualTo(mesh.position(v));
    }
  }

  @ParameterizedTest
  @ValueSource(
      strings = {
        "0",
        "-0",
        "+5",
        "5.",
        ".5",
        "0.1",
        "123.456",
        "1e22",
        "1e23",
        "1E-22",
        "9007199254740993",
        "179769313486231570000e289",
        "4.9e-324",
        "2.2250738585072012e-308",
        "1e-400",
        "0.000000000000000000000000000000000001234567890123456789",
        "12345678901234567890123"
      })
  void decimalNumbers_areTheNearestDoubles(String number) throws Exception {
    Mesh mesh = read("v " + number + " 0 0\nv 1 0 0\nv 1 1 0\nf 1 2 3\n").mesh();
    assertThat(mesh.position(0).x()).isEqualTo(Double.parseDouble(number));
  }

  @Test
  void randomDecimals_areTheNearestDoubles() throws Exception {
    SplittableRandom random = new SplittableRandom(9);
    StringBuilder text = new StringBuilder();
    double[] wanted = new double[60_000];
    for (int i = 0; i < wanted.length; i++) {
      String number = randomNumber(random);
      wanted[i] = Double.parseDouble(number);
      text.append("v ").append(number).append(" 0 0\n");
    }
    Mesh mesh = read(text + "f 1 2 3\n").mesh();
    for (int i = 0; i < wanted.length; i++) {
      assertThat(mesh.position(i).x()).isEqualTo(wanted[i]);
    }
  }

  private static String randomNumber(SplittableRandom random) {
    return switch (random.nextInt(4)) {
      // Of all sizes, written to the last digit, as programs do.
      case 0 -> Double.toString(Double.longBitsToDouble(random.nextLong() & ~(1L << 62)));
      case 1 -> Long.toUnsignedString(random.nextLong()) + "e" + random.nextInt(-345, 300);
      // In the middle between two doubles, or one digit beside it.
      case 2 -> Long.toString((random.nextLong() >>> 10 | 1) + random.nextInt(-1, 2));
      default ->
          (random.nextLong() >> random.nextInt(64))
              + "."
              + random.nextInt(1_000_000)
              + "e"
              + random.nextInt(-40, 40);
    };
  }

  @Test
  void whatWasFound_isToldWithoutControlCharacters() {
    assertThat(refused("\0\1\2x").found()).isEqualTo("\"\uFFFD\uFFFD\uFFFDx\"");
  }

  @Test
  void overALimit_theLineIsTold() throws Exception {
    Limits limits = new Limits(4, 2, 8);
    ObjReader.read(stream(SQUARE + "f 1 2 3\nf 1 3 4\n"), limits);
    for (String over :
        List.of("v 0 0 0\n", "f 1 2 3\nf 1 2 3\nf 1 2 3\n", "f 1 2 3 4 1 2 3 4 1\n")) {
      BadFile bad =
          catchThrowableOfType(BadFile.class, () -> ObjReader.read(stream(SQUARE + over), limits));
      assertThat(bad.line()).isEqualTo(4 + over.lines().count());
      assertThat(bad.expected()).startsWith("at most ");
    }
    assertThat(Limits.ofFaces(2_000_000_000).corners()).isPositive();
  }

  private static final String CHART =
      """
      mtllib harbour.mtl
      v 0.0 0.0 0.0
      v 1.0 0.0 0.0
      v 1.0 1.0 0.0
      v 0.0 1.0 0.0
      v 2.0 0.0 0.0
      v 2.0 1.0 0.0
      vt 0.0 0.0
      vt 0.5 0.0
      vt 0.5 1.0
      vt 0.0 1.0 0.25
      vn 0.0 0.0 1.0
      o lid
      g top rim
      usemtl oak
      s 1
      f 1/1/1 2/2/1 3/3/1 4/4
      usemtl brass
      s off
      f 2//1 5//1 6//1 3
      l 5 6
      """;

  @Test
  void namesAndValues_areWrittenBackAsTheyWere() throws Exception {
    assertThat(written(read(CHART).mesh())).isEqualTo(CHART.replace("l 5 6\n", ""));
    String loose = CHART.replace("l 5 6", "l 1 5");
    Mesh mesh = read(loose).mesh();
    assertThat(written(mesh)).isEqualTo(loose);
    assertThat(written(MeshBytes.read(MeshBytes.write(mesh)))).isEqualTo(loose);
  }

  @Test
  void references_mayRunForwardAndCountBack_andWrongOnesCarryNothing() throws Exception {
    Mesh mesh = read(SQUARE + "f 1/2 2/x 3/0 4/9\nvt 0 0\nvt 1 0\nf 4/-1 3/-2/7 2/1.5 1/\n").mesh();
    assertThat(carried(mesh, 0)).containsExactly(1, -1, -1, -1);
    assertThat(carried(mesh, 1)).containsExactly(1, 0, -1, -1);
    assertThat(mesh.carries(Attribute.NORMAL)).isFalse();
  }

  @Test
  void aRepeatedCorner_takesItsValueAway() throws Exception {
    Mesh mesh = read(SQUARE + "vt 0 0\nvt 1 0\nvt 1 1\nvt 0 1\nf 1/1 1/4 2/2 3/3 4/4\n").mesh();
    assertThat(carried(mesh, 0)).containsExactly(0, 1, 2, 3);
  }

  private static int[] carried(Mesh mesh, int f) {
    int[] values = new int[mesh.size(f)];
    int c = mesh.firstCorner(f);
    for (int i = 0; i < values.length; i++) {
      values[i] = mesh.valueAt(Attribute.TEXTURE, c);
      c = mesh.next(c);
    }
    return values;
  }

  private static String written(Mesh mesh) throws IOException {
    StringBuilder out = new StringBuilder();
    ObjWriter.write(mesh, out);
    return out.toString();
  }

  private static double anyFinite(SplittableRandom random) {
    double value = Double.longBitsToDouble(random.nextLong());
    return Double.isFinite(value) ? value : random.nextDouble();
  }
}
