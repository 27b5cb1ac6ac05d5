package fairedge.server.bench;

import fairedge.server.platform.SignedIn;
import java.util.UUID;

/** Owners of one type: who may cut for them, and what is asked. */
interface Purpose {
  Owner.Type type();

  /** What is asked of a workpiece of an owner, and how much of its check is told. */
  Task task(UUID owner, UUID account);

  /**
   * @throws fairedge.server.platform.Problem if the account may not begin a workpiece for it, or
   *     not yet
   */
  void requireToOpen(UUID owner, SignedIn account);

  /**
   * At every touch of a workpiece, by the account whose it is: whether that may go on.
   *
   * @throws fairedge.server.platform.Problem if not
   */
  void requireToCut(UUID owner, SignedIn account);
}
