package fairedge.server.course;

import java.io.IOException;
import java.util.List;
import java.util.UUID;

/**
 * What a module keeps of somebody's work: to be handed out as files, and to be erased. Asked in the
 * order of the modules from the top down, so that nothing is erased that something above still
 * names.
 */
public interface Belongings {
  /** Where files go. */
  interface Box {
    void put(String path, byte[] bytes) throws IOException;
  }

  /**
   * Which work of whom.
   *
   * @param isOwn whether they ask for it themselves: then what is nobody's class, too
   */
  record Of(UUID account, List<UUID> courses, boolean isOwn) {}

  /** Puts all of it into a box, readable without this application. */
  void pack(Of whose, Box box) throws IOException;

  /** Lets go of all of it; in the transaction at hand. */
  void erase(Of whose);

  /** Lets go of what is nobody's class: the account goes altogether. In the transaction at hand. */
  default void eraseAccount(UUID account) {}
}
