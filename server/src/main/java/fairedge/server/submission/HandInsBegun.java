package fairedge.server.submission;

import fairedge.server.exercise.Begun;
import fairedge.server.submission.store.SubmissionStore;
import fairedge.server.submission.store.UploadStore;
import java.util.Collection;
import java.util.UUID;
import org.springframework.stereotype.Component;

/** Whoever has handed something in has begun, without a workpiece too. */
@Component
class HandInsBegun implements Begun {
  private final SubmissionStore store;
  private final UploadStore uploads;

  HandInsBegun(SubmissionStore store, UploadStore uploads) {
    this.store = store;
    this.uploads = uploads;
  }

  @Override
  public boolean hasBegun(Collection<UUID> assignments) {
    return store.hasAny(assignments) || uploads.hasAny(assignments);
  }
}
