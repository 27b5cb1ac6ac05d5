package fairedge.server.platform;

import fairedge.json.CoreJson;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.JacksonModule;

/** The API writes the core's values as the command line does. */
@Configuration
class CoreNames {
  @Bean
  JacksonModule namesInJson() {
    return CoreJson.module();
  }
}
