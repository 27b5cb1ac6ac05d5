package fairedge.server.submission;

import java.util.HashSet;
import java.util.Set;
import java.util.UUID;
import java.util.function.Consumer;
import org.jspecify.annotations.Nullable;

/**
 * Whose fault it would be if the node died: a file's only while it has the node for itself. It is
 * counted then, until it ends or another begins.
 */
final class Alone {
  private final Consumer<UUID> count;
  private final Consumer<UUID> uncount;
  private final Set<UUID> running = new HashSet<>();

  /** The one that is counted. */
  private @Nullable UUID counted;

  Alone(Consumer<UUID> count, Consumer<UUID> uncount) {
    this.count = count;
    this.uncount = uncount;
  }

  synchronized void begin(UUID file) {
    running.add(file);
    if (running.size() == 1) {
      count.accept(file);
      counted = file;
    } else {
      uncount();
    }
  }

  synchronized void end(UUID file) {
    running.remove(file);
    if (file.equals(counted)) {
      uncount();
    }
  }

  private void uncount() {
    if (counted != null) {
      uncount.accept(counted);
      counted = null;
    }
  }
}
