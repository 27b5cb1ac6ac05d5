package fairedge.server.platform;

import com.fasterxml.jackson.annotation.JsonSubTypes;
import com.fasterxml.jackson.annotation.JsonTypeInfo;
import fairedge.core.cut.Anchor;
import fairedge.core.cut.View;
import fairedge.core.step.Change;
import org.springframework.context.annotation.Bean;
import org.springframework.context.annotation.Configuration;
import tools.jackson.databind.JacksonModule;
import tools.jackson.databind.module.SimpleModule;

/** How the core's sealed values are written as JSON: by a name that tells which they are. */
@Configuration
public class CoreJson {
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

  @Bean
  JacksonModule coreNames() {
    SimpleModule module = new SimpleModule("core names");
    module.setMixInAnnotation(Change.class, ChangeNames.class);
    module.setMixInAnnotation(Anchor.class, AnchorNames.class);
    module.setMixInAnnotation(View.class, ViewNames.class);
    return module;
  }
}
