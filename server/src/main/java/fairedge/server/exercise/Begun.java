package fairedge.server.exercise;

import java.util.Collection;
import java.util.UUID;

/** Whether students have begun: told by the modules that keep what they do. */
public interface Begun {
  /** Whether anybody has begun at any of several assignments. */
  boolean hasBegun(Collection<UUID> assignments);
}
