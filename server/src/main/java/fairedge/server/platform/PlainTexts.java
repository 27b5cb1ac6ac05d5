package fairedge.server.platform;

import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.core.JsonParser;
import tools.jackson.databind.DeserializationContext;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.deser.jdk.StringDeserializer;
import tools.jackson.databind.module.SimpleModule;

/** Texts as PostgreSQL can keep them: a zero character is a mistake of the caller's. */
@Configuration
class PlainTexts {
  @Bean
  JacksonModule textsWithoutZero() {
    return new SimpleModule("texts").addDeserializer(String.class, new WithoutZero());
  }

  private static final class WithoutZero extends StringDeserializer {
    @Override
    public String deserialize(JsonParser parser, DeserializationContext context) {
      String text = super.deserialize(parser, context);
      if (text.indexOf('\0') >= 0) {
        context.reportInputMismatch(String.class, "a text holds a zero character");
      }
      return text;
    }
  }
}
