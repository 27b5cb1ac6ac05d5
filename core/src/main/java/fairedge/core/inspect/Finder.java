package fairedge.core.inspect;

import java.util.List;

/** Finds one kind of finding, or a few that are found together. Its head says what exactly. */
interface Finder {
  /** In the order of the lowest elements. */
  List<Finding> find(Subject subject);
}
