package fairedge.server.demonstration;

import fairedge.server.demonstration.DemonstrationView.FrameKind;
import fairedge.server.demonstration.DemonstrationView.FrameView;
import fairedge.server.demonstration.KeptSteps.KeptDeed;
import fairedge.server.demonstration.KeptSteps.Played;
import fairedge.server.review.NoteView.CameraView;
import java.util.ArrayList;
import java.util.HexFormat;
import java.util.List;
import org.jspecify.annotations.Nullable;

/** What a demonstration shows, one after the other: the starter, questions, and what was done. */
final class Frames {
  private static final String USUAL_LENS = "clay";

  private final List<FrameView> frames = new ArrayList<>();
  private String mesh;
  private String lens = USUAL_LENS;
  private @Nullable CameraView camera;
  private int must;

  private Frames(Demonstration d) {
    mesh = HexFormat.of().formatHex(d.starter());
  }

  static List<FrameView> of(Demonstration d) {
    Frames frames = new Frames(d);
    List<KeptDeed> steps = d.steps().steps();
    frames.begin(d, steps);
    int number = 0;
    for (KeptDeed step : steps) {
      number++;
      Played played = step.played();
      if (played != null) {
        frames.add(number, step, played);
      }
    }
    return List.copyOf(frames.frames);
  }

  /** The starter is seen as the first step is. */
  private void begin(Demonstration d, List<KeptDeed> steps) {
    steps.stream()
        .filter(step -> step.played() != null)
        .findFirst()
        .ifPresent(first -> {
          camera = seen(first, first.played());
          lens = first.lens() == null ? lens : first.lens();
        });
    frames.add(
        new FrameView(
            FrameKind.starter,
            0,
            "Starter",
            null,
            "",
            d.about(),
            "",
            mesh,
            camera,
            lens,
            List.of(),
            0,
            0));
  }

  private @Nullable CameraView seen(KeptDeed step, @Nullable Played played) {
    if (step.camera() != null) {
      return step.camera();
    }
    return played == null || played.seen() == null ? camera : played.seen();
  }

  private void add(int number, KeptDeed step, Played played) {
    camera = seen(step, played);
    if (!step.question().isEmpty()) {
      frames.add(
          new FrameView(
              FrameKind.question,
              number,
              played.tool(),
              played.brief(),
              played.did(),
              step.question(),
              step.answer(),
              mesh,
              camera,
              lens,
              List.of(),
              0,
              must));
    }
    lens = step.lens() == null ? lens : step.lens();
    mesh = played.mesh();
    must = played.must();
    frames.add(
        new FrameView(
            step.change() == null ? FrameKind.takenBack : FrameKind.made,
            number,
            played.tool(),
            played.brief(),
            played.did(),
            step.caption(),
            "",
            mesh,
            camera,
            lens,
            played.brought(),
            played.mended(),
            must));
  }
}
