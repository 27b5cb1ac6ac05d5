package fairedge.server.bench;

import java.util.UUID;

/** Whether a student has had an answer: told by the module that keeps what was handed in. */
public interface Answered {
  /** Whether an answer of theirs to an assignment is out. */
  boolean isAnswered(UUID assignment, UUID student);
}
