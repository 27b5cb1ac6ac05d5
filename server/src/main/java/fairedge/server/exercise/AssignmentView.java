package fairedge.server.exercise;

import fairedge.server.exercise.Assignment.Stand;
import java.time.Instant;
import java.time.ZoneId;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * An exercise that is set in a class, as the API tells it.
 *
 * @param zone of the clock on the wall of the class
 * @param stand at the moment
 */
public record AssignmentView(
    UUID id,
    UUID course,
    ExerciseView exercise,
    Setting setting,
    String zone,
    Stand stand,
    @Nullable Instant opensAt,
    @Nullable Instant dueAt) {
  public static AssignmentView of(Assignment a, ZoneId zone, Instant now) {
    return new AssignmentView(
        a.id(),
        a.courseId(),
        ExerciseView.of(a.exercise()),
        a.setting(),
        zone.getId(),
        a.standAt(now),
        a.opensAt(),
        a.dueAt());
  }
}
