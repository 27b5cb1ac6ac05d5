package fairedge.server.platform;

import java.time.LocalDate;
import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

/** The days that are taken: far enough for any school, and such that a database keeps them. */
public final class Reach {
  private static final LocalDate FIRST = LocalDate.of(2000, 1, 1);
  private static final LocalDate LAST = LocalDate.of(2199, 12, 31);

  private Reach() {}

  /**
   * @throws Problem if a day is beyond them
   */
  public static void require(@Nullable LocalDate day) {
    if (day != null && (day.isBefore(FIRST) || day.isAfter(LAST))) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "A day is between %d and %d.".formatted(FIRST.getYear(), LAST.getYear()));
    }
  }

  /** The same of the day of a time. */
  public static void require(@Nullable LocalDateTime time) {
    require(time == null ? null : time.toLocalDate());
  }
}
