package fairedge.server.platform;

import java.time.Duration;

/**
 * Long work of a module, asked for through {@link JobQueue}. It may be run again after a node died
 * with it, so it must see for itself what is done already.
 */
public interface Job {
  /** Under which its runs are kept. */
  String name();

  /** What comes of a run. */
  sealed interface Ended {
    /** It is through, or nothing is left to do. */
    Ended DONE = new Done();

    /** It could not begin yet, since something else is under way: it is tried again soon. */
    Ended LATER = new Later(Duration.ofMillis(500));

    record Done() implements Ended {}

    /** It is tried again after so long. */
    record Later(Duration pause) implements Ended {}
  }

  /**
   * @param id of what it works on
   */
  Ended run(String id);
}
