package fairedge.server.notice;

import java.time.Instant;
import java.util.Locale;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A mail to one person. It is written when it goes.
 *
 * @param course of a slip its class; null: news
 * @param tries how often it was begun
 */
public record Letter(
    UUID id, UUID account, @Nullable UUID course, Instant madeAt, State state, int tries) {

  /** How far it is. */
  public enum State {
    WAITING,
    /** On its way; where it stays so, a node died with it. */
    GOING,
    TAKEN,
    REFUSED,
    /** Nobody said whether it was taken. */
    UNKNOWN;

    public String key() {
      return name().toLowerCase(Locale.ROOT);
    }

    public static State named(String key) {
      return valueOf(key.toUpperCase(Locale.ROOT));
    }
  }
}
