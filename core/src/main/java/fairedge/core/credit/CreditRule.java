package fairedge.core.credit;

import java.math.BigDecimal;
import java.math.RoundingMode;
import java.util.List;

/**
 * By what a hand-in gets credits.
 *
 * @param criteria at most {@value #MOST}
 * @param step the total is rounded to a multiple of it, once, halves upwards
 * @param offADay for each day begun after the due time
 * @param counts which attempt of a student counts
 */
public record CreditRule(
    List<Criterion> criteria, BigDecimal step, BigDecimal offADay, Counts counts) {
  public static final int MOST = 20;

  /** No credits at all. */
  public static final CreditRule NONE =
      new CreditRule(List.of(), BigDecimal.ONE, BigDecimal.ZERO, Counts.BEST);

  /** Which attempt of a student counts, of those that are answered. */
  public enum Counts {
    /** The one with most credits; of equals the later. */
    BEST,
    LAST
  }

  /**
   * @throws IllegalArgumentException saying what can't be
   */
  public CreditRule {
    if (criteria.size() > MOST) {
      throw new IllegalArgumentException("a rule has " + MOST + " criteria at the most");
    }
    if (step.signum() <= 0) {
      throw new IllegalArgumentException("credits are rounded to a step of more than nothing");
    }
    if (offADay.signum() < 0) {
      throw new IllegalArgumentException("what a late day takes off is nothing or more");
    }
    criteria = List.copyOf(criteria);
  }

  /** What there is to get in all. */
  public BigDecimal most() {
    return criteria.stream().map(Criterion::credits).reduce(BigDecimal.ZERO, BigDecimal::add);
  }

  /**
   * What a hand-in gets.
   *
   * @param judged what whoever reviews said of it; what is given by hand holds, never more than the
   *     criterion has
   * @param daysLate how many days were begun since it was due; 0 where it is on time
   */
  public Credits of(Tally tally, Judged judged, int daysLate) {
    List<Credits.Line> lines = criteria.stream().map(c -> line(c, tally, judged)).toList();
    BigDecimal late = offADay.multiply(BigDecimal.valueOf(daysLate));
    BigDecimal sum =
        lines.stream().map(Credits.Line::gets).reduce(BigDecimal.ZERO, BigDecimal::add);
    BigDecimal total = sum.subtract(late).max(BigDecimal.ZERO);
    return new Credits(lines, daysLate, late, rounded(total), most());
  }

  private BigDecimal rounded(BigDecimal total) {
    return total.divide(step, 0, RoundingMode.HALF_UP).multiply(step).stripTrailingZeros();
  }

  private static Credits.Line line(Criterion criterion, Tally tally, Judged judged) {
    Credits.Line proposed =
        switch (criterion) {
          case Criterion.ByFindings c -> Credits.Line.counted(c, tally);
          case Criterion.ByMeasure c -> Credits.Line.measured(c, tally);
          case Criterion.ByEye c -> Credits.Line.seen(c, judged.seen().get(c.name()));
        };
    Judged.ByHand given = judged.byHand().get(criterion.name());
    return given == null ? proposed : proposed.given(given);
  }
}
