package fairedge.server.demonstration;

import fairedge.core.demonstration.Deed;
import fairedge.core.step.Change;
import fairedge.core.work.View;
import fairedge.server.bench.StepView.Brought;
import fairedge.server.review.NoteView.CameraView;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** The steps of a demonstration as they are kept, those that are left out too. */
public record KeptSteps(List<KeptDeed> steps) {
  public KeptSteps {
    steps = List.copyOf(steps);
  }

  /**
   * One step.
   *
   * @param change null where the last one is taken back
   * @param camera from where it is seen; null: as whoever made it saw it
   * @param lens through which it is seen from here on; null: as before
   * @param played what came of it; null where it is left out
   */
  public record KeptDeed(
      @Nullable Change change,
      @Nullable View view,
      boolean leftOut,
      String caption,
      String question,
      String answer,
      @Nullable CameraView camera,
      @Nullable String lens,
      @Nullable Played played) {

    static KeptDeed of(Deed deed) {
      return switch (deed) {
        case Deed.Made(Change change, View view) ->
            new KeptDeed(change, view, false, "", "", "", null, null, null);
        case Deed.TakenBack() -> new KeptDeed(null, null, false, "", "", "", null, null, null);
      };
    }

    Deed deed() {
      return change == null || view == null ? new Deed.TakenBack() : new Deed.Made(change, view);
    }

    KeptDeed with(@Nullable Played other) {
      return new KeptDeed(change, view, leftOut, caption, question, answer, camera, lens, other);
    }

    KeptDeed saying(Demonstrations.Words words) {
      return new KeptDeed(
          change,
          view,
          words.leftOut(),
          words.caption().strip(),
          words.question().strip(),
          words.answer().strip(),
          words.camera(),
          words.lens(),
          played);
    }
  }

  /**
   * What came of a step.
   *
   * @param mesh hash of the mesh after it, in hexadecimal
   * @param must how many must be mended after it
   * @param seen from where whoever made it saw it
   */
  public record Played(
      String mesh,
      String tool,
      String did,
      @Nullable String brief,
      List<Brought> brought,
      int mended,
      int must,
      @Nullable CameraView seen) {
    public Played {
      brought = List.copyOf(brought);
    }
  }
}
