package fairedge.server.platform;

import java.io.Serializable;
import java.util.UUID;

/** Who makes a request; what a session holds. */
public record SignedIn(UUID id, String signIn, String name) implements Serializable {
  private static final long serialVersionUID = 1L;
}
