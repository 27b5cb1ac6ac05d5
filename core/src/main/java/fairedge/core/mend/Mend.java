package fairedge.core.mend;

import fairedge.core.step.Change;
import fairedge.core.step.Mending;
import java.util.List;

/**
 * A list of changes that was tried: what it cures, and what it costs.
 *
 * @param changes each aimed at what the one before leaves
 * @param does in a sentence
 * @param cures the keys of the findings that go
 * @param why it stands before the next; empty where there is no other
 */
public record Mend(List<Change> changes, String does, List<String> cures, Cost cost, String why) {
  public Mend {
    changes = List.copyOf(changes);
    cures = List.copyOf(cures);
  }

  /** As one change. */
  public Change change() {
    return changes.size() == 1 ? changes.getFirst() : new Mending.MendChange(changes, brief());
  }

  private String brief() {
    int end = does.indexOf(':');
    return end < 0 ? does.substring(0, does.length() - 1) : does.substring(0, end);
  }

  Mend told(String sentence) {
    return new Mend(changes, sentence, cures, cost, why);
  }

  Mend because(String reason) {
    return new Mend(changes, does, cures, cost, reason);
  }
}
