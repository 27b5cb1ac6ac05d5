package fairedge.server.platform;

import java.time.Instant;

/** What of a module has a stated life, and goes after it: asked once a day. */
public interface Cleaning {
  /** In words, for the log. */
  String what();

  /**
   * Lets go of what is over.
   *
   * @return how many went
   */
  int clean(Instant now);
}
