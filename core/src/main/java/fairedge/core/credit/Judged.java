package fairedge.core.credit;

import java.math.BigDecimal;
import java.util.Map;

/**
 * What whoever reviews said of a hand-in's credits; both by the names of criteria, so that it stays
 * where another version of the rule puts them in another order.
 *
 * @param seen of criteria by eye the word that was chosen
 * @param byHand what a criterion gets whatever was counted
 */
public record Judged(Map<String, String> seen, Map<String, ByHand> byHand) {
  /** Nobody has looked at it yet. */
  public static final Judged NOT_YET = new Judged(Map.of(), Map.of());

  public Judged {
    seen = Map.copyOf(seen);
    byHand = Map.copyOf(byHand);
  }

  /** So much, for a reason. */
  public record ByHand(BigDecimal credits, String reason) {
    /**
     * @throws IllegalArgumentException saying what can't be
     */
    public ByHand {
      if (credits.signum() < 0) {
        throw new IllegalArgumentException("credits are nothing or more");
      }
      if (reason.isBlank()) {
        throw new IllegalArgumentException("a change of credits by hand needs a reason");
      }
    }
  }
}
