package fairedge.server.notice;

import org.jspecify.annotations.Nullable;

/** Whoever takes mail: a mail server, the demo's outbox, or nobody. */
interface Post {
  /** A mail as it is read. */
  record Mail(String to, String subject, String body) {}

  /** What became of a mail. */
  sealed interface Sent {
    record Taken() implements Sent {}

    /** It surely was not taken, and may be later. */
    record Later(@Nullable String why) implements Sent {}

    /** It was not taken, and never will be. */
    record Refused(@Nullable String why) implements Sent {}

    /** Nobody said whether it was taken: sent again, it might come twice. */
    record Unknown(@Nullable String why) implements Sent {}
  }

  /** Whether mail is sent at all. */
  boolean isThere();

  Sent send(Mail mail);
}
