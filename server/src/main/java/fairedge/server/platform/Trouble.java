package fairedge.server.platform;

import java.io.IOException;
import java.sql.SQLException;
import java.sql.SQLTransientConnectionException;
import org.jspecify.annotations.Nullable;
import org.springframework.http.HttpStatus;
import org.springframework.transaction.TransactionSystemException;

/** What is wrong with the machine and not with us, by what PostgreSQL says of it. */
enum Trouble {
  DISK_FULL(
      HttpStatus.INSUFFICIENT_STORAGE,
      "No room",
      "The server has no room left to keep this. Nothing that was confirmed is lost; try again"
          + " once whoever looks after it has made room."),
  DATABASE_AWAY(
      HttpStatus.SERVICE_UNAVAILABLE,
      "Away for a moment",
      "The server can't reach its database. Nothing that was confirmed is lost; try again in a"
          + " moment.");

  private final HttpStatus status;
  private final String title;
  private final String words;

  Trouble(HttpStatus status, String title, String words) {
    this.status = status;
    this.title = title;
    this.words = words;
  }

  HttpStatus status() {
    return status;
  }

  String title() {
    return title;
  }

  String words() {
    return words;
  }

  static @Nullable Trouble of(@Nullable Throwable bug) {
    for (Throwable cause = bug; cause != null; cause = cause.getCause()) {
      // What could not be taken back either hides what went wrong before.
      Trouble first =
          cause instanceof TransactionSystemException both
              ? of(both.getApplicationException())
              : null;
      if (first != null) {
        return first;
      }
      String state = cause instanceof SQLException sql ? sql.getSQLState() : null;
      boolean isFull =
          state != null && state.startsWith("53") && !state.equals("53300")
              || cause instanceof IOException
                  && String.valueOf(cause.getMessage()).contains("No space left");
      if (isFull) {
        return DISK_FULL;
      }
      boolean isAway =
          state != null && (state.startsWith("08") || state.startsWith("57P"))
              || cause instanceof SQLTransientConnectionException;
      if (isAway) {
        return DATABASE_AWAY;
      }
    }
    return null;
  }
}
