package fairedge.server.exercise;

import java.util.UUID;

/** An exercise as the API tells it. */
public record ExerciseView(
    UUID id, String title, String summary, String brief, String unit, String profile) {
  public static ExerciseView of(Exercise e) {
    return new ExerciseView(
        e.id(), e.title(), e.summary(), e.brief(), e.unit(), e.profile().name());
  }
}
