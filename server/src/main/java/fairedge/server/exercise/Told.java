package fairedge.server.exercise;

import fairedge.json.CheckView;
import fairedge.server.exercise.Exercise.Tells;
import fairedge.server.platform.Problem;

/**
 * What of the check a student is told of an exercise at the moment: what it says before the first
 * answer, all of it after.
 */
public record Told(Tells tells) {
  public static final Told ALL = new Told(Tells.all);

  /**
   * @param isAnswered whether this student has an answer to it
   */
  public static Told of(Exercise exercise, boolean isAnswered) {
    return isAnswered ? ALL : new Told(exercise.tells());
  }

  public boolean isAll() {
    return tells == Tells.all;
  }

  public CheckView of(CheckView check) {
    return switch (tells) {
      case all -> check;
      case counts -> check.countsOnly();
      case nothing -> check.nothingSaid();
    };
  }

  /**
   * Before a lens or a bend shows what the check would say.
   *
   * @throws Problem if that is not told yet
   */
  public void requireAll() {
    if (!isAll()) {
      throw Problem.of(
          Problem.Kind.NOT_ALLOWED,
          "This exercise shows that after the first answer: Clay, Stripes and Subdivided work.");
    }
  }
}
