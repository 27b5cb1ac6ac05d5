package fairedge.server.meshfile;

import fairedge.core.format.Limits;
import org.slf4j.Logger;
import org.slf4j.LoggerFactory;
import org.springframework.beans.factory.annotation.Value;
import org.springframework.stereotype.Component;

/**
 * How large a mesh may be that comes in as a file: as it is set, but never larger than what this
 * server has the memory to inspect, one at a time.
 */
@Component
public class FileLimits {
  private static final Logger log = LoggerFactory.getLogger(FileLimits.class);

  /** A mesh of quads with all that an inspection makes of it, measured (decision 0010). */
  private static final long BYTES_PER_FACE = 1200;

  private final Limits limits;

  FileLimits(@Value("${fair-edge.limits.faces}") int wanted) {
    long room = Runtime.getRuntime().maxMemory() / BYTES_PER_FACE;
    if (room < wanted) {
      log.warn(
          "with {} MB of memory meshes of {} faces can be taken, not of {}",
          Runtime.getRuntime().maxMemory() >> 20,
          room,
          wanted);
    }
    this.limits = Limits.ofFaces((int) Math.min(wanted, room));
  }

  public Limits limits() {
    return limits;
  }
}
