package fairedge.server.platform;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.assertThatIllegalStateException;

import org.junit.jupiter.api.Test;

class SchemasTest {
  private static final class One {
    record Told(int number) {}
  }

  private static final class Other {
    record Told(String word) {}
  }

  @Test
  void twoRecordsOfOneName_areRefused() {
    Schemas schemas = new Schemas();
    schemas.ofClass(One.Told.class);
    schemas.ofClass(One.Told.class);
    assertThat(schemas.byName()).containsOnlyKeys("Told");
    assertThatIllegalStateException()
        .isThrownBy(() -> schemas.ofClass(Other.Told.class))
        .withMessageContaining("two schemas are called Told");
  }
}
