package fairedge.server.platform;

import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.Schema;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.MethodParameter;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * The API's description, its schemas read from our records ({@link Schemas}). The front end's types
 * are made from it.
 */
@Configuration
class ApiDescription {
  @Bean
  OpenApiCustomizer schemas(List<RequestMappingHandlerMapping> mappings) {
    return api -> {
      Schemas schemas = new Schemas();
      for (RequestMappingHandlerMapping mapping : mappings) {
        for (HandlerMethod method : mapping.getHandlerMethods().values()) {
          if (method.getBeanType().getName().startsWith("fairedge.")) {
            addTypes(method, schemas);
          }
        }
      }
      describe(api, schemas.byName());
    };
  }

  private static void addTypes(HandlerMethod method, Schemas schemas) {
    schemas.of(method.getMethod().getAnnotatedReturnType());
    Inside inside = method.getMethodAnnotation(Inside.class);
    if (inside != null) {
      schemas.ofClass(inside.value());
    }
    for (MethodParameter parameter : method.getMethodParameters()) {
      if (parameter.hasParameterAnnotation(RequestBody.class)) {
        int index = parameter.getParameterIndex();
        schemas.of(method.getMethod().getAnnotatedParameterTypes()[index]);
      }
    }
  }

  private static void describe(OpenAPI api, Map<String, Schema<?>> byName) {
    api.setServers(List.of());
    api.setInfo(new Info().title("Fair Edge").version("1"));
    api.getComponents().setSchemas(new TreeMap<>(byName));
  }
}
