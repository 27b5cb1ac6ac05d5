package fairedge.picture;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.HostileFiles;
import fairedge.core.format.Limits;
import fairedge.core.format.MeshFormat;
import fairedge.core.mesh.Mesh;
import java.io.ByteArrayInputStream;
import java.util.List;
import java.util.Map;
import java.util.concurrent.TimeUnit;
import java.util.function.Supplier;
import java.util.stream.Stream;
import org.junit.jupiter.api.Timeout;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

/** The limit is not a measure: what draws every face on every other would never end. */
@Timeout(value = 1, unit = TimeUnit.MINUTES)
class HostileFilesTest {
  private static final Map<String, Supplier<byte[]>> FILES = HostileFiles.all();

  static Stream<String> names() {
    return FILES.keySet().stream();
  }

  @ParameterizedTest
  @MethodSource("names")
  void file_isDrawn(String name) throws Exception {
    byte[] file = FILES.get(name).get();
    Mesh mesh = MeshFormat.read(new ByteArrayInputStream(file), Limits.ofFaces(2_500_000)).mesh();
    byte[] png = MeshPicture.png(mesh, List.of(), new MeshPicture.Size(264, 156, 2));
    assertThat(png).startsWith(0x89, 'P', 'N', 'G');
  }
}
