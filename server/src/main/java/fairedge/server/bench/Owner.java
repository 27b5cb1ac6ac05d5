package fairedge.server.bench;

import java.util.UUID;

/** What a workpiece is cut for, by its type and its id among those. */
public record Owner(Type type, UUID id) {

  /** What there is to cut for. */
  public enum Type {
    assignment,
    practice,
    /** An exercise, tried by whoever writes it. */
    rehearsal
  }

  public static Owner assignment(UUID id) {
    return new Owner(Type.assignment, id);
  }

  static Owner rehearsal(UUID exercise) {
    return new Owner(Type.rehearsal, exercise);
  }

  public static Owner practice(UUID id) {
    return new Owner(Type.practice, id);
  }
}
