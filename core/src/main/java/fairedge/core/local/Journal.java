package fairedge.core.local;

import java.util.ArrayList;
import java.util.Collections;
import java.util.List;

/**
 * What a change did to a mesh, local operator by local operator. Undo is the journal backwards; the
 * delta for a browser and the receipt for a person are read from it. Cost of everything here: the
 * number of operators.
 */
public final class Journal {
  private final List<LocalChange> changes = new ArrayList<>();
  private final Touched touched = new Touched();

  void add(LocalChange change, int... facesTouched) {
    changes.add(change);
    touched.add(change);
    for (int f : facesTouched) {
      touched.faces().set(f);
    }
  }

  LocalChange removeLast() {
    return changes.removeLast();
  }

  public boolean isEmpty() {
    return changes.isEmpty();
  }

  public List<LocalChange> changes() {
    return Collections.unmodifiableList(changes);
  }

  /** Every element that was made, freed or altered; stays after an undo, when the same changed. */
  public Touched touched() {
    return touched;
  }
}
