package fairedge.server.platform;

import fairedge.json.CoreJson;
import io.swagger.v3.oas.models.OpenAPI;
import io.swagger.v3.oas.models.info.Info;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.AnnotatedParameterizedType;
import java.lang.reflect.AnnotatedType;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.time.Instant;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springdoc.core.customizers.OpenApiCustomizer;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import org.springframework.core.MethodParameter;
import org.springframework.web.bind.annotation.RequestBody;
import org.springframework.web.method.HandlerMethod;
import org.springframework.web.servlet.mvc.method.annotation.RequestMappingHandlerMapping;

/**
 * The schemas of the API's description, read from our records: every field is there, null only
 * where its type says so, and sealed types are told apart by the property that {@link CoreJson}
 * gives them. The front end's types are made from it.
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
      describe(api, schemas.byName);
    };
  }

  /** What only the application's own process makes a binary reply of. */
  private static final Set<Class<?>> BESIDE = Set.of(fairedge.server.platform.SignedIn.class);

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

  /** Schemas by the simple names of the records that they describe. */
  private static final class Schemas {
    private final Map<String, Schema<?>> byName = new TreeMap<>();

    Schema<?> of(AnnotatedType annotated) {
      Type type = annotated.getType();
      if (type instanceof ParameterizedType parameterized) {
        return ofParameterized(parameterized, (AnnotatedParameterizedType) annotated);
      }
      return type instanceof Class<?> c ? ofClass(c) : new JsonSchema();
    }

    private Schema<?> ofParameterized(
        ParameterizedType type, AnnotatedParameterizedType annotated) {
      AnnotatedType[] arguments = annotated.getAnnotatedActualTypeArguments();
      Schema<?> last = of(arguments[arguments.length - 1]);
      if (type.getRawType() == List.class) {
        return simple("array").items(last);
      }
      if (type.getRawType() == Map.class) {
        return simple("object").additionalProperties(last);
      }
      return new JsonSchema();
    }

    private Schema<?> ofClass(Class<?> c) {
      if (c == String.class) {
        return simple("string");
      }
      if (c == UUID.class) {
        return simple("string").format("uuid");
      }
      if (c == Instant.class) {
        return simple("string").format("date-time");
      }
      if (c == boolean.class || c == Boolean.class) {
        return simple("boolean");
      }
      if (c == double.class || c == Double.class) {
        return simple("number");
      }
      if (c.isPrimitive() && c != void.class || Number.class.isAssignableFrom(c)) {
        return simple("integer");
      }
      if (c == int[].class) {
        return simple("array").items(simple("integer"));
      }
      boolean ours = c.getName().startsWith("fairedge.") && !BESIDE.contains(c);
      return ours ? reference(c) : new JsonSchema();
    }

    private Schema<?> reference(Class<?> c) {
      String name = c.getSimpleName();
      if (!byName.containsKey(name)) {
        byName.put(name, new JsonSchema());
        byName.put(name, describe(c));
      }
      return new JsonSchema().$ref("#/components/schemas/" + name);
    }

    private Schema<?> describe(Class<?> c) {
      if (c.isEnum()) {
        Schema<Object> values = simple("string");
        for (Object value : c.getEnumConstants()) {
          values.addEnumItemObject(CoreJson.nameOf((Enum<?>) value));
        }
        return values;
      }
      if (c.isSealed()) {
        Schema<?> either = new JsonSchema();
        for (Class<?> permitted : c.getPermittedSubclasses()) {
          either.addOneOfItem(told(c, permitted));
        }
        return either;
      }
      return object(c);
    }

    private Schema<?> told(Class<?> sealed, Class<?> permitted) {
      Schema<?> schema = object(permitted);
      Schema<Object> name = simple("string");
      name.addEnumItemObject(CoreJson.nameOf(sealed, permitted));
      String property = CoreJson.tellingProperty(sealed);
      schema.addProperty(property, name);
      schema.addRequiredItem(property);
      return schema;
    }

    private Schema<?> object(Class<?> c) {
      Schema<?> object = simple("object");
      RecordComponent[] components =
          c.getRecordComponents() == null ? new RecordComponent[0] : c.getRecordComponents();
      List<String> required = new ArrayList<>();
      for (RecordComponent component : components) {
        AnnotatedType type = component.getAnnotatedType();
        Schema<?> property = of(type);
        object.addProperty(component.getName(), isNullable(type) ? orNull(property) : property);
        required.add(component.getName());
      }
      object.setRequired(required);
      return object;
    }

    private static boolean isNullable(AnnotatedType type) {
      return Arrays.stream(type.getAnnotations())
          .anyMatch(a -> a.annotationType() == Nullable.class);
    }

    private static Schema<?> orNull(Schema<?> schema) {
      return new JsonSchema().addOneOfItem(schema).addOneOfItem(simple("null"));
    }

    private static Schema<Object> simple(String type) {
      Schema<Object> schema = new JsonSchema();
      schema.addType(type);
      return schema;
    }
  }
}
