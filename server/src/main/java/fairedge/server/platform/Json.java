package fairedge.server.platform;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import java.util.List;
import java.util.Map;
import java.util.Set;
import org.jooq.JSONB;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * Values to and from the JSON columns of the store: written as the API writes them, read leniently.
 * What an earlier version did not write yet is nothing, none or empty; what it wrote and this one
 * does not know is skipped. The API's own mapper refuses both.
 */
@Component
public class Json {
  private final JsonMapper mapper;
  private final JsonMapper lenient;

  Json(JsonMapper mapper) {
    this.mapper = mapper;
    this.lenient = lenient(mapper);
  }

  private static JsonMapper lenient(JsonMapper strict) {
    var builder =
        strict
            .rebuild()
            .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
            .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES);
    for (Class<?> many : List.of(List.class, Map.class, Set.class)) {
      builder.withConfigOverride(
          many, o -> o.setNullHandling(JsonSetter.Value.forValueNulls(Nulls.AS_EMPTY)));
    }
    return builder.build();
  }

  public JSONB write(Object value) {
    return JSONB.valueOf(mapper.writeValueAsString(value));
  }

  public byte[] bytes(Object value) {
    return mapper.writeValueAsBytes(value);
  }

  public <T> T read(JSONB json, Class<T> type) {
    return lenient.readValue(json.data(), type);
  }

  public <T> T read(JSONB json, TypeReference<T> type) {
    return lenient.readValue(json.data(), type);
  }
}
