package fairedge.core.credit;

import fairedge.core.inspect.Severity;
import java.math.BigDecimal;
import java.math.MathContext;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a hand-in gets, and why.
 *
 * @param lines one for each criterion, in their order
 * @param daysLate how many days were begun since it was due
 * @param offForLate what they took off
 * @param total after that, never below nothing, rounded; what is by eye and open counts nothing
 * @param of what there is to get in all
 */
public record Credits(
    List<Line> lines, int daysLate, BigDecimal offForLate, BigDecimal total, BigDecimal of) {

  public Credits {
    lines = List.copyOf(lines);
  }

  /** Whether something is left to see by eye. */
  public boolean isOpen() {
    return lines.stream().anyMatch(l -> l.why() instanceof Why.Open);
  }

  /** Whether each criterion that is not by eye gets all it has. */
  public boolean isAllThatIsCounted() {
    return lines.stream()
        .allMatch(l -> l.why() instanceof Why.Open || l.gets().compareTo(l.of()) == 0);
  }

  /**
   * One criterion.
   *
   * @param gets not rounded
   */
  public record Line(String name, BigDecimal gets, BigDecimal of, Why why) {
    static Line counted(Criterion.ByFindings c, Tally tally) {
      int must = tally.count(c.kinds(), Severity.MUST);
      int should = tally.count(c.kinds(), Severity.SHOULD);
      BigDecimal off =
          c.offMust()
              .multiply(BigDecimal.valueOf(must))
              .add(c.offShould().multiply(BigDecimal.valueOf(should)));
      BigDecimal gets = c.credits().subtract(off).max(BigDecimal.ZERO);
      return new Line(c.name(), gets, c.credits(), new Why.Counted(must, should));
    }

    static Line measured(Criterion.ByMeasure c, Tally tally) {
      double value = tally.measured(c.measure());
      double share = Math.clamp((value - c.nothingAt()) / (c.fullAt() - c.nothingAt()), 0.0, 1.0);
      // Nine digits: what is the same on paper is the same here.
      BigDecimal part = new BigDecimal(share, new MathContext(9));
      return new Line(
          c.name(), c.credits().multiply(part), c.credits(), new Why.Measured(c.measure(), value));
    }

    static Line seen(Criterion.ByEye c, @Nullable String word) {
      return c.words().stream()
          .filter(w -> w.word().equals(word))
          .findFirst()
          .map(w -> new Line(c.name(), w.credits(), c.credits(), new Why.Seen(w.word())))
          .orElseGet(() -> new Line(c.name(), BigDecimal.ZERO, c.credits(), new Why.Open()));
    }

    /** The same with what somebody gave it; what was proposed stays readable. */
    Line given(Judged.ByHand hand) {
      return new Line(name, hand.credits().min(of), of, new Why.ByHand(gets, why, hand.reason()));
    }
  }

  /** Why a criterion gets what it gets. */
  public sealed interface Why {
    /** So many findings were counted. */
    record Counted(int must, int should) implements Why {}

    /** A number of the mesh, in its unit. */
    record Measured(Measure measure, double value) implements Why {}

    /** Somebody chose a word. */
    record Seen(String word) implements Why {}

    /** Somebody gave it, for a reason, where so much was proposed and why. */
    record ByHand(BigDecimal proposed, Why counted, String reason) implements Why {}

    /** It is to be seen by eye, and was not yet. */
    record Open() implements Why {}
  }
}
