package fairedge.server.submission;

import fairedge.server.exercise.TermsChanged;
import fairedge.server.platform.Job;
import fairedge.server.platform.JobQueue;
import java.util.UUID;
import org.springframework.context.event.EventListener;
import org.springframework.stereotype.Component;

/**
 * Inspects all that was handed in to an exercise anew, one after the other, each kept at once: who
 * asks meanwhile sees how far it is, and a run that was broken off goes on where it was.
 */
@Component
class RecheckJob implements Job {
  static final String NAME = "recheck";

  private final Rechecks rechecks;
  private final JobQueue jobs;

  RecheckJob(Rechecks rechecks, JobQueue jobs) {
    this.rechecks = rechecks;
    this.jobs = jobs;
  }

  @Override
  public String name() {
    return NAME;
  }

  /**
   * A change while a run is under way is asked for once more: that run may be past its last look.
   */
  @EventListener
  void onChanged(TermsChanged changed) {
    jobs.add(NAME, runFor(changed.exercise()));
  }

  /** Names another run for an exercise. */
  static String runFor(UUID exercise) {
    return exercise + " " + UUID.randomUUID();
  }

  @Override
  public void run(String id) {
    UUID exercise = UUID.fromString(id.substring(0, id.indexOf(' ')));
    boolean more = true;
    while (more) {
      more = rechecks.next(exercise);
    }
  }
}
