package fairedge.server.bench;

import fairedge.core.geometry.Tolerance;
import fairedge.server.exercise.Exercise;
import fairedge.server.practice.Practice;

/**
 * What a workpiece is cut for: an exercise, or free practice.
 *
 * @param starter hash of the mesh that it begins with
 */
record Task(TaskView view, byte[] starter, Tolerance tolerance) {

  static Task of(Exercise e) {
    return new Task(
        new TaskView(
            e.id(), null, e.title(), e.summary(), e.brief(), e.unit(), e.profile(), e.dueAt()),
        e.starter(),
        e.tolerance());
  }

  static Task of(Practice p) {
    return new Task(
        new TaskView(
            null, p.id(), p.title(), "Free practice", PRACTICE, p.unit(), p.profile(), null),
        p.starter(),
        p.tolerance());
  }

  private static final String PRACTICE =
      """
      Cut what you like: nothing is asked here and nothing is handed in. Every step is kept, and \
      you can come back to any of them.

      The check runs after every step as in an exercise.\
      """;

  String profile() {
    return view.profile();
  }
}
