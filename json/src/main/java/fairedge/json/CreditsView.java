package fairedge.json;

import fairedge.core.credit.Credits;
import fairedge.core.credit.Credits.Why;
import fairedge.core.credit.Criterion;
import fairedge.core.credit.Measure;
import fairedge.core.inspect.finding.Kind;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

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
   * @param kinds of findings that it counts; empty where it counts none
   * @param words to choose one of by eye; empty where it is not by eye
   * @param byHand null where what was proposed holds
   */
  public record CreditLineView(
      String name,
      double gets,
      double of,
      boolean isOpen,
      String why,
      List<String> kinds,
      List<EyeWordView> words,
      @Nullable ByHandView byHand) {
    /** What was kept by earlier versions knows neither kinds nor words. */
    public CreditLineView {
      kinds = Objects.requireNonNullElse(kinds, List.of());
      words = Objects.requireNonNullElse(words, List.of());
    }
  }

  /** A word of a criterion by eye. */
  public record EyeWordView(String word, double credits, boolean isChosen) {}

  /** What was proposed before somebody changed it, and why they did. */
  public record ByHandView(double proposed, String reason) {}

  /**
   * @param criteria those of the rule, in its order
   */
  public static CreditsView of(Credits credits, List<Criterion> criteria) {
    List<CreditLineView> lines = new ArrayList<>();
    for (int i = 0; i < criteria.size(); i++) {
      lines.add(line(credits.lines().get(i), criteria.get(i)));
    }
    return new CreditsView(
        lines,
        credits.daysLate(),
        credits.offForLate().doubleValue(),
        credits.total().doubleValue(),
        credits.of().doubleValue(),
        credits.isOpen());
  }

  private static CreditLineView line(Credits.Line line, Criterion criterion) {
    Why why = line.why() instanceof Why.ByHand hand ? hand.counted() : line.why();
    return new CreditLineView(
        line.name(),
        line.gets().doubleValue(),
        line.of().doubleValue(),
        line.why() instanceof Why.Open,
        words(why),
        kinds(criterion),
        choices(criterion, why),
        line.why() instanceof Why.ByHand hand
            ? new ByHandView(hand.proposed().doubleValue(), hand.reason())
            : null);
  }

  private static List<String> kinds(Criterion criterion) {
    return criterion instanceof Criterion.ByFindings c
        ? c.kinds().stream().sorted().map(Kind::key).toList()
        : List.of();
  }

  private static List<EyeWordView> choices(Criterion criterion, Why why) {
    return criterion instanceof Criterion.ByEye c
        ? c.words().stream()
            .map(w ->
                new EyeWordView(
                    w.word(),
                    w.credits().doubleValue(),
                    why instanceof Why.Seen(String seen) && seen.equals(w.word())))
            .toList()
        : List.of();
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
      case Why.ByHand hand -> hand.reason();
      case Why.Open() -> "to be seen";
    };
  }

  private static String percent(double value) {
    return String.format(Locale.ROOT, value == Math.rint(value) ? "%.0f %%" : "%.1f %%", value);
  }
}
