package fairedge.server.api;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.server.running.Application;
import fairedge.server.running.Client;
import fairedge.server.running.Running;
import java.io.IOException;
import java.nio.file.Files;
import java.nio.file.Path;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.extension.ExtendWith;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * The front end's types are made from a description of the API that is kept with its sources; here
 * is seen that it is the application's. {@code ./fair-edge describe} writes it anew.
 */
@ExtendWith(Running.class)
class OpenApiTest {
  private static final Path KEPT = Path.of("../web/src/api/openapi.json");

  @Test
  void description_isTheOneThatTheFrontEndWasBuiltWith(Application app) throws IOException {
    byte[] told = new Client(app).get("/api/openapi").is(200).bytes();
    JsonMapper json =
        JsonMapper.builder()
            .enable(
                SerializationFeature.INDENT_OUTPUT, SerializationFeature.ORDER_MAP_ENTRIES_BY_KEYS)
            .build();
    String description = json.writeValueAsString(json.readValue(told, Object.class)) + "\n";
    if (Boolean.getBoolean("fair-edge.describe")) {
      Files.writeString(KEPT, description);
    }
    assertThat(Files.readString(KEPT)).isEqualTo(description);
  }
}
