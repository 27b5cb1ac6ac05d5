package fairedge.core.inspect;

import fairedge.core.inspect.finding.Finding;
import java.util.List;

/**
 * What an inspection gives: figures, and the findings that count, in a fixed order.
 *
 * @param leftOut what was not looked at; mostly nothing
 * @param pardoned how many findings don't count, since the starter has them and the exercise
 *     pardons them there
 */
public record Report(
    Figures figures, List<Assessed> findings, List<LeftOut> leftOut, Met met, int pardoned) {

  /** A finding and how much it counts. */
  public record Assessed(Finding finding, Severity severity) {}

  public long count(Severity severity) {
    return findings.stream().filter(f -> f.severity() == severity).count();
  }
}
