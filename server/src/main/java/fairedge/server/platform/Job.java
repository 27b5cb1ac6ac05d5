package fairedge.server.platform;

/**
 * Long work of a module, asked for through {@link JobQueue}. It may be run again after a node died
 * with it, so it must see for itself what is done already.
 */
public interface Job {
  /** Under which its runs are kept. */
  String name();

  /**
   * @param id of what it works on
   */
  void run(String id);
}
