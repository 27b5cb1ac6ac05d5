package fairedge.json;

import com.fasterxml.jackson.annotation.JsonIgnore;
import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import fairedge.core.cut.Anchor;
import fairedge.core.cut.View;
import fairedge.core.geometry.Vec3;
import fairedge.core.step.Change;
import java.util.List;
import java.util.Map;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.module.SimpleModule;

/** How the core's sealed values are written as JSON: by a name that tells which they are. */
public final class CoreJson {
  private CoreJson() {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "tool")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Change.TraceChange.class, name = "trace"),
    @JsonSubTypes.Type(value = Change.LoopsChange.class, name = "loops")
  })
  private interface ChangeNames {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "on")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = Anchor.OnVertex.class, name = "vertex"),
    @JsonSubTypes.Type(value = Anchor.OnEdge.class, name = "edge"),
    @JsonSubTypes.Type(value = Anchor.InFace.class, name = "face")
  })
  private interface AnchorNames {}

  @JsonTypeInfo(use = JsonTypeInfo.Id.NAME, property = "kind")
  @JsonSubTypes({
    @JsonSubTypes.Type(value = View.Perspective.class, name = "perspective"),
    @JsonSubTypes.Type(value = View.Parallel.class, name = "parallel")
  })
  private interface ViewNames {}

  /** Questions that a value answers are no properties of it. */
  private interface WithoutQuestions {
    @JsonIgnore
    boolean isFinite();
  }

  private static final Map<Class<?>, Class<?>> NAMES =
      Map.of(
          Change.class,
          ChangeNames.class,
          Anchor.class,
          AnchorNames.class,
          View.class,
          ViewNames.class);

  /** The property that tells which of a sealed type's records a JSON object is. */
  public static String tellingProperty(Class<?> sealed) {
    return namesOf(sealed).getAnnotation(JsonTypeInfo.class).property();
  }

  /** The name by which a record of a sealed type is told. */
  public static String nameOf(Class<?> sealed, Class<?> type) {
    for (JsonSubTypes.Type t : namesOf(sealed).getAnnotation(JsonSubTypes.class).value()) {
      if (t.value() == type) {
        return t.name();
      }
    }
    throw new IllegalStateException(type + " has no name in JSON");
  }

  private static Class<?> namesOf(Class<?> sealed) {
    Class<?> names = NAMES.get(sealed);
    if (names == null) {
      throw new IllegalStateException(sealed + " has no names in JSON");
    }
    return names;
  }

  /** To be registered with whatever mapper reads or writes the core's values. */
  public static JacksonModule module() {
    SimpleModule module = new SimpleModule("core names");
    NAMES.forEach(module::setMixInAnnotation);
    for (Class<?> type : List.of(Vec3.class, View.Perspective.class, View.Parallel.class)) {
      module.setMixInAnnotation(type, WithoutQuestions.class);
    }
    return module;
  }
}
