package fairedge.server.exercise;

import fairedge.server.exercise.Setting.Late;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An exercise that is set in a class: what students do hangs on it.
 *
 * @param place in the order of the class
 * @param opensAt the instant of when it opens; null: it was open from the beginning
 * @param dueAt the instant of when it is due; null: at no time
 */
public record Assignment(
    UUID id,
    UUID courseId,
    int place,
    Exercise exercise,
    Setting setting,
    @Nullable Instant opensAt,
    @Nullable Instant dueAt) {

  /** Whether students see it, and hand in. */
  public enum Stand {
    /** Students do not see it yet. */
    planned,
    open,
    /** They see it, and hand nothing in any more. */
    closed
  }

  public Stand standAt(Instant now) {
    return standAt(now, dueAt);
  }

  /**
   * @param due for whoever has another due time
   */
  public Stand standAt(Instant now, @Nullable Instant due) {
    if (setting.overruled() != null) {
      return switch (setting.overruled()) {
        case open -> Stand.open;
        case closed -> Stand.closed;
      };
    }
    if (opensAt != null && now.isBefore(opensAt)) {
      return Stand.planned;
    }
    boolean isOver = setting.late() == Late.refused && due != null && now.isAfter(due);
    return isOver ? Stand.closed : Stand.open;
  }
}
