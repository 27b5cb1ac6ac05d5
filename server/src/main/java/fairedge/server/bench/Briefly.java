package fairedge.server.bench;

import fairedge.core.cut.LoopPlaces;
import fairedge.core.cut.Straight;
import fairedge.core.step.Change;
import fairedge.core.step.Effect;
import fairedge.core.step.Tidying;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/** What a step did in a few words, to stand beside the name of its tool in a narrow list. */
final class Briefly {
  private Briefly() {}

  static @Nullable String told(Change change, Effect effect) {
    return switch (change) {
      case Change.TraceChange t ->
          counted(t.runs().stream().mapToInt(run -> run.points().size() - 1).sum(), "piece");
      case Change.LoopsChange l ->
          counted(effect.quadsFront() + effect.quadsBehind(), "quad") + ", " + places(l.places());
      case Change.StraightChange s -> straight(s);
      case Change.OutlineChange o -> counted(o.shape().pointCount(), "point");
      case Tidying.LiftChange l -> both(l.edges(), l.vertices());
      case Tidying.DeleteChange d ->
          d.faces().isEmpty() ? both(d.edges(), d.vertices()) : counted(d.faces().size(), "face");
      case Tidying.WeldChange w -> counted(w.vertices().size(), "vertex");
      case Tidying.CollapseChange c -> counted(c.edges().size(), "edge");
      case Tidying.ConnectChange c -> counted(c.vertices().size(), "vertex");
      case Tidying.TurnChange t -> counted(t.edges().size(), "edge");
      case Tidying.SplitChange s -> counted(s.edges().size(), "edge");
      case Tidying.FlipChange f -> counted(f.faces().size(), "face");
      case Tidying.SlideChange s -> counted(s.vertices().size(), "vertex");
      case Tidying.MoveChange m -> counted(m.vertices().size(), "vertex");
      case Tidying.RelaxChange r -> counted(r.vertices().size(), "vertex");
      case Tidying.CapChange c -> counted(effect.facesFront() + effect.facesBehind(), "face");
      case Tidying.WeldNearChange w -> null;
      case Tidying.LoosePartsChange l -> null;
      case Tidying.FaceChange f -> null;
      case Tidying.UnifyChange u -> null;
    };
  }

  private static String places(LoopPlaces places) {
    return switch (places) {
      case LoopPlaces.At at
          when at.fractions().size() == 1 && at.by() == LoopPlaces.Measure.FRACTION ->
          String.format(Locale.ROOT, "%.0f %%", 100 * at.fractions().getFirst());
      default -> counted(places.count(), "loop");
    };
  }

  private static @Nullable String straight(Change.StraightChange cut) {
    if (cut.count() > 1) {
      return counted(cut.count(), "plane");
    }
    return switch (cut.after()) {
      case Straight.After.JOINED -> null;
      case Straight.After.APART -> "apart";
      case Straight.After.KEEP_AHEAD, Straight.After.KEEP_BEHIND -> "one side kept";
    };
  }

  private static String both(List<Integer> edges, List<Integer> vertices) {
    return edges.isEmpty()
        ? counted(vertices.size(), "vertex")
        : counted(edges.size(), "edge")
            + (vertices.isEmpty() ? "" : ", " + counted(vertices.size(), "vertex"));
  }

  private static String counted(int n, String one) {
    String many = one.equals("vertex") ? "vertices" : one + "s";
    return n + " " + (n == 1 ? one : many);
  }
}
