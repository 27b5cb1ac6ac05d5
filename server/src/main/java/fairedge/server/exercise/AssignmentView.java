package fairedge.server.exercise;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** An exercise that is set in a class, as the API tells it. */
public record AssignmentView(UUID id, UUID course, ExerciseView exercise, @Nullable Instant dueAt) {
  public static AssignmentView of(Assignment a) {
    return new AssignmentView(a.id(), a.courseId(), ExerciseView.of(a.exercise()), a.dueAt());
  }
}
