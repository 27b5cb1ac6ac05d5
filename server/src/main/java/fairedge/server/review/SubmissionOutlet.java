package fairedge.server.review;

import fairedge.core.lens.Along;
import fairedge.core.lens.Lens;
import fairedge.core.lens.LensPicture;
import fairedge.server.inspection.BendAsked;
import fairedge.server.inspection.Gallery;
import fairedge.server.inspection.Gallery.Shown;
import fairedge.server.inspection.Tried;
import fairedge.server.platform.SignedIn;
import fairedge.server.submission.Submissions;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;

/**
 * Handed-in meshes to be looked at, by the instructors of their class and by whoever handed them
 * in.
 */
@Service
public class SubmissionOutlet {
  private final Submissions submissions;
  private final Gallery gallery;

  SubmissionOutlet(Submissions submissions, Gallery gallery) {
    this.submissions = submissions;
    this.gallery = gallery;
  }

  public byte[] mesh(UUID id, SignedIn account) {
    return gallery.mesh(shown(id, account), account);
  }

  public byte[] smooth(UUID id, SignedIn account, @Nullable Integer level) {
    return gallery.smooth(shown(id, account), account, level);
  }

  public Tried bend(UUID id, SignedIn account, BendAsked asked) {
    return gallery.bend(told(id, account), account, asked);
  }

  public LensPicture look(UUID id, SignedIn account, Lens lens) {
    Shown shown = lens == Lens.SUBDIVIDED ? shown(id, account) : told(id, account);
    return gallery.look(shown, account, lens);
  }

  public Along along(UUID id, SignedIn account, int edge) {
    return gallery.along(told(id, account), account, edge);
  }

  /** What says of it as much as the check does: for its student once they may know. */
  private Shown told(UUID id, SignedIn account) {
    submissions.requireToldAll(submissions.requireToSee(id, account));
    return shown(id, account);
  }

  private Shown shown(UUID id, SignedIn account) {
    Submissions.Seen seen = submissions.requireToSee(id, account);
    return new Shown(seen.submission().mesh(), seen.assignment().exercise().terms());
  }
}
