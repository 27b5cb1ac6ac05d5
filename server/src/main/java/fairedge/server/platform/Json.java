package fairedge.server.platform;

import com.fasterxml.jackson.annotation.JsonSetter;
import com.fasterxml.jackson.annotation.Nulls;
import java.util.Map;
import org.jooq.JSONB;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.DeserializationFeature;
import tools.jackson.databind.json.JsonMapper;

/**
 * Values to and from the JSON columns of the store: written as the API writes them, read leniently.
 * What an earlier version did not write yet is nothing, no number or an empty table; what it wrote
 * and this one does not know is skipped. The API's own mapper refuses both.
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
    // Of lists none may mean another thing than an empty one: the faces that a change may cut.
    return strict
        .rebuild()
        .disable(DeserializationFeature.FAIL_ON_NULL_FOR_PRIMITIVES)
        .disable(DeserializationFeature.FAIL_ON_UNKNOWN_PROPERTIES)
        .withConfigOverride(
            Map.class, o -> o.setNullHandling(JsonSetter.Value.forValueNulls(Nulls.AS_EMPTY)))
        .build();
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

  /** The same of a file that came in. */
  public <T> T read(byte[] bytes, Class<T> type) {
    return lenient.readValue(bytes, type);
  }

  public <T> T read(JSONB json, TypeReference<T> type) {
    return lenient.readValue(json.data(), type);
  }
}
