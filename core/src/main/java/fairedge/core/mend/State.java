package fairedge.core.mend;

import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Recall;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Since;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Subject;
import java.util.List;
import java.util.function.Function;

/**
 * A workpiece as it was inspected.
 *
 * @param recall of an inspection of it, or of an earlier state
 * @param touched since that
 * @param report of the state as it is
 */
public record State(Inspector inspector, Recall recall, ElementSet touched, Report report) {

  /** Inspects the whole of it. */
  public static State of(Inspector inspector, Workpiece workpiece) {
    Inspector.Inspected found = inspector.inspect(workpiece.mesh(), List.of(), null);
    return new State(inspector, found.recall(), new ElementSet(), found.report());
  }

  /**
   * What is known of it, and what was touched since.
   *
   * @param recall of an inspection by the same inspector
   */
  public static State of(
      Inspector inspector, Workpiece workpiece, Recall recall, ElementSet touched) {
    Since since = new Since(recall, touched, workpiece.near(touched, inspector.room()));
    Inspector.Inspected found = inspector.inspect(workpiece.mesh(), List.of(), since);
    return new State(inspector, found.recall(), new ElementSet(), found.report());
  }

  /** After changes that are in force: as long as they are, or when they are made once more. */
  State after(Workpiece workpiece, Mesh now, ElementSet more) {
    Inspector.Inspected found = inspector.inspect(now, List.of(), since(workpiece, more));
    return new State(inspector, found.recall(), new ElementSet(), found.report());
  }

  <T> T ask(Workpiece workpiece, Function<Subject, T> question) {
    return inspector.ask(workpiece.mesh(), since(workpiece, new ElementSet()), question);
  }

  private Since since(Workpiece workpiece, ElementSet more) {
    ElementSet all = new ElementSet();
    all.add(touched);
    all.add(more);
    return new Since(recall, all, workpiece.near(all, inspector.room()));
  }
}
