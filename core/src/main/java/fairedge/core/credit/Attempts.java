package fairedge.core.credit;

import java.math.BigDecimal;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;

/** Which of a student's attempts counts. */
public final class Attempts {
  private Attempts() {}

  /**
   * An attempt that is answered.
   *
   * @param number from 1
   */
  public record Answered(int number, BigDecimal total) {}

  /** The one that counts; none where nothing is answered. */
  public static Optional<Answered> counting(List<Answered> answered, CreditRule.Counts counts) {
    Comparator<Answered> byNumber = Comparator.comparingInt(Answered::number);
    return switch (counts) {
      case LAST -> answered.stream().max(byNumber);
      case BEST ->
          answered.stream().max(Comparator.comparing(Answered::total).thenComparing(byNumber));
    };
  }
}
