package fairedge.server.platform;

import java.io.Serializable;
import java.security.Principal;
import java.util.UUID;

/** Who makes a request; what a session holds, which is kept by the id. */
public record SignedIn(UUID id, String signIn, String name) implements Principal, Serializable {
  private static final long serialVersionUID = 1L;

  @Override
  public String getName() {
    return id.toString();
  }
}
