package fairedge.server.review;

import fairedge.core.geometry.Vec3;
import fairedge.json.FindingView.ElementView;
import java.time.Instant;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** An answer: a draft to its instructor, and what a student reads once it is returned. */
public record AnswerView(
    long revision,
    String word,
    @Nullable Verdict verdict,
    List<NoteView> notes,
    @Nullable Instant returnedAt,
    @Nullable String returnedBy) {

  /** What becomes of an attempt. */
  public enum Verdict {
    accepted,
    tryAgain
  }

  /**
   * A note, pinned to the mesh.
   *
   * @param finding index of the finding it is about, in the submission's report; null if none
   * @param element what it is pinned to
   * @param place where on the surface, so that it can be named across files
   * @param camera how the instructor saw it
   */
  public record NoteView(
      String text,
      @Nullable Integer finding,
      ElementView element,
      Vec3 place,
      @Nullable CameraView camera) {
    NoteView about(@Nullable Integer other) {
      return new NoteView(text, other, element, place, camera);
    }
  }

  /** Where a camera stood and looked. */
  public record CameraView(Vec3 eye, Vec3 target) {}
}
