package fairedge.json;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.step.Change;
import fairedge.core.step.ChangeKind;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import java.util.Arrays;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.EnumSource;

/** The one list of the kinds of change, and what has to follow it. */
class ChangeNamesTest {
  private static final Path FORMATS = Path.of("../docs/formats.md");

  @Test
  void everyChange_isOfOneKind() {
    assertThat(Arrays.stream(ChangeKind.values()).map(ChangeKind::type))
        .doesNotHaveDuplicates()
        .hasSize(Change.class.getPermittedSubclasses().length);
    assertThat(Arrays.stream(ChangeKind.values()).map(ChangeKind::key)).doesNotHaveDuplicates();
  }

  @ParameterizedTest
  @EnumSource
  void everyKind_standsInTheTableOfFormats(ChangeKind kind) throws IOException {
    assertThat(Files.readString(FORMATS).lines().filter(line -> line.startsWith("| `")))
        .anyMatch(line -> line.split("\\|")[1].contains("`" + kind.key() + "`"));
    assertThat(CoreJson.nameOf(Change.class, kind.type())).isEqualTo(kind.key());
  }
}
