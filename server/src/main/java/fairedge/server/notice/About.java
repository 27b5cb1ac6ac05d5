package fairedge.server.notice;

import java.util.Locale;

/** What news there are by mail; each can be switched off by whom it goes to. */
public enum About {
  /** An answer was returned. */
  ANSWER,
  /** An exercise was opened. */
  OPENED,
  /** An exercise is due tomorrow, and nothing was handed in. */
  DUE;

  public String key() {
    return name().toLowerCase(Locale.ROOT);
  }

  public static About named(String key) {
    return valueOf(key.toUpperCase(Locale.ROOT));
  }
}
