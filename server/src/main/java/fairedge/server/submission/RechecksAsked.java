package fairedge.server.submission;

import fairedge.server.exercise.TermsChanged;
import fairedge.server.platform.JobQueue;
import org.springframework.modulith.events.ApplicationModuleListener;
import org.springframework.stereotype.Component;

/** Lets what was handed in be inspected anew once other terms hold. */
@Component
class RechecksAsked {
  private final JobQueue jobs;

  RechecksAsked(JobQueue jobs) {
    this.jobs = jobs;
  }

  /**
   * A change while a run is under way is asked for once more: that run may be past its last look.
   */
  @ApplicationModuleListener
  void onChanged(TermsChanged changed) {
    jobs.add(RecheckJob.NAME, RecheckJob.runFor(changed.exercise()), JobQueue.Rank.PATIENT);
  }
}
