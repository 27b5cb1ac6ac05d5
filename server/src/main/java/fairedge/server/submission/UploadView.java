package fairedge.server.submission;

import fairedge.core.format.Meant;
import fairedge.core.geometry.Vec3;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A file on its way in.
 *
 * @param share how much of the stage is done, from 0 to 1, where that is known; else 0
 * @param question what the student is asked before it goes on; null where nothing is
 * @param handedIn what came of it, once it is done
 * @param problem why it failed, if it did
 * @param kept whether its file is kept although it failed, for a look at what is wrong with it
 */
public record UploadView(
    UUID id,
    String fileName,
    Stage stage,
    double share,
    @Nullable Question question,
    @Nullable HandedIn handedIn,
    @Nullable UploadProblem problem,
    boolean kept) {

  /** How far it is. */
  public enum Stage {
    waiting,
    reading,
    /** Until it is said how its numbers are meant. */
    asking,
    inspecting,
    drawing,
    done,
    failed,
    cancelled;

    public boolean isOver() {
      return compareTo(done) >= 0;
    }
  }

  /**
   * How the numbers of a file are meant.
   *
   * @param unit the exercise's
   * @param starter how large the starter is, in that unit
   * @param guess the likeliest of the choices
   */
  public record Question(String unit, Vec3 starter, int guess, List<MeantAs> choices) {}

  /**
   * One way in which a file may be meant.
   *
   * @param size how large it is then, in the exercise's unit
   */
  public record MeantAs(String unit, Meant.Up up, Vec3 size) {}

  /**
   * What is wrong with a file, and where.
   *
   * @param line from 1; 0 where it is about the whole file
   */
  public record UploadProblem(String detail, int line, String found, String expected) {}
}
