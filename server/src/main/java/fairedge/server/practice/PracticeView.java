package fairedge.server.practice;

import java.time.Instant;
import java.util.List;
import java.util.UUID;

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

  /** A mesh that was begun with. */
  public record PracticePiece(UUID id, String title, String unit, String profile, Instant begunAt) {
    static PracticePiece of(Practice p) {
      return new PracticePiece(p.id(), p.title(), p.unit(), p.profile(), p.begunAt());
    }
  }
}
