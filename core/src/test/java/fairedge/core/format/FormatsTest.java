package fairedge.core.format;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;
import static org.assertj.core.api.Assertions.catchThrowableOfType;

import fairedge.core.Meshes;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import fairedge.core.props.HarbourProps;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.ByteBuffer;
import java.nio.ByteOrder;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Base64;
import java.util.List;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;
import org.junit.jupiter.params.provider.EnumSource;
import org.junit.jupiter.params.provider.ValueSource;

/** Every format but OBJ: worked examples, there and back, and what hostile files say. */
class FormatsTest {
  private static final Limits FEW = new Limits(5000, 5000, 20_000);

  private static ReadResult read(byte[] file) throws IOException, BadFile {
    return MeshFormat.read(new ByteArrayInputStream(file), FEW);
  }

  private static ReadResult read(String file) throws IOException, BadFile {
    return read(file.getBytes(StandardCharsets.ISO_8859_1));
  }

  private static BadFile refused(byte[] file) {
    return catchThrowableOfType(BadFile.class, () -> read(file));
  }

  private static BadFile refused(String file) {
    return refused(file.getBytes(StandardCharsets.ISO_8859_1));
  }

  private static List<List<Integer>> rings(Mesh mesh) {
    List<List<Integer>> rings = new ArrayList<>();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      rings.add(Arrays.stream(mesh.vertices(f)).boxed().toList());
    }
    return rings;
  }

  @ParameterizedTest
  @EnumSource(
      value = MeshFormat.class,
      names = {"OBJ", "PLY", "OFF"})
  void meshWritten_readsBackTheSame(MeshFormat format) throws IOException, BadFile {
    for (Mesh mesh :
        List.of(HarbourProps.mooringBollard(), HarbourProps.hatchLid(), Meshes.cube())) {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      format.write(mesh, out);
      Mesh again = read(out.toByteArray()).mesh();
      assertMesh(again).isSound();
      assertThat(rings(again)).isEqualTo(rings(mesh));
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        assertThat(again.position(v)).isEqualTo(mesh.position(v));
      }
    }
  }

  /** A face may begin at another corner, and places are single precision. */
  @Test
  void glb_keepsPolygons() throws IOException, BadFile {
    for (Mesh mesh :
        List.of(HarbourProps.mooringBollard(), HarbourProps.hatchLid(), Meshes.cube())) {
      ByteArrayOutputStream out = new ByteArrayOutputStream();
      MeshFormat.GLB.write(mesh, out);
      ReadResult read = read(out.toByteArray());
      assertThat(read.remarks()).isEmpty();
      assertMesh(read.mesh()).isSound();
      assertThat(read.mesh().faceCount()).isEqualTo(mesh.faceCount());
      for (int f = 0; f < mesh.faceEnd(); f++) {
        List<Integer> ring = Arrays.stream(mesh.vertices(f)).boxed().toList();
        List<Integer> twice = new ArrayList<>(ring);
        twice.addAll(ring);
        assertThat(twice).containsSequence(Arrays.stream(read.mesh().vertices(f)).boxed().toList());
      }
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        assertThat(read.mesh().position(v).distance(mesh.position(v)))
            .isLessThan(1e-6 * mesh.bounds().diagonal());
      }
    }
  }

  private static final String PLY_TEXT =
      """
      ply
      format ascii 1.0
      comment quay
      element vertex 4
      property uchar red
      property float x
      property float y
      property float z
      element face 3
      property list uchar int vertex_indices
      property float weight
      element edge 1
      property int vertex1
      property int vertex2
      end_header
      9 0 0 0
      9 1 0 0
      9 1 1 0
      9 0 1 nan
      4 0 1 2 3 0.5
      3 0 1 1 0.5
      3 0 1 9 0.5
      0 2
      """;

  @Test
  void plyText_takesAnyProperties_andTellsOddFaces() throws IOException, BadFile {
    ReadResult read = read(PLY_TEXT);
    assertMesh(read.mesh()).hasCounts(4, 5, 1);
    assertThat(read.mesh().hasPlace(3)).isFalse();
    assertThat(read.mesh().findEdge(0, 2)).isNotEqualTo(Mesh.NONE);
    assertThat(read.oddities())
        .extracting(Oddity::kind)
        .containsExactly(Oddity.Kind.UNREADABLE_FACE, Oddity.Kind.UNREADABLE_FACE);
    assertThat(read.oddities().getFirst().line()).isEqualTo(21);
  }

  @ParameterizedTest
  @ValueSource(booleans = {true, false})
  void plyBinary_isReadInBothByteOrders(boolean big) throws IOException, BadFile {
    ByteBuffer data =
        ByteBuffer.allocate(200).order(big ? ByteOrder.BIG_ENDIAN : ByteOrder.LITTLE_ENDIAN);
    for (double[] p : new double[][] {{0, 0, 0}, {1, 0, 0}, {1, 1, 0}, {0, 1, 0.25}}) {
      data.putFloat((float) p[0]).putShort((short) -7).putDouble(p[1]).putFloat((float) p[2]);
    }
    data.put((byte) 2).putInt(5).putInt(6);
    data.putShort((short) 4).putShort((short) 0).putShort((short) 1);
    data.putShort((short) 2).putShort((short) 3);
    String header =
        "ply\nformat binary_%s_endian 1.0\nelement vertex 4\nproperty float x\nproperty short q\n"
                .formatted(big ? "big" : "little")
            + "property double y\nproperty float z\nelement thing 1\nproperty list uchar int at\n"
            + "element face 1\nproperty list ushort ushort vertex_index\nend_header\n";
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    out.write(header.getBytes(StandardCharsets.US_ASCII));
    out.write(data.array(), 0, data.position());
    Mesh mesh = read(out.toByteArray()).mesh();
    assertMesh(mesh).hasCounts(4, 4, 1);
    assertThat(mesh.position(3).z()).isEqualTo(0.25);
  }

  @Test
  void off_takesFirstNumbersOfALine() throws IOException, BadFile {
    ReadResult read =
        read(
            "COFF # colours\n\n4 2 0\n0 0 0 1 1 1 1\n1 0 0 1 1 1 1\n1 1 0 1 1 1 1\n0 1 0 1 1 1 1\n"
                + "4 0 1 2 3 255 0 0\n3 0 1\n");
    assertMesh(read.mesh()).hasCounts(4, 4, 1);
    assertThat(read.oddities()).singleElement().extracting(Oddity::line).isEqualTo(9);
    assertThat(refused("4OFF\n1 1 0\n").found()).contains("4OFF");
  }

  @Test
  void stl_joinsVertices_andSaysWhatIsLost() throws IOException, BadFile {
    String facet =
        "facet normal 0 0 1\nouter loop\nvertex %s\nvertex %s\nvertex %s\nendloop\nendfacet\n";
    String text =
        "solid quay\n"
            + facet.formatted("0 0 0", "1 0 0", "1 1 0")
            + facet.formatted("-0 0 0", "1 1 0", "0 1 0")
            + "endsolid quay\n";
    ReadResult read = read(text);
    assertMesh(read.mesh()).hasCounts(4, 5, 2);
    assertThat(read.remarks()).singleElement().asString().contains("triangles only");

    ByteBuffer binary = ByteBuffer.allocate(84 + 100).order(ByteOrder.LITTLE_ENDIAN);
    binary.put("solid but binary".getBytes(StandardCharsets.US_ASCII)).putInt(80, 2);
    float[][] corners = {{0, 0, 0, 1, 0, 0, 1, 1, 0}, {0, 0, 0, 1, 1, 0, 0, 1, 0}};
    for (int t = 0; t < 2; t++) {
      for (int i = 0; i < 9; i++) {
        binary.putFloat(84 + 50 * t + 12 + 4 * i, corners[t][i]);
      }
    }
    assertMesh(read(binary.array()).mesh()).hasCounts(4, 5, 2);
    binary.putInt(80, 2_000_000_000);
    assertThat(refused(binary.array()).found()).contains("after 2 triangles");
  }

  private static String gltf(String nodes, String indices, String positions) {
    return "{\"asset\":{\"version\":\"2.0\"},\"scene\":0,\"scenes\":[{\"nodes\":[0]}],\"nodes\":"
        + nodes
        + ",\"meshes\":[{\"primitives\":[{\"attributes\":{\"POSITION\":0},\"indices\":1}]}],"
        + "\"accessors\":[{\"bufferView\":0,\"componentType\":5126,\"count\":4,\"type\":\"VEC3\"},"
        + "{\"bufferView\":1,\"componentType\":5121,\"count\":6,\"type\":\"SCALAR\"}],"
        + "\"bufferViews\":[{\"buffer\":0,\"byteLength\":48},{\"buffer\":1,\"byteLength\":6}],"
        + "\"buffers\":[{\"byteLength\":48,\"uri\":\""
        + positions
        + "\"},{\"byteLength\":6,\"uri\":\""
        + indices
        + "\"}]}";
  }

  private static String data(byte[] bytes) {
    return "data:application/octet-stream;base64," + Base64.getEncoder().encodeToString(bytes);
  }

  private static byte[] square() {
    ByteBuffer places = ByteBuffer.allocate(48).order(ByteOrder.LITTLE_ENDIAN);
    for (float f : new float[] {0, 0, 0, 1, 0, 0, 1, 1, 0, 0, 1, 0}) {
      places.putFloat(f);
    }
    return places.array();
  }

  private static final byte[] TWO = {0, 1, 2, 0, 2, 3};

  @Test
  void gltf_followsNodes_andSaysThatSidesAreLost() throws IOException, BadFile {
    String nodes =
        "[{\"children\":[1],\"translation\":[10,0,0]},"
            + "{\"mesh\":0,\"scale\":[2,2,2],\"rotation\":[0,0,0.7071067811865476,0.7071067811865476]}]";
    ReadResult read = read(gltf(nodes, data(TWO), data(square())));
    assertMesh(read.mesh()).hasCounts(4, 5, 2);
    assertThat(read.remarks()).hasSize(1);
    // Twice as large, a quarter turn about z, then moved.
    assertThat(read.mesh().position(1).x())
        .isCloseTo(10, org.assertj.core.api.Assertions.within(1e-9));
    assertThat(read.mesh().position(1).y())
        .isCloseTo(2, org.assertj.core.api.Assertions.within(1e-9));
  }

  @Test
  void hostileGltf_isRefused() {
    String mesh = "[{\"mesh\":0}]";
    assertThat(refused(gltf("[{\"mesh\":0,\"children\":[0]}]", data(TWO), data(square()))).found())
        .contains("under itself");
    assertThat(refused(gltf(mesh, "../secret.bin", data(square()))).found()).contains("outside");
    assertThat(refused(gltf(mesh, "https://example.com/a", data(square()))).found())
        .contains("outside");
    assertThat(refused(gltf(mesh, data(TWO), data(new byte[10]))).found()).contains("beyond");
    assertThat(refused(gltf("[{\"mesh\":7}]", data(TWO), data(square()))).found())
        .contains("mesh 7");
    assertThat(refused("{".repeat(3)).line()).isEqualTo(1);
    assertThat(refused("{\"a\":" + "[".repeat(100_000)).expected()).contains("nested");
    assertThat(refused("{\"a\":[" + "0,".repeat(3_000_000) + "0]}").expected()).contains("values");
    assertThat(
            refused(
                    gltf(mesh, data(TWO), data(square()))
                        .replace("\"byteLength\":48}", "\"byteLength\":48,\"byteStride\":4}"))
                .found())
        .contains("stride");
    String primitive = "{\"attributes\":{\"POSITION\":0}}";
    assertThat(
            refused(
                    gltf(mesh, data(TWO), data(square()))
                        .replace(
                            "\"primitives\":[",
                            "\"primitives\":[" + (primitive + ",").repeat(20_000)))
                .found())
        .contains("more");
    assertThat(refused("{}").found()).contains("asset");
    assertThat(refused("glTF\2\0\0\0\377\377\377\377\377\377\377\177JSON").expected())
        .contains("chunk");
  }

  @Test
  @Timeout(20)
  void whatIsOnlyDeclared_isNotBelieved() {
    assertThat(
            refused(
                    "ply\n"
                        + "format ascii 1.0\n"
                        + "element vertex 1000000000\n"
                        + "property float x\n"
                        + "element face 1000000000\n"
                        + "property list int int vertex_indices\n"
                        + "end_header\n"
                        + "1\n")
                .found())
        .isEqualTo("the end of the file");
    assertThat(
            refused(
                    "ply\nformat binary_little_endian 1.0\nelement face 1\nproperty list uint uchar"
                        + " vertex_indices\nend_header\n\377\377\377\377")
                .found())
        .isEqualTo("the end of the file");
    assertThat(
            refused("ply\nelement nothing 9999999999999\nformat ascii 1.0\nend_header\n").found())
        .isEqualTo("the end, and no face before it");
    assertThat(refused("OFF\n1000000000 1000000000 0\n0 0 0\n").found())
        .isEqualTo("the end of the file");
    assertThat(refused("OFF\n3 1 0\n0 0 0\n1 0 0\n0 1 0\n2000000000 0 1 2\n").line()).isEqualTo(6);
    assertThat(refused("ply\n" + "x".repeat(50_000)).expected()).isEqualTo("end_header");
  }

  @ParameterizedTest
  @ValueSource(strings = {"UTF-16", "UTF-16LE", "UTF-16BE"})
  void textOfTwoBytesALetter_isRead(String charset) throws Exception {
    String obj = "\uFEFF# caf\u00E9 \uD83D\uDEA2\nv 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 3\n";
    String text = charset.equals("UTF-16") ? obj.substring(1) : obj;
    byte[] file = text.getBytes(Charset.forName(charset));
    Mesh mesh = MeshFormat.read(new ByteArrayInputStream(file), Limits.NONE).mesh();
    assertThat(mesh.faceCount()).isEqualTo(1);
  }

  @ParameterizedTest
  @CsvSource({"\u0089PNG, PNG picture", "%PDF-1.7, PDF", "GIF89a, GIF", "<svg xmlns, SVG"})
  void filesOfOtherSorts_areRefusedAsWhatTheyAre(String begin, String told) {
    byte[] file = (begin + "\0".repeat(200)).getBytes(StandardCharsets.ISO_8859_1);
    assertThatThrownBy(() -> MeshFormat.read(new ByteArrayInputStream(file), Limits.NONE))
        .isInstanceOf(BadFile.class)
        .hasMessageContaining(told);
  }
}
