package fairedge.server.platform;

import fairedge.json.CoreJson;
import org.springframework.boot.convert.ApplicationConversionService;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.format.FormatterRegistry;
import org.springframework.web.servlet.config.annotation.WebMvcConfigurer;
import tools.jackson.databind.JacksonModule;

/** The API writes the core's values as the command line does; in addresses, in lower case. */
@Configuration
class CoreNames implements WebMvcConfigurer {
  @Bean
  JacksonModule namesInJson() {
    return CoreJson.module();
  }

  @Override
  public void addFormatters(FormatterRegistry registry) {
    ApplicationConversionService.addApplicationConverters(registry);
  }
}
