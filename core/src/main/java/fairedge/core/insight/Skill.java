package fairedge.core.insight;

import java.util.OptionalDouble;
import org.jspecify.annotations.Nullable;

/** What students get better at, as a share from 0 to 1 of an attempt. */
public enum Skill {
  /** Of the faces. */
  QUADS,
  /** Of the edges of faces. */
  COMPLETE_LOOPS,
  /** Of the length of the required lines; where none is required, nothing is shown. */
  LINES_MET,
  /** Hard edges with a support strip beside them; where there are none, nothing is shown. */
  HELD_EDGES;

  /**
   * What of an attempt shows skills.
   *
   * @param loops the share of edges of faces in complete loops
   * @param lines the share of required lines that is met; null where none is required
   * @param hard hard edges; null where that was not counted
   * @param held hard edges with a support strip
   */
  public record Shown(
      int faces,
      int quads,
      double loops,
      @Nullable Double lines,
      @Nullable Integer hard,
      @Nullable Integer held) {}

  /** How far an attempt shows it; empty where it could not. */
  public OptionalDouble of(Shown shown) {
    return switch (this) {
      case QUADS -> share(shown.quads(), shown.faces());
      case COMPLETE_LOOPS ->
          shown.faces() == 0 ? OptionalDouble.empty() : OptionalDouble.of(shown.loops());
      case LINES_MET ->
          shown.lines() == null ? OptionalDouble.empty() : OptionalDouble.of(shown.lines());
      case HELD_EDGES ->
          shown.hard() == null || shown.held() == null
              ? OptionalDouble.empty()
              : share(shown.held(), shown.hard());
    };
  }

  private static OptionalDouble share(int some, int all) {
    return all == 0 ? OptionalDouble.empty() : OptionalDouble.of((double) some / all);
  }
}
