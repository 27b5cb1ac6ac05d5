package fairedge.core.local;

import fairedge.core.mesh.Element;
import org.jspecify.annotations.Nullable;

/**
 * Why a change was not made, in plain words, and the element to look at where there is one.
 *
 * @param reason a sentence that a student understands
 */
public record Refusal(String reason, @Nullable Element element) {

  /** Carries a refusal out of the stages of a cut to the one place that takes the change back. */
  public static final class Raised extends RuntimeException {
    private static final long serialVersionUID = 1L;
    private final transient Refusal refusal;

    private Raised(Refusal refusal) {
      super(refusal.reason(), null, false, false);
      this.refusal = refusal;
    }

    public Refusal refusal() {
      return refusal;
    }
  }

  /** To be thrown. */
  public static Raised because(String reason) {
    return new Raised(new Refusal(reason, null));
  }

  /** To be thrown. */
  public static Raised because(String reason, Element element) {
    return new Raised(new Refusal(reason, element));
  }
}
