package fairedge.core.step;

import fairedge.core.cut.Connect;
import fairedge.core.tidy.Cap;
import fairedge.core.tidy.Delete;
import fairedge.core.tidy.EdgeWork;
import fairedge.core.tidy.FaceFill;
import fairedge.core.tidy.Lift;
import fairedge.core.tidy.Move;
import fairedge.core.tidy.Naming;
import fairedge.core.tidy.Relax;
import fairedge.core.tidy.Slide;
import fairedge.core.tidy.Weld;
import fairedge.core.work.Done;
import fairedge.core.work.Scope;
import fairedge.core.work.Site;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** The changes that clean up. They name their elements themselves, so most need no scope. */
public final class Tidying {
  private Tidying() {}

  /** Edges and vertices out; the faces heal. */
  public record LiftChange(List<Integer> edges, List<Integer> vertices, boolean straightEnds)
      implements Change {
    public LiftChange {
      edges = List.copyOf(edges);
      vertices = List.copyOf(vertices);
    }

    @Override
    public String brief(Effect effect) {
      return Counted.both(edges, vertices);
    }

    @Override
    public Done applyTo(Site site) {
      return Lift.lift(site, edges, vertices, straightEnds);
    }
  }

  /** Elements out, leaving a hole. */
  public record DeleteChange(List<Integer> faces, List<Integer> edges, List<Integer> vertices)
      implements Change {
    public DeleteChange {
      faces = List.copyOf(faces);
      edges = List.copyOf(edges);
      vertices = List.copyOf(vertices);
    }

    @Override
    public String brief(Effect effect) {
      return faces.isEmpty() ? Counted.both(edges, vertices) : Counted.of(faces.size(), "face");
    }

    @Override
    public Done applyTo(Site site) {
      return Delete.delete(site, faces, edges, vertices);
    }
  }

  /** All loose edges and lone vertices out. */
  public record LoosePartsChange() implements Change {
    @Override
    public Done applyTo(Site site) {
      return Delete.looseParts(site);
    }
  }

  /** Chosen vertices into one. */
  public record WeldChange(List<Integer> vertices, Weld.At at) implements Change {
    public WeldChange {
      vertices = List.copyOf(vertices);
      Objects.requireNonNull(at, "at");
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(vertices.size(), "vertex");
    }

    @Override
    public Done applyTo(Site site) {
      return Weld.together(site, vertices, at);
    }
  }

  /** All pairs of vertices within a distance. */
  public record WeldNearChange(double distance, Scope scope) implements Change {
    public WeldNearChange {
      Objects.requireNonNull(scope, "scope");
    }

    @Override
    public Done applyTo(Site site) {
      return Weld.near(site, distance);
    }
  }

  /** Edges into their middles. */
  public record CollapseChange(List<Integer> edges) implements Change {
    public CollapseChange {
      edges = List.copyOf(edges);
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(edges.size(), "edge");
    }

    @Override
    public Done applyTo(Site site) {
      return Weld.collapse(site, edges);
    }
  }

  /** Each vertex joined to the next. */
  public record ConnectChange(List<Integer> vertices, Scope scope) implements Change {
    public ConnectChange {
      vertices = List.copyOf(vertices);
      Objects.requireNonNull(scope, "scope");
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(vertices.size(), "vertex");
    }

    @Override
    public Done applyTo(Site site) {
      return Connect.connect(site, vertices);
    }
  }

  /** Faces over chosen border edges. */
  public record FaceChange(List<Integer> edges) implements Change {
    public FaceChange {
      edges = List.copyOf(edges);
    }

    @Override
    public Done applyTo(Site site) {
      return FaceFill.fill(site, edges);
    }
  }

  /** A hole or a face filled with quads. */
  public record CapChange(Cap.Plan plan) implements Change {
    public CapChange {
      Objects.requireNonNull(plan, "plan");
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(effect.facesFront() + effect.facesBehind(), "face");
    }

    @Override
    public Done applyTo(Site site) {
      return Cap.fill(site, plan);
    }
  }

  /** Edges turned within the two faces at each. */
  public record TurnChange(List<Integer> edges) implements Change {
    public TurnChange {
      edges = List.copyOf(edges);
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(edges.size(), "edge");
    }

    @Override
    public Done applyTo(Site site) {
      return EdgeWork.turn(site, edges);
    }
  }

  /** A vertex into each edge. */
  public record SplitChange(List<Integer> edges, double t) implements Change {
    public SplitChange {
      edges = List.copyOf(edges);
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(edges.size(), "edge");
    }

    @Override
    public Done applyTo(Site site) {
      return EdgeWork.split(site, edges, t);
    }
  }

  /** Faces turned to look the other way. */
  public record FlipChange(List<Integer> faces) implements Change {
    public FlipChange {
      faces = List.copyOf(faces);
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(faces.size(), "face");
    }

    @Override
    public Done applyTo(Site site) {
      return EdgeWork.flip(site, faces);
    }
  }

  /** All faces of a piece made to look the same way. */
  public record UnifyChange(Scope scope) implements Change {
    public UnifyChange {
      Objects.requireNonNull(scope, "scope");
    }

    @Override
    public Done applyTo(Site site) {
      return EdgeWork.unify(site);
    }
  }

  /** Vertices along edges; see {@link Slide}. */
  public record SlideChange(
      List<Integer> vertices, int first, int towards, double amount, Slide.SlideBy measure)
      implements Change {
    public SlideChange {
      vertices = List.copyOf(vertices);
      Objects.requireNonNull(measure, "measure");
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(vertices.size(), "vertex");
    }

    @Override
    public Done applyTo(Site site) {
      return Slide.slide(site, vertices, first, towards, amount, measure);
    }
  }

  /** Vertices moved, turned, scaled. */
  public record MoveChange(List<Integer> vertices, Move.Motion motion, Move.@Nullable Pull pull)
      implements Change {
    public MoveChange {
      vertices = List.copyOf(vertices);
      Objects.requireNonNull(motion, "motion");
    }

    /** The chosen ones alone. */
    public MoveChange(List<Integer> vertices, Move.Motion motion) {
      this(vertices, motion, null);
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(vertices.size(), "vertex");
    }

    @Override
    public Done applyTo(Site site) {
      return Move.move(site, vertices, motion, pull);
    }
  }

  /** Vertices evened out. */
  public record RelaxChange(List<Integer> vertices, int rounds, double strength, Relax.RelaxWay way)
      implements Change {
    public RelaxChange {
      vertices = List.copyOf(vertices);
      Objects.requireNonNull(way, "way");
    }

    /** The way, where it is left out, evens distances. */
    public static RelaxChange asked(
        List<Integer> vertices, int rounds, double strength, Relax.@Nullable RelaxWay way) {
      return new RelaxChange(vertices, rounds, strength, way == null ? Relax.RelaxWay.EVEN : way);
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(vertices.size(), "vertex") + (way == Relax.RelaxWay.FLOW ? ", loops" : "");
    }

    @Override
    public Done applyTo(Site site) {
      return Relax.relax(site, vertices, rounds, strength, way);
    }
  }

  /** Faces made a part of a name. */
  public record NameChange(List<Integer> faces, String name) implements Change {
    public NameChange {
      faces = List.copyOf(faces);
      Objects.requireNonNull(name, "name");
    }

    @Override
    public String brief(Effect effect) {
      return name;
    }

    @Override
    public Done applyTo(Site site) {
      return Naming.name(site, faces, name);
    }
  }
}
