package fairedge.server.bench;

import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Profile;
import fairedge.core.survey.Wanted;
import fairedge.server.exercise.Exercise;
import fairedge.server.inspection.Terms;
import fairedge.server.practice.Practice;

/**
 * What a workpiece is cut for: an exercise, or free practice.
 *
 * @param terms by which its mesh is checked
 */
record Task(TaskView view, Terms terms) {

  static Task of(Exercise e) {
    return new Task(
        new TaskView(
            e.id(),
            null,
            e.title(),
            e.summary(),
            e.brief(),
            e.unit(),
            e.profile().name(),
            e.dueAt()),
        e.terms());
  }

  static Task of(Practice p) {
    return new Task(
        new TaskView(
            null, p.id(), p.title(), "Free practice", PRACTICE, p.unit(), p.profile(), null),
        new Terms(Profile.named(p.profile()), Wanted.NOTHING, p.tolerance(), p.starter()));
  }

  private static final String PRACTICE =
      """
      Cut what you like: nothing is asked here and nothing is handed in. Every step is kept, and \
      you can come back to any of them.

      The check runs after every step as in an exercise.\
      """;

  /** Hash of the mesh that it begins with. */
  byte[] starter() {
    return terms.starter();
  }

  Tolerance tolerance() {
    return terms.tolerance();
  }
}
