package fairedge.server.room;

import fairedge.server.review.NoteView.CameraView;
import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A bench that is shown to a class now.
 *
 * @param by who shows it
 * @param title of what is cut
 * @param revision of the mesh
 * @param step the number of the last step in force; 0: the starter
 * @param tool of that step; null for the starter
 * @param last the number of the last event that is in it
 */
public record ShowView(
    UUID workpiece,
    String by,
    String title,
    String unit,
    Instant begunAt,
    long revision,
    int step,
    @Nullable String tool,
    @Nullable String brief,
    @Nullable CameraView camera,
    String lens,
    String caption,
    long last) {

  /** From where whoever shows it looks now, and what they say: gone as soon as there is another. */
  public record SightView(@Nullable CameraView camera, String lens, String caption) {}

  /** It went on. */
  public record ShownStep(long revision, int step, @Nullable String tool, @Nullable String brief) {}
}
