package fairedge.core.step;

import fairedge.core.local.Refusal;

/** What came of a change. */
public sealed interface Outcome {
  /** It was made. */
  record Made(Receipt receipt) implements Outcome {}

  /** It was not, and the mesh is as it was. */
  record Refused(Refusal refusal) implements Outcome {}
}
