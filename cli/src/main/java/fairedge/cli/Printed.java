package fairedge.cli;

import fairedge.json.CoreJson;
import java.io.PrintStream;
import tools.jackson.databind.SerializationFeature;
import tools.jackson.databind.json.JsonMapper;

/** JSON as the API writes it. */
final class Printed {
  static final JsonMapper JSON =
      JsonMapper.builder()
          .addModule(CoreJson.module())
          .enable(SerializationFeature.INDENT_OUTPUT)
          .build();

  private Printed() {}

  static void json(PrintStream out, Object value) {
    out.println(JSON.writeValueAsString(value));
    out.flush();
  }
}
