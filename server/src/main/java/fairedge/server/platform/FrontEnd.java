package fairedge.server.platform;

import jakarta.servlet.http.HttpServletRequest;
import java.io.IOException;
import java.io.InputStream;
import java.lang.reflect.Method;
import java.nio.charset.StandardCharsets;
import java.util.Map;
import org.springframework.beans.factory.annotation.Qualifier;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.core.io.Resource;
import org.springframework.http.MediaType;
import org.springframework.http.ResponseEntity;
import org.springframework.stereotype.Component;
import org.springframework.web.bind.annotation.RequestMethod;
import org.springframework.web.bind.annotation.ResponseBody;
import org.springframework.web.servlet.mvc.method.RequestMappingInfo;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;
import tools.jackson.core.type.TypeReference;
import tools.jackson.databind.json.JsonMapper;

/**
 * Every address of a place is the front end's: it opens the same view after a reload. Which places
 * there are the front end says ({@code web/src/app/places.json}).
 */
@Component
class FrontEnd {
  /** Where the page keeps the token of its style elements. */
  private static final String SPOT = "__STYLE_TOKEN__";

  private final String page;

  FrontEnd(
      @Value("classpath:META-INF/resources/index.html") Resource index,
      @Value("classpath:META-INF/fair-edge/places.json") Resource places,
      JsonMapper json,
      @Qualifier("requestMappingHandlerMapping") RequestMappingHandlerMapping mapping)
      throws IOException, NoSuchMethodException {
    this.page = index.getContentAsString(StandardCharsets.UTF_8);
    Method place = FrontEnd.class.getDeclaredMethod("place", HttpServletRequest.class);
    RequestMappingInfo all =
        RequestMappingInfo.paths(paths(places, json))
            .methods(RequestMethod.GET)
            .options(mapping.getBuilderConfiguration())
            .build();
    mapping.registerMapping(all, this, place);
  }

  /** As the browser writes them, with {@code :name} for what an address leaves open. */
  private static String[] paths(Resource places, JsonMapper json) throws IOException {
    try (InputStream in = places.getInputStream()) {
      return json.readValue(in, new TypeReference<Map<String, String>>() {}).values().stream()
          .map(path -> path.replaceAll(":(\\w+)", "{$1}"))
          .toArray(String[]::new);
    }
  }

  @ResponseBody
  ResponseEntity<String> place(HttpServletRequest request) {
    return ResponseEntity.ok()
        .contentType(new MediaType("text", "html", StandardCharsets.UTF_8))
        .header("Cache-Control", "no-cache")
        .body(page.replace(SPOT, ContentPolicy.tokenFor(request)));
  }
}
