package fairedge.server.live;

/**
 * What is told and not kept; at most some kilobytes.
 *
 * @param content as JSON
 */
public record Passing(String subject, String kind, String content) {
  private static final String MARK = "~";
  private static final int MOST = 7_500;

  public static Passing of(String subject, String kind, String content) {
    if (content.length() > MOST) {
      throw new IllegalArgumentException("too much to be told in passing");
    }
    return new Passing(subject, kind, content);
  }

  /** Whether a notification is one. */
  static boolean isOne(String told) {
    return told.startsWith(MARK);
  }

  public String written() {
    return MARK + subject + "\n" + kind + "\n" + content;
  }

  static Passing read(String told) {
    String[] parts = told.substring(MARK.length()).split("\n", 3);
    return new Passing(parts[0], parts[1], parts[2]);
  }
}
