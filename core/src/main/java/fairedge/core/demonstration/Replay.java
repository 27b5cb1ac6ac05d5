package fairedge.core.demonstration;

import fairedge.core.effort.Effort;
import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Effect;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Makes the deeds of a demonstration one after the other. Cost: that of the changes; looking at a
 * state is the caller's.
 */
public final class Replay {
  private Replay() {}

  /** Told of each state as it stands, after each deed. */
  @FunctionalInterface
  public interface Watch {
    /**
     * @param deed its number among the deeds, from 0
     * @param mesh as it is after it, to be read only, and only now
     * @param effect of a change that was made; null where one was taken back
     */
    void see(int deed, Mesh mesh, @Nullable Effect effect);
  }

  /** A deed that can't be done in the state that those before it leave. */
  public static final class Broken extends Exception {
    private static final long serialVersionUID = 1L;
    private final int deed;

    Broken(int deed, String reason) {
      super(reason);
      this.deed = deed;
    }

    /** Its number among the deeds, from 0. */
    public int deed() {
      return deed;
    }
  }

  /**
   * Makes all of them.
   *
   * @param starter is changed; it is as after the last deed then, or as before the one that is
   *     broken
   * @throws Broken where one is refused, changes nothing, or takes back what is not there
   */
  public static void play(Mesh starter, Tolerance tolerance, List<Deed> deeds, Watch watch)
      throws Broken {
    Workpiece workpiece = new Workpiece(starter, tolerance);
    for (int i = 0; i < deeds.size(); i++) {
      Effort.check();
      Effect effect =
          switch (deeds.get(i)) {
            case Deed.Made made -> made(workpiece, made, i);
            case Deed.TakenBack back -> takenBack(workpiece, i);
          };
      watch.see(i, workpiece.mesh(), effect);
    }
  }

  private static Effect made(Workpiece workpiece, Deed.Made deed, int at) throws Broken {
    return switch (workpiece.apply(deed.change())) {
      case Outcome.Refused refused -> throw new Broken(at, refused.refusal().reason());
      case Outcome.Made made -> {
        if (made.receipt().changesNothing()) {
          workpiece.undo();
          throw new Broken(at, "It changes nothing here.");
        }
        yield Effect.of(workpiece.mesh(), made.receipt(), deed.view());
      }
    };
  }

  private static @Nullable Effect takenBack(Workpiece workpiece, int at) throws Broken {
    if (workpiece.stepCount() == 0) {
      throw new Broken(at, "There is no step to take back here.");
    }
    workpiece.undo();
    return null;
  }
}
