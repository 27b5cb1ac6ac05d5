package fairedge.json;

import fairedge.core.credit.CreditRule;
import fairedge.core.credit.Criterion;
import fairedge.core.credit.Criterion.Word;
import fairedge.core.credit.Measure;
import fairedge.core.inspect.finding.Kind;
import java.math.BigDecimal;
import java.util.Arrays;
import java.util.List;
import java.util.Objects;
import java.util.Set;
import java.util.stream.Collectors;
import org.jspecify.annotations.Nullable;

/**
 * A rule for credits as the API tells it and the store keeps it.
 *
 * @param step the total is rounded to a multiple of it
 * @param offADay for each day begun after the due time
 */
public record CreditRuleView(
    List<CriterionView> criteria, double step, double offADay, CountsView counts) {
  private static final int LONGEST_NAME = 80;

  /** Which attempt counts. */
  public enum CountsView {
    best,
    last
  }

  /** How a criterion is judged. */
  public enum By {
    findings,
    measure,
    eye
  }

  /** A number of the mesh. */
  public enum MeasureView {
    quads,
    completeLoops,
    overBudget,
    linesMet,
    moved;

    Measure measure() {
      return Measure.values()[ordinal()];
    }
  }

  /** A word to choose by eye. */
  public record WordView(String word, double credits) {}

  /**
   * One criterion; what its way of judging does not need is null or empty.
   *
   * @param families of which all kinds count
   */
  public record CriterionView(
      String name,
      double credits,
      By by,
      @Nullable Double offMust,
      @Nullable Double offShould,
      List<String> families,
      @Nullable MeasureView measure,
      @Nullable Double nothingAt,
      @Nullable Double fullAt,
      List<WordView> words) {

    @SuppressWarnings("ConstantValue")
    boolean isWhole() {
      return name != null
          && by != null
          && families != null
          && families.stream().allMatch(Objects::nonNull)
          && words != null
          && words.stream().allMatch(w -> w != null && w.word() != null);
    }

    Criterion criterion() {
      if (name.length() > LONGEST_NAME) {
        throw new IllegalArgumentException(
            "a criterion has a name of " + LONGEST_NAME + " letters at the most");
      }
      return switch (by) {
        case findings ->
            new Criterion.ByFindings(
                name, exactly(credits), exactly(or0(offMust)), exactly(or0(offShould)), kinds());
        case measure -> {
          if (measure == null || nothingAt == null || fullAt == null) {
            throw new IllegalArgumentException("\"" + name + "\" needs a measure and two marks");
          }
          yield new Criterion.ByMeasure(
              name, exactly(credits), measure.measure(), nothingAt, fullAt);
        }
        case eye ->
            new Criterion.ByEye(
                name,
                exactly(credits),
                words.stream().map(w -> new Word(w.word(), exactly(w.credits()))).toList());
      };
    }

    private Set<Kind> kinds() {
      for (String family : families) {
        if (Arrays.stream(Kind.values()).noneMatch(k -> k.family().title().equals(family))) {
          throw new IllegalArgumentException("there is no family \"" + family + "\"");
        }
      }
      return Arrays.stream(Kind.values())
          .filter(k -> families.contains(k.family().title()))
          .collect(Collectors.toSet());
    }
  }

  /** As it is told; null where there are no credits at all. */
  public static @Nullable CreditRuleView of(CreditRule rule) {
    return rule.criteria().isEmpty()
        ? null
        : new CreditRuleView(
            rule.criteria().stream().map(CreditRuleView::criterion).toList(),
            rule.step().doubleValue(),
            rule.offADay().doubleValue(),
            rule.counts() == CreditRule.Counts.BEST ? CountsView.best : CountsView.last);
  }

  private static CriterionView criterion(Criterion criterion) {
    double credits = criterion.credits().doubleValue();
    return switch (criterion) {
      case Criterion.ByFindings c ->
          new CriterionView(
              c.name(),
              credits,
              By.findings,
              c.offMust().doubleValue(),
              c.offShould().doubleValue(),
              Arrays.stream(Kind.Family.values())
                  .filter(f -> c.kinds().stream().anyMatch(k -> k.family() == f))
                  .map(Kind.Family::title)
                  .toList(),
              null,
              null,
              null,
              List.of());
      case Criterion.ByMeasure c ->
          new CriterionView(
              c.name(),
              credits,
              By.measure,
              null,
              null,
              List.of(),
              MeasureView.values()[c.measure().ordinal()],
              c.nothingAt(),
              c.fullAt(),
              List.of());
      case Criterion.ByEye c ->
          new CriterionView(
              c.name(),
              credits,
              By.eye,
              null,
              null,
              List.of(),
              null,
              null,
              null,
              c.words().stream()
                  .map(w -> new WordView(w.word(), w.credits().doubleValue()))
                  .toList());
    };
  }

  /**
   * @throws IllegalArgumentException saying what can't be
   */
  public CreditRule rule() {
    requireWhole();
    return new CreditRule(
        criteria.stream().map(CriterionView::criterion).toList(),
        exactly(step),
        exactly(offADay),
        counts == CountsView.best ? CreditRule.Counts.BEST : CreditRule.Counts.LAST);
  }

  /** Whoever reads JSON may find nothing where the record has something. */
  @SuppressWarnings("ConstantValue")
  private void requireWhole() {
    boolean isWhole =
        criteria != null
            && counts != null
            && criteria.stream().allMatch(c -> c != null && c.isWhole());
    if (!isWhole) {
      throw new IllegalArgumentException(
          "a rule has criteria with names and ways, and says which attempt counts");
    }
  }

  private static double or0(@Nullable Double number) {
    return number == null ? 0 : number;
  }

  /** As it was typed: 0.1 is a tenth. */
  private static BigDecimal exactly(double number) {
    if (!Double.isFinite(number) || Math.abs(number) > 1e6) {
      throw new IllegalArgumentException("credits are numbers up to a million");
    }
    return BigDecimal.valueOf(number);
  }
}
