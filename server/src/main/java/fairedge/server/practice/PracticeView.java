package fairedge.server.practice;

import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What there is to practise on.
 *
 * @param forms those of the shelf
 * @param pieces that were begun, the last first
 * @param profiles what a mesh can be checked as
 * @param units of length that a mesh can be in
 */
public record PracticeView(
    List<FormView> forms, List<PracticePiece> pieces, List<String> profiles, List<String> units) {

  /**
   * A form of the shelf.
   *
   * @param about what to practise on it
   */
  public record FormView(String form, String title, String about, int faces) {}

  /**
   * A mesh that was begun with.
   *
   * @param problem why its file could not be read, if so
   */
  public record PracticePiece(
      UUID id,
      String title,
      String unit,
      String profile,
      Instant begunAt,
      PieceStage stage,
      @Nullable PracticeProblem problem) {}

  /** How far the file of a piece is. */
  public enum PieceStage {
    reading,
    ready,
    failed
  }

  /**
   * What is wrong with a file, and where.
   *
   * @param line from 1; 0 where it is about the whole file
   */
  public record PracticeProblem(String detail, int line, String found, String expected) {}
}
