package fairedge.server.bench;

import fairedge.core.step.Change;
import fairedge.core.step.Effect;
import fairedge.json.CheckView;
import fairedge.json.FindingView;
import java.util.List;

/** What a step did, as lists of steps tell it; kept with the step. */
public record After(
    String tool, String did, List<StepView.Brought> brought, int mended, int must, int should) {
  static After of(Change change, Effect effect, CheckView before, CheckView after) {
    List<FindingView> fresh = after.newSince(before);
    return new After(
        toolOf(change),
        effect.sentence(),
        fresh.stream().map(f -> new StepView.Brought(f.kind(), f.severity(), f.title())).toList(),
        before.newSince(after).size(),
        after.must(),
        after.should());
  }

  private static String toolOf(Change change) {
    return switch (change) {
      case Change.TraceChange t -> "Trace";
      case Change.LoopsChange l -> "Loops";
      case Change.StraightChange s -> "Straight";
      case Change.OutlineChange o -> "Outline";
    };
  }
}
