package fairedge.core.work;

import java.util.BitSet;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * Which faces a change may touch. Others are left as they are, though one may gain a corner where a
 * cut ends on an edge of it.
 *
 * @param chosen only these, by their ids before the change; null for the whole mesh
 * @param hidden faces that the user does not see: not touched either, and they hide nothing
 */
public record Scope(@Nullable List<Integer> chosen, List<Integer> hidden) {
  /** The whole mesh. */
  public static final Scope WHOLE = new Scope(null, List.of());

  public Scope {
    chosen = chosen == null ? null : List.copyOf(chosen);
    hidden = hidden == null ? List.of() : List.copyOf(hidden);
  }

  public static Scope of(List<Integer> chosen) {
    return new Scope(chosen, List.of());
  }

  /**
   * This scope as sets, for many questions.
   *
   * @param faceEnd of the mesh; other ids are those of no face, and take no room
   */
  Limits limits(int faceEnd) {
    BitSet only = chosen == null ? null : setOf(chosen, faceEnd);
    return new Limits(only, setOf(hidden, faceEnd));
  }

  private static BitSet setOf(List<Integer> ids, int end) {
    BitSet set = new BitSet();
    for (int id : ids) {
      if (id >= 0 && id < end) {
        set.set(id);
      }
    }
    return set;
  }

  /** Answers for faces that were there before the change. */
  record Limits(@Nullable BitSet only, BitSet hidden) {
    boolean allows(int face) {
      return (only == null || only.get(face)) && !hidden.get(face);
    }

    boolean shows(int face) {
      return !hidden.get(face);
    }

    boolean isWhole() {
      return only == null && hidden.isEmpty();
    }
  }
}
