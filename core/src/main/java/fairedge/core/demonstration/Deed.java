package fairedge.core.demonstration;

import fairedge.core.step.Change;
import fairedge.core.work.View;

/** One thing that is done in a demonstration. */
public sealed interface Deed {
  /**
   * A change is made.
   *
   * @param view how whoever made it saw the model
   */
  record Made(Change change, View view) implements Deed {}

  /** The last change in force is taken back. */
  record TakenBack() implements Deed {}
}
