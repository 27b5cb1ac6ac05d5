package fairedge.server.review;

import fairedge.core.geometry.Vec3;
import fairedge.core.step.Change;
import fairedge.json.FindingView.ElementView;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A note, pinned to the mesh.
 *
 * @param id by which its thread is known; the same each time the answer is said again
 * @param finding index of the finding it is about, in the submission's report; null if none
 * @param element what it is pinned to
 * @param place where on the surface, so that it can be named across files
 * @param camera how the instructor saw it
 * @param strokes lines drawn on the surface, each by its places
 * @param phrase which kept remark it was made of
 * @param mend what would cure it; null where none goes with it
 * @param thread what its student makes of it; null while nothing
 */
public record NoteView(
    UUID id,
    NoteKind kind,
    String text,
    @Nullable Integer finding,
    ElementView element,
    Vec3 place,
    @Nullable CameraView camera,
    List<List<Vec3>> strokes,
    @Nullable UUID phrase,
    @Nullable NoteMend mend,
    @Nullable ThreadView thread) {

  /** What a note wants. */
  public enum NoteKind {
    mend,
    ask,
    praise
  }

  /**
   * Changes that would cure what a note is about, aimed at the mesh that was handed in.
   *
   * @param does in a sentence
   */
  public record NoteMend(String does, Change change) {}

  /** Where a camera stood and looked. */
  public record CameraView(Vec3 eye, Vec3 target) {}

  /**
   * What the student makes of a note.
   *
   * @param seenAt when they ticked it
   * @param reply the one answer that there is to a note
   * @param isRead whether whoever reviews has read it
   */
  public record ThreadView(
      @Nullable Instant seenAt,
      @Nullable String reply,
      @Nullable Instant repliedAt,
      boolean isRead) {}

  NoteView about(@Nullable Integer other) {
    return new NoteView(
        id, kind, text, other, element, place, camera, strokes, phrase, mend, thread);
  }

  NoteView with(@Nullable ThreadView other) {
    return new NoteView(
        id, kind, text, finding, element, place, camera, strokes, phrase, mend, other);
  }

  NoteView with(@Nullable NoteMend other) {
    return new NoteView(
        id, kind, text, finding, element, place, camera, strokes, phrase, other, thread);
  }
}
