package fairedge.core.mend;

import fairedge.core.inspect.finding.Finding;
import java.util.List;

/**
 * What cures a finding, the least first.
 *
 * @param reason why there is nothing; empty where there is something
 */
public record Offer(Finding finding, List<Mend> mends, String reason) {
  public Offer {
    mends = List.copyOf(mends);
  }
}
