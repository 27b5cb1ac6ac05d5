package fairedge.server.exercise;

import java.time.LocalDateTime;
import org.jspecify.annotations.Nullable;

/**
 * How an exercise is set in a class. Times are those on the wall of the class.
 *
 * @param heading under which it stands in the class; null: under that of the one before
 * @param opens from when students see it; null: at once
 * @param attempts so many; null: any number
 * @param overruled what it is whatever the times say; null: what they say
 */
public record Setting(
    @Nullable String heading,
    @Nullable LocalDateTime opens,
    @Nullable LocalDateTime due,
    Late late,
    @Nullable Integer attempts,
    HandInBy handIn,
    @Nullable Overruled overruled) {

  /** So many at the most, where they are not any number. */
  public static final int MOST_ATTEMPTS = 99;

  /** In a class from now on, with nothing said of it. */
  public static final Setting AT_ONCE =
      new Setting(null, null, null, Late.taken, null, HandInBy.both, null);

  /** What becomes of what is handed in after the due time. */
  public enum Late {
    taken,
    refused
  }

  /** How it is handed in. */
  public enum HandInBy {
    bench,
    file,
    both
  }

  /** What an instructor says against the times. */
  public enum Overruled {
    open,
    closed
  }

  public Setting dueOn(@Nullable LocalDateTime due) {
    return new Setting(heading, opens, due, late, attempts, handIn, overruled);
  }
}
