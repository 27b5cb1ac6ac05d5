package fairedge.json;

import fairedge.core.credit.Credits;
import fairedge.core.credit.Credits.Why;
import fairedge.core.credit.Measure;
import java.util.List;
import java.util.Locale;

/**
 * What a hand-in gets as the API tells it.
 *
 * @param isOpen whether something is left to see by eye
 */
public record CreditsView(
    List<CreditLineView> lines,
    int daysLate,
    double offForLate,
    double total,
    double of,
    boolean isOpen) {

  /**
   * One criterion.
   *
   * @param isOpen whether it is left to see by eye
   * @param why what was counted or measured, in words
   */
  public record CreditLineView(String name, double gets, double of, boolean isOpen, String why) {}

  public static CreditsView of(Credits credits) {
    return new CreditsView(
        credits.lines().stream().map(CreditsView::line).toList(),
        credits.daysLate(),
        credits.offForLate().doubleValue(),
        credits.total().doubleValue(),
        credits.of().doubleValue(),
        credits.isOpen());
  }

  private static CreditLineView line(Credits.Line line) {
    return new CreditLineView(
        line.name(),
        line.gets().doubleValue(),
        line.of().doubleValue(),
        line.why() instanceof Why.Open,
        words(line.why()));
  }

  private static String words(Why why) {
    return switch (why) {
      case Why.Counted(int must, int should) ->
          must + should == 0 ? "none counted" : "%d must, %d should".formatted(must, should);
      case Why.Measured(Measure measure, double value) ->
          switch (measure) {
            case QUADS -> percent(value) + " quads";
            case COMPLETE_LOOPS -> percent(value) + " of edges in complete loops";
            case LINES_MET -> percent(value) + " of the required lines met";
            case MOVED -> String.format(Locale.ROOT, "moved by %.3g", value);
            case OVER_BUDGET ->
                value == 0 ? "within the budget" : "%.0f faces over the budget".formatted(value);
          };
      case Why.Seen(String word) -> word;
      case Why.Open() -> "to be seen";
    };
  }

  private static String percent(double value) {
    return String.format(Locale.ROOT, value == Math.rint(value) ? "%.0f %%" : "%.1f %%", value);
  }
}
