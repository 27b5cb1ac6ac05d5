package fairedge.server.bench;

import fairedge.core.geometry.Tolerance;
import fairedge.server.exercise.Told;
import fairedge.server.inspection.Terms;

/**
 * What a workpiece is cut for.
 *
 * @param view what is told of it
 * @param terms by which its mesh is checked
 * @param told how much of the check whoever cuts is told
 * @param showsLines whether the required lines are shown
 */
record Task(TaskView view, Terms terms, Told told, boolean showsLines) {
  /** Hash of the mesh that it begins with. */
  byte[] starter() {
    return terms.starter();
  }

  Tolerance tolerance() {
    return terms.tolerance();
  }
}
