package fairedge.core.step;

import fairedge.core.cut.LoopPlaces;
import fairedge.core.cut.Loops;
import fairedge.core.cut.Outline;
import fairedge.core.cut.OutlineShape;
import fairedge.core.cut.PlaneBy;
import fairedge.core.cut.Reach;
import fairedge.core.cut.Straight;
import fairedge.core.cut.Trace;
import fairedge.core.cut.TracePoint;
import fairedge.core.cut.TraceRun;
import fairedge.core.local.Refusal;
import fairedge.core.work.Done;
import fairedge.core.work.Scope;
import fairedge.core.work.Site;
import fairedge.core.work.View;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * What was asked: a value that can be written as JSON and replayed. The same change on the same
 * mesh gives the same bytes on every machine. The factories called {@code asked} take what people
 * leave out as what they mean most often, and the short forms.
 */
public sealed interface Change
    permits Change.TraceChange,
        Change.LoopsChange,
        Change.StraightChange,
        Change.OutlineChange,
        Tidying.LiftChange,
        Tidying.DeleteChange,
        Tidying.LoosePartsChange,
        Tidying.WeldChange,
        Tidying.WeldNearChange,
        Tidying.CollapseChange,
        Tidying.ConnectChange,
        Tidying.FaceChange,
        Tidying.CapChange,
        Tidying.TurnChange,
        Tidying.SplitChange,
        Tidying.FlipChange,
        Tidying.UnifyChange,
        Tidying.SlideChange,
        Tidying.MoveChange,
        Tidying.RelaxChange,
        Tidying.NameChange,
        Forming.InsetChange,
        Forming.ExtrudeChange,
        Forming.ExtrudeEdgesChange,
        Forming.SupportChange,
        Forming.GrooveChange,
        Forming.MirrorChange,
        Forming.ThickenChange,
        Forming.PartChange,
        Forming.RejoinChange,
        Forming.BendChange,
        Forming.FoldChange,
        Forming.MeetChange,
        Forming.BringInChange,
        Forming.EvenChange,
        Mending.RouteChange,
        Mending.ApartChange,
        Mending.DrawOutChange,
        Mending.MendChange {
  /** The faces that it may touch. */
  default Scope scope() {
    return Scope.WHOLE;
  }

  /**
   * @throws Refusal.Raised with the edit half done; the caller takes it back
   */
  Done applyTo(Site site);

  /**
   * What it did in a few words, to stand beside its name in a narrow list; null where the name says
   * it all.
   */
  default @Nullable String brief(Effect effect) {
    return null;
  }

  private static <T> T or(@Nullable T given, T otherwise) {
    return given == null ? otherwise : given;
  }

  /** A cut from point to point over the surface. */
  record TraceChange(List<TraceRun> runs, Reach reach, Scope scope) implements Change {
    public TraceChange {
      runs = List.copyOf(runs);
    }

    /** One run over the surface in view. */
    public static TraceChange of(List<TracePoint> points) {
      return asked(null, points, null, null);
    }

    /**
     * @param points one run, in place of runs
     */
    public static TraceChange asked(
        @Nullable List<TraceRun> runs,
        @Nullable List<TracePoint> points,
        @Nullable Reach reach,
        @Nullable Scope scope) {
      List<TraceRun> all =
          points == null ? Objects.requireNonNull(runs, "runs") : List.of(TraceRun.of(points));
      return new TraceChange(all, or(reach, Reach.FRONT), or(scope, Scope.WHOLE));
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(runs.stream().mapToInt(run -> run.points().size() - 1).sum(), "piece");
    }

    @Override
    public Done applyTo(Site site) {
      return Trace.cut(site, reach, runs);
    }
  }

  /**
   * Edge loops across the ring of an edge.
   *
   * @param places where on the edge, from its first vertex (lower id) to its second
   * @param runOn past a stop, on to the corner opposite
   */
  record LoopsChange(int edge, LoopPlaces places, Loops.Shape shape, boolean runOn, Scope scope)
      implements Change {
    /** One loop at a share of the edge. */
    public static LoopsChange of(int edge, double fraction) {
      return asked(edge, null, fraction, null, null, null);
    }

    /**
     * @param fraction of one loop, in place of places
     */
    public static LoopsChange asked(
        int edge,
        @Nullable LoopPlaces places,
        @Nullable Double fraction,
        Loops.@Nullable Shape shape,
        @Nullable Boolean runOn,
        @Nullable Scope scope) {
      LoopPlaces all =
          fraction == null
              ? Objects.requireNonNull(places, "places")
              : new LoopPlaces.At(List.of(fraction), LoopPlaces.Measure.FRACTION);
      return new LoopsChange(
          edge, all, or(shape, Loops.Shape.STRAIGHT), or(runOn, false), or(scope, Scope.WHOLE));
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(effect.quadsFront() + effect.quadsBehind(), "quad") + ", " + where();
    }

    private String where() {
      return switch (places) {
        case LoopPlaces.At at
            when at.fractions().size() == 1 && at.by() == LoopPlaces.Measure.FRACTION ->
            String.format(Locale.ROOT, "%.0f %%", 100 * at.fractions().getFirst());
        default -> Counted.of(places.count(), "loop");
      };
    }

    @Override
    public Done applyTo(Site site) {
      return Loops.cut(site, edge, places, shape, runOn);
    }
  }

  /** A cut by a plane, or by several side by side; its fields are those of {@link Straight.Cut}. */
  record StraightChange(
      PlaneBy plane,
      double turn,
      double tilt,
      double shift,
      int count,
      double spacing,
      Reach reach,
      boolean between,
      @Nullable View eye,
      Straight.After after,
      Straight.Ends ends,
      Scope scope)
      implements Change {
    public StraightChange {
      Objects.requireNonNull(plane, "plane");
    }

    /** One endless plane right through the whole mesh. */
    public static StraightChange of(PlaneBy plane, Straight.After after, Straight.Ends ends) {
      return asked(plane, null, null, null, null, null, null, null, null, after, ends, null);
    }

    public static StraightChange asked(
        PlaneBy plane,
        @Nullable Double turn,
        @Nullable Double tilt,
        @Nullable Double shift,
        @Nullable Integer count,
        @Nullable Double spacing,
        @Nullable Reach reach,
        @Nullable Boolean between,
        @Nullable View eye,
        Straight.@Nullable After after,
        Straight.@Nullable Ends ends,
        @Nullable Scope scope) {
      return new StraightChange(
          plane,
          or(turn, 0.0),
          or(tilt, 0.0),
          or(shift, 0.0),
          or(count, 1),
          or(spacing, 0.0),
          or(reach, Reach.THROUGH),
          or(between, false),
          eye,
          or(after, Straight.After.JOINED),
          or(ends, Straight.Ends.OPEN),
          or(scope, Scope.WHOLE));
    }

    /** What is asked of the cut itself. */
    public Straight.Cut cut() {
      return new Straight.Cut(
          plane, turn, tilt, shift, count, spacing, reach, between, eye, after, ends);
    }

    @Override
    public @Nullable String brief(Effect effect) {
      if (count > 1) {
        return Counted.of(count, "plane");
      }
      return switch (after) {
        case JOINED -> null;
        case APART -> "apart";
        case KEEP_AHEAD, KEEP_BEHIND -> "one side kept";
      };
    }

    @Override
    public Done applyTo(Site site) {
      return Straight.cut(site, cut());
    }
  }

  /** A cut by a shape that is projected along the view. */
  record OutlineChange(OutlineShape shape, Outline.Placement placement, Reach reach, Scope scope)
      implements Change {
    public OutlineChange {
      Objects.requireNonNull(shape, "shape");
      Objects.requireNonNull(placement, "placement");
    }

    public static OutlineChange asked(
        OutlineShape shape,
        Outline.Placement placement,
        @Nullable Reach reach,
        @Nullable Scope scope) {
      return new OutlineChange(shape, placement, or(reach, Reach.FRONT), or(scope, Scope.WHOLE));
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(shape.pointCount(), "point");
    }

    @Override
    public Done applyTo(Site site) {
      return Outline.cut(site, shape, placement, reach);
    }
  }
}
