package fairedge.server.submission;

import fairedge.server.platform.Job;
import fairedge.server.platform.SlowLane;
import java.util.UUID;
import org.springframework.stereotype.Component;

/**
 * Inspects all that was handed in to an exercise anew, one after the other, each kept at once: who
 * asks meanwhile sees how far it is, and a run that was broken off goes on where it was.
 */
@Component
class RecheckJob implements Job {
  static final String NAME = "recheck";

  private static final int AT_A_TIME = 10;

  private final Rechecks rechecks;
  private final SlowLane slow;

  RecheckJob(Rechecks rechecks, SlowLane slow) {
    this.slow = slow;
    this.rechecks = rechecks;
  }

  @Override
  public String name() {
    return NAME;
  }

  /** Names another run for an exercise. */
  static String runFor(UUID exercise) {
    return exercise + " " + UUID.randomUUID();
  }

  @Override
  public Ended run(String id) {
    UUID exercise = UUID.fromString(id.substring(0, id.indexOf(' ')));
    if (!slow.enter()) {
      return Ended.LATER;
    }
    try {
      UUID run = UUID.randomUUID();
      if (!rechecks.begin(exercise, run)) {
        // Another run is under way, on whichever node: it may be past its last look.
        return Ended.LATER;
      }
      try {
        // Now and then others have their turn.
        boolean more = true;
        for (int i = 0; more && i < AT_A_TIME; i++) {
          more = rechecks.next(exercise, run);
        }
        return more ? Ended.LATER : Ended.DONE;
      } finally {
        rechecks.end(exercise, run);
      }
    } finally {
      slow.leave();
    }
  }
}
