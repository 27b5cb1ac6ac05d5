package fairedge.core.format.wire;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.step.Change;
import fairedge.core.step.Workpiece;
import fairedge.core.subdivide.CatmullClark;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Map;
import java.util.TreeMap;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/**
 * The messages against files, which the front end's test reads as well. After a change of the
 * layout: a new version in {@link WireMessage} or {@link SurfaceMessage}, docs/wire.md and wire.ts,
 * and the files written anew by {@link #main}.
 */
class WireMessageTest {
  private static final Path FILES = Path.of("src/test/resources/wire");
  private static final Vec3 ORIGIN = new Vec3(1, 1, 1);

  /** A cube, the loop that is inserted into it, its undo, a mesh without a place; a surface. */
  private static Map<String, byte[]> messages() {
    Map<String, byte[]> all = new TreeMap<>();
    Mesh cube = Meshes.cube();
    all.put("cube", WireMessage.whole(cube, ORIGIN, 7));
    Workpiece workpiece = new Workpiece(cube, Tolerance.of(cube.bounds()));
    workpiece.apply(Change.LoopsChange.of(cube.findEdge(0, 4), 0.25));
    all.put(
        "cube-loop", WireMessage.delta(cube, ORIGIN, workpiece.lastTouched().orElseThrow(), 7, 8));
    all.put("cube-undo", WireMessage.delta(cube, ORIGIN, workpiece.undo(), 8, 9));
    all.put("no-place", WireMessage.whole(withoutAPlace(), Vec3.ZERO, 0));
    all.put("cube-smooth", SurfaceMessage.of(CatmullClark.refined(Meshes.cube(), 1), ORIGIN, 4));
    return all;
  }

  private static Mesh withoutAPlace() {
    MeshBuilder b = new MeshBuilder();
    int nowhere = b.vertex(Double.NaN, 0, 0);
    int a = b.vertex(0, 0, 0);
    int c = b.vertex(1, 0, 0);
    int d = b.vertex(1, 1, 0);
    b.face(nowhere, a, c);
    b.face(a, c, d);
    return b.build();
  }

  static Stream<Map.Entry<String, byte[]>> all() {
    return messages().entrySet().stream();
  }

  @ParameterizedTest
  @MethodSource("all")
  void message_isTheOneInTheFile(Map.Entry<String, byte[]> message) throws IOException {
    assertThat(message.getValue())
        .isEqualTo(Files.readAllBytes(FILES.resolve(message.getKey() + ".bin")));
  }

  /** Writes the files; run in the folder of the core. */
  public static void main(String[] args) throws IOException {
    Files.createDirectories(FILES);
    for (Map.Entry<String, byte[]> message : messages().entrySet()) {
      Files.write(FILES.resolve(message.getKey() + ".bin"), message.getValue());
    }
  }
}
