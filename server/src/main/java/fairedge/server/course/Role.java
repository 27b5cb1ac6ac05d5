package fairedge.server.course;

import java.util.Locale;

/** What someone is in a class. */
public enum Role {
  INSTRUCTOR,
  ASSISTANT,
  STUDENT;

  /** As the store and the API write it. */
  public String key() {
    return name().toLowerCase(Locale.ROOT);
  }

  public static Role named(String key) {
    return valueOf(key.toUpperCase(Locale.ROOT));
  }
}
