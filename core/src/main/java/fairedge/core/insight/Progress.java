package fairedge.core.insight;

import org.jspecify.annotations.Nullable;

/** How far a student is with an exercise. */
public enum Progress {
  NOT_BEGUN,
  BEGUN,
  /** The last attempt waits for an answer. */
  HANDED_IN,
  /** Nothing was handed in, and the time for it is over. */
  LATE,
  TRY_AGAIN,
  ACCEPTED,
  /** Nothing is asked of this student, and nothing came. */
  EXCUSED;

  /** What the last attempt was answered. */
  public enum Last {
    WAITS,
    TRY_AGAIN,
    ACCEPTED
  }

  /**
   * What was handed in says more than what was asked: an excused student who hands in all the same
   * is told as any other.
   *
   * @param last null where nothing was handed in
   * @param isOver whether the time of this student is over
   */
  public static Progress of(
      @Nullable Last last, boolean isExcused, boolean hasBegun, boolean isOver) {
    if (last != null) {
      return switch (last) {
        case WAITS -> HANDED_IN;
        case TRY_AGAIN -> TRY_AGAIN;
        case ACCEPTED -> ACCEPTED;
      };
    }
    if (isExcused) {
      return EXCUSED;
    }
    if (isOver) {
      return LATE;
    }
    return hasBegun ? BEGUN : NOT_BEGUN;
  }
}
