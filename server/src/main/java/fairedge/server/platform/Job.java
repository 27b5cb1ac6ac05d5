package fairedge.server.platform;

/**
 * Long work of a module, asked for through {@link JobQueue}. It may be run again after a node died
 * with it, so it must see for itself what is done already.
 */
public interface Job {
  /** Under which its runs are kept. */
  String name();

  /** What comes of a run. */
  enum Ended {
    /** It is through, or nothing is left to do. */
    DONE,
    /** It could not begin yet, since something else is under way: it is tried again soon. */
    LATER
  }

  /**
   * @param id of what it works on
   */
  Ended run(String id);
}
