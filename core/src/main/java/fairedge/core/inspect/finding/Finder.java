package fairedge.core.inspect.finding;

import fairedge.core.survey.Anew;
import fairedge.core.survey.Subject;
import java.util.List;

/** Finds one kind of finding, or a few that are found together. Its head says what exactly. */
public interface Finder {
  /** In the order of the lowest elements. */
  List<Finding> find(Subject subject);

  /**
   * The same after a change, in the same order. Those who know no better look at all.
   *
   * @param before what it found before the change
   */
  default List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    return find(subject);
  }
}
