package fairedge.server.platform;

import fairedge.json.CoreJson;
import io.swagger.v3.oas.models.media.JsonSchema;
import io.swagger.v3.oas.models.media.Schema;
import java.lang.reflect.AnnotatedParameterizedType;
import java.lang.reflect.AnnotatedType;
import java.lang.reflect.ParameterizedType;
import java.lang.reflect.RecordComponent;
import java.lang.reflect.Type;
import java.time.Instant;
import java.time.LocalDate;
import java.time.LocalDateTime;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.TreeMap;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * Schemas by the simple names of the records that they describe: every field is there, null only
 * where its type says so, and sealed types are told apart by the property that {@link CoreJson}
 * gives them. Two records of one name are refused: the front end would take one for the other.
 */
final class Schemas {
  /** What only the application's own process makes a binary reply of. */
  private static final Set<Class<?>> BESIDE = Set.of(SignedIn.class);

  private final Map<String, Schema<?>> byName = new TreeMap<>();
  private final Map<String, Class<?>> named = new HashMap<>();

  Map<String, Schema<?>> byName() {
    return byName;
  }

  Schema<?> of(AnnotatedType annotated) {
    Type type = annotated.getType();
    if (type instanceof ParameterizedType parameterized) {
      return ofParameterized(parameterized, (AnnotatedParameterizedType) annotated);
    }
    return type instanceof Class<?> c ? ofClass(c) : new JsonSchema();
  }

  private Schema<?> ofParameterized(ParameterizedType type, AnnotatedParameterizedType annotated) {
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

  Schema<?> ofClass(Class<?> c) {
    if (c == String.class) {
      return simple("string");
    }
    if (c == UUID.class) {
      return simple("string").format("uuid");
    }
    if (c == Instant.class) {
      return simple("string").format("date-time");
    }
    if (c == LocalDate.class) {
      return simple("string").format("date");
    }
    if (c == LocalDateTime.class) {
      // A time on a wall: without a zone it is no "date-time" of the standard.
      return simple("string");
    }
    if (c == byte[].class) {
      return simple("string").format("byte");
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
    Class<?> known = named.putIfAbsent(name, c);
    if (known != null && known != c) {
      throw new IllegalStateException(
          "two schemas are called %s: %s and %s".formatted(name, known.getName(), c.getName()));
    }
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
    return Arrays.stream(type.getAnnotations()).anyMatch(a -> a.annotationType() == Nullable.class);
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
