package fairedge.server.platform;

import java.util.Map;
import java.util.function.Supplier;
import org.springframework.http.HttpStatus;

/**
 * The caller's mistake, or a state that forbids what was asked. Modules throw it; only the web's
 * edge turns it into a problem detail.
 */
public final class Problem extends RuntimeException {
  private static final long serialVersionUID = 1L;
  private final Kind kind;
  private final transient Map<String, Object> details;

  /** What kind of problem, and its status. */
  public enum Kind {
    NOT_FOUND(HttpStatus.NOT_FOUND, "Not here"),
    NOT_ALLOWED(HttpStatus.FORBIDDEN, "Not allowed"),
    STALE(HttpStatus.CONFLICT, "Something changed meanwhile"),
    REFUSED(HttpStatus.UNPROCESSABLE_CONTENT, "This cut can't be made"),
    BAD_FILE(HttpStatus.UNPROCESSABLE_CONTENT, "This file could not be read"),
    BAD_INPUT(HttpStatus.BAD_REQUEST, "This could not be understood"),
    TOO_DEAR(HttpStatus.UNPROCESSABLE_CONTENT, "This takes too long"),
    TOO_MANY(HttpStatus.TOO_MANY_REQUESTS, "Not so fast");

    private final HttpStatus status;
    private final String title;

    Kind(HttpStatus status, String title) {
      this.status = status;
      this.title = title;
    }

    public HttpStatus status() {
      return status;
    }

    public String title() {
      return title;
    }
  }

  private Problem(Kind kind, String message, Map<String, Object> details) {
    super(message, null, false, false);
    this.kind = kind;
    this.details = details;
  }

  public static Problem of(Kind kind, String message) {
    return new Problem(kind, message, Map.of());
  }

  public static Problem of(Kind kind, String message, Map<String, Object> details) {
    return new Problem(kind, message, details);
  }

  /**
   * What the core makes of what somebody sent.
   *
   * @throws Problem saying what the core says is wrong with it
   */
  public static <T> T unlessUnsound(Supplier<T> made) {
    try {
      return made.get();
    } catch (IllegalArgumentException e) {
      throw of(Kind.BAD_INPUT, String.valueOf(e.getMessage()));
    }
  }

  /** Also where something exists that the caller may not know of. */
  public static Problem notFound(String what) {
    return of(Kind.NOT_FOUND, "There is no such " + what + ", or it is not yours to see.");
  }

  public Kind kind() {
    return kind;
  }

  public Map<String, Object> details() {
    return details;
  }
}
