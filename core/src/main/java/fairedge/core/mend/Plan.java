package fairedge.core.mend;

import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Receipt;
import java.util.List;
import java.util.stream.Stream;

/**
 * What a planner proposes: nothing is known of it until it is tried.
 *
 * @param does in a sentence, for people
 * @param surface what it does to the surface
 */
record Plan(String does, Surface surface, List<Step> steps) {

  /** What a plan does to the surface, and so whether it is measured how far that moves. */
  enum Surface {
    /** It stays where it is, or says how far it moves. */
    STAYS,
    /** Something of it goes or comes. */
    OTHER
  }

  /** The next changes, when those before are made. */
  @FunctionalInterface
  interface Step {
    /**
     * @param mesh as it is by then
     * @param made what came of the changes before
     * @return none where there is nothing to do
     */
    List<Change> next(Mesh mesh, List<Receipt> made);
  }

  static Plan of(String does, Change... changes) {
    return new Plan(does, Surface.STAYS, Stream.of(changes).map(Plan::plain).toList());
  }

  static Plan of(String does, Step... steps) {
    return new Plan(does, Surface.STAYS, List.of(steps));
  }

  /** One that takes surface away, adds it, or turns it over. */
  static Plan other(String does, Change... changes) {
    return new Plan(does, Surface.OTHER, Stream.of(changes).map(Plan::plain).toList());
  }

  private static Step plain(Change change) {
    return (mesh, made) -> List.of(change);
  }
}
