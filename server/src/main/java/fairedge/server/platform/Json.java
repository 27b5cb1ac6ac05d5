package fairedge.server.platform;

import org.jooq.JSONB;
import org.springframework.stereotype.Component;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/** Values to and from the JSON columns of the store, by the same mapper as the API's. */
@Component
public class Json {
  private final JsonMapper mapper;

  Json(JsonMapper mapper) {
    this.mapper = mapper;
  }

  public JSONB write(Object value) {
    return JSONB.valueOf(mapper.writeValueAsString(value));
  }

  public byte[] bytes(Object value) {
    return mapper.writeValueAsBytes(value);
  }

  public <T> T read(JSONB json, Class<T> type) {
    return mapper.readValue(json.data(), type);
  }

  public <T> T read(JSONB json, TypeReference<T> type) {
    return mapper.readValue(json.data(), type);
  }
}
