package fairedge.server.bench;

import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.exercise.Exercises;
import fairedge.server.practice.Practices;
import java.util.Objects;
import org.springframework.stereotype.Component;

/** Finds what workpieces are cut for. */
@Component
class Tasks {
  private final Exercises exercises;
  private final Practices practices;

  Tasks(Exercises exercises, Practices practices) {
    this.exercises = exercises;
    this.practices = practices;
  }

  Task of(Head head) {
    return head.exerciseId() != null
        ? Task.of(exercises.require(head.exerciseId()))
        : Task.of(practices.require(Objects.requireNonNull(head.practiceId())));
  }
}
