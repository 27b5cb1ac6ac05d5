package fairedge.core.credit;

import java.time.Duration;
import java.time.Instant;
import java.time.LocalDateTime;
import java.time.ZoneId;

/** How late something is, in days by the clock on the wall. */
public final class Lateness {
  private Lateness() {}

  /**
   * How many days were begun since something was due: a day ends when the clock on the wall shows
   * the due time again, also where it was put forward or back in between.
   *
   * @return 0 where it came in time, 1 and more else
   */
  public static int days(Instant due, Instant arrived, ZoneId zone) {
    if (!arrived.isAfter(due)) {
      return 0;
    }
    Duration onTheWall =
        Duration.between(
            LocalDateTime.ofInstant(due, zone), LocalDateTime.ofInstant(arrived, zone));
    long days = onTheWall.toDays() + (onTheWall.minusDays(onTheWall.toDays()).isPositive() ? 1 : 0);
    return (int) Math.clamp(days, 1, Integer.MAX_VALUE);
  }
}
