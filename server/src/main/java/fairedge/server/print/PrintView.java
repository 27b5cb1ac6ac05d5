package fairedge.server.print;

import java.util.UUID;

/**
 * A print under way.
 *
 * @param done how many of its answers are on paper
 */
public record PrintView(UUID id, PrintState state, int done, int total, PrintForm form) {
  /** How far it is. */
  public enum PrintState {
    waiting,
    made,
    failed
  }

  /** As what it comes: one document, or one of each answer. */
  public enum PrintForm {
    pdf,
    zip
  }
}
