package fairedge.server.submission;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatThrownBy;

import fairedge.server.platform.Problem;
import java.io.ByteArrayInputStream;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.nio.charset.Charset;
import java.nio.charset.StandardCharsets;
import java.nio.file.Files;
import java.util.Arrays;
import java.util.LinkedHashMap;
import java.util.Map;
import java.util.Random;
import java.util.zip.ZipEntry;
import java.util.zip.ZipOutputStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

class UnpackingTest {
  private static final int MOST = 1000;

  private final Map<String, Integer> taken = new LinkedHashMap<>();

  private void take(String path, byte[] bytes) throws IOException {
    try (Unpacking unpacking = new Unpacking(MOST, 3 * MOST)) {
      unpacking.take(path, new ByteArrayInputStream(bytes));
      for (Unpacking.Unpacked file : unpacking.files()) {
        taken.put(file.path(), Math.toIntExact(Files.size(file.content())));
      }
    }
  }

  private static byte[] zip(Map<String, byte[]> files) throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out)) {
      for (Map.Entry<String, byte[]> file : files.entrySet()) {
        zip.putNextEntry(new ZipEntry(file.getKey()));
        zip.write(file.getValue());
        zip.closeEntry();
      }
    }
    return out.toByteArray();
  }

  private static byte[] zipOf(String... paths) throws IOException {
    Map<String, byte[]> files = new LinkedHashMap<>();
    for (String path : paths) {
      files.put(path, "v 0 0 0".getBytes(StandardCharsets.UTF_8));
    }
    return zip(files);
  }

  @Test
  void filesOfAZip_areTaken_foldersAndWhatSystemsLeave_not() throws IOException {
    take(
        "class.zip",
        zipOf("rune/", "rune/lid.obj", "__MACOSX/._lid.obj", ".DS_Store", "ines/a/b.ply"));
    assertThat(taken).containsOnlyKeys("rune/lid.obj", "ines/a/b.ply");
  }

  /** As zips come from Windows, where names are not marked as what they are. */
  @Test
  void namesThatAreNotUtf8_areReadAsWindowsWritesThem() throws IOException {
    ByteArrayOutputStream out = new ByteArrayOutputStream();
    try (ZipOutputStream zip = new ZipOutputStream(out, Charset.forName("windows-1252"))) {
      zip.putNextEntry(new ZipEntry("Søren Åberg/lûk.obj"));
      zip.write(1);
      zip.closeEntry();
    }
    take("class.zip", out.toByteArray());
    take("class.zip", zipOf("Søren Åberg/дек.obj"));
    assertThat(taken).containsOnlyKeys("Søren Åberg/lûk.obj", "Søren Åberg/дек.obj");
  }

  /** Nothing of it is unpacked: the directory says enough. */
  @Test
  void zipThatHoldsTooMuch_isRefusedByItsDirectory() throws IOException {
    Map<String, byte[]> files = new LinkedHashMap<>();
    for (int i = 0; i < 4; i++) {
      files.put(i + ".obj", new byte[MOST]);
    }
    byte[] large = zip(files);
    assertThatThrownBy(() -> take("class.zip", large))
        .isInstanceOf(Problem.class)
        .hasMessageContaining("too large together");
    assertThat(taken).isEmpty();
  }

  @Test
  void fileThatIsNoZip_isTakenByItself() throws IOException {
    take("rune/lid.obj", new byte[MOST]);
    take("empty.obj", new byte[0]);
    take("short", new byte[] {'P', 'K'});
    assertThat(taken).containsOnlyKeys("rune/lid.obj", "empty.obj", "short");
  }

  @ParameterizedTest
  @ValueSource(
      strings = {"../lid.obj", "a/../../lid.obj", "/etc/lid.obj", "C:/lid.obj", "a\\..\\..\\b.obj"})
  void pathThatLeadsOutside_isRefused(String path) throws IOException {
    byte[] zip = zipOf("fine.obj", path);
    assertThatThrownBy(() -> take("class.zip", zip))
        .isInstanceOf(Problem.class)
        .hasMessage("A path in this zip leads outside of it.");
  }

  @Test
  void bombs_areRefused_beforeTheyAreInMemory() throws IOException {
    byte[] one = zip(Map.of("rune.obj", new byte[50_000_000]));
    assertThat(one.length).isLessThan(100_000);
    assertThatThrownBy(() -> take("class.zip", one))
        .isInstanceOf(Problem.class)
        .hasMessage("One of the files is too large.");
    byte[] many =
        zip(
            Map.of(
                "a", new byte[MOST], "b", new byte[MOST], "c", new byte[MOST], "d", new byte[1]));
    assertThatThrownBy(() -> take("class.zip", many))
        .isInstanceOf(Problem.class)
        .hasMessage("The files are too large together.");
    String[] paths = new String[400];
    Arrays.setAll(paths, i -> "f" + i);
    byte[] countless = zipOf(paths);
    assertThatThrownBy(() -> take("class.zip", countless))
        .isInstanceOf(Problem.class)
        .hasMessage("There are more than 300 files.");
  }

  @Test
  void zipThatIsBrokenAnywhere_isRefused_orGivesWhatIsWhole() throws IOException {
    byte[] whole = zipOf("rune.obj", "ines.obj");
    Random random = new Random(5);
    for (int i = 0; i < 2000; i++) {
      byte[] broken = Arrays.copyOf(whole, 1 + random.nextInt(whole.length));
      for (int k = random.nextInt(4); k > 0; k--) {
        broken[random.nextInt(broken.length)] = (byte) random.nextInt();
      }
      try {
        take("class.zip", broken);
      } catch (Problem refused) {
        assertThat(refused.getMessage()).as("what it says").isNotNull();
      }
    }
  }
}
