package fairedge.server.review;

import java.time.Instant;
import java.util.List;
import java.util.Map;
import org.jspecify.annotations.Nullable;

/**
 * An answer: a draft to its instructor, and what a student reads once it is out.
 *
 * @param seen of criteria by eye the word that was chosen, by name
 * @param byHand what criteria get by hand, by name
 * @param said how often it was said; more than once where it was amended
 * @param returnedAt from when on it is out; null while it is written
 * @param writtenBy who wrote in it last
 */
public record AnswerView(
    long revision,
    String word,
    @Nullable Verdict verdict,
    List<NoteView> notes,
    Map<String, String> seen,
    Map<String, GivenView> byHand,
    Phase state,
    int said,
    @Nullable Instant returnedAt,
    @Nullable String returnedBy,
    @Nullable String writtenBy) {

  /** What becomes of an attempt. */
  public enum Verdict {
    accepted,
    tryAgain
  }

  /** How far an answer is. */
  public enum Phase {
    draft,
    /** It waits to go out with others. */
    ready,
    /** It goes out at its time, and can be called back until then. */
    going,
    out;

    /**
     * @param isGiven whether it has a time from which on it is out
     * @param isOut whether that time was
     */
    public static Phase of(boolean isReady, boolean isGiven, boolean isOut) {
      if (isGiven) {
        return isOut ? out : going;
      }
      return isReady ? ready : draft;
    }
  }

  /** So much, for a reason. */
  public record GivenView(double credits, String reason) {}
}
