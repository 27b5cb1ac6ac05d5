package fairedge.core.step;

import fairedge.core.form.Bend;
import fairedge.core.form.Extrude;
import fairedge.core.form.ExtrudeEdges;
import fairedge.core.form.Fold;
import fairedge.core.form.Groove;
import fairedge.core.form.Inset;
import fairedge.core.form.Mirror;
import fairedge.core.form.MirrorBy;
import fairedge.core.form.Pieces;
import fairedge.core.form.Support;
import fairedge.core.form.Thicken;
import fairedge.core.geometry.Vec3;
import fairedge.core.meet.BringIn;
import fairedge.core.meet.Meet;
import fairedge.core.tidy.Move;
import fairedge.core.work.Done;
import fairedge.core.work.Site;
import java.util.List;
import java.util.Locale;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** The changes that shape. They name their elements themselves. */
public final class Forming {
  private Forming() {}

  /** A ring of quads along the border of faces. */
  public record InsetChange(List<Integer> faces, boolean each, Inset.Margin margin)
      implements Change {
    public InsetChange {
      faces = List.copyOf(faces);
      Objects.requireNonNull(margin, "margin");
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(faces.size(), "face")
          + String.format(Locale.ROOT, margin.outwards() ? ", %.4g out" : ", %.4g", margin.width());
    }

    @Override
    public Done applyTo(Site site) {
      return Inset.inset(site, faces, each, margin);
    }
  }

  /** Faces moved, with walls where they ended. */
  public record ExtrudeChange(List<Integer> faces, boolean each, Extrude.Extrusion by)
      implements Change {
    public ExtrudeChange {
      faces = List.copyOf(faces);
      Objects.requireNonNull(by, "by");
    }

    @Override
    public String brief(Effect effect) {
      return "%s, %s"
          .formatted(
              Counted.of(faces.size(), "face"), String.format(Locale.ROOT, "%.4g", by.distance()));
    }

    @Override
    public Done applyTo(Site site) {
      return Extrude.extrude(site, faces, each, by);
    }
  }

  /** Border edges carried on by strips of quads. */
  public record ExtrudeEdgesChange(List<Integer> edges, ExtrudeEdges.Brim by) implements Change {
    public ExtrudeEdgesChange {
      edges = List.copyOf(edges);
      Objects.requireNonNull(by, "by");
    }

    @Override
    public String brief(Effect effect) {
      return "%s, %s"
          .formatted(
              Counted.of(edges.size(), "edge"), String.format(Locale.ROOT, "%.4g", by.distance()));
    }

    @Override
    public Done applyTo(Site site) {
      return ExtrudeEdges.extrude(site, edges, by);
    }
  }

  /**
   * Edges held by lines beside them or strips in their place.
   *
   * @param over in degrees: all edges that turn by over it as well; null for none but the named
   */
  public record SupportChange(List<Integer> edges, @Nullable Double over, Support.Holding holding)
      implements Change {
    public SupportChange {
      edges = List.copyOf(edges);
      Objects.requireNonNull(holding, "holding");
    }

    @Override
    public String brief(Effect effect) {
      return "%s, %s"
          .formatted(
              over == null
                  ? Counted.of(edges.size(), "edge")
                  : String.format(Locale.ROOT, "over %.4g°", over),
              String.format(Locale.ROOT, "%.4g", holding.distance()));
    }

    @Override
    public Done applyTo(Site site) {
      return Support.hold(site, edges, over, holding);
    }
  }

  /** Edges made into a channel or a seam. */
  public record GrooveChange(List<Integer> edges, Groove.Channel channel) implements Change {
    public GrooveChange {
      edges = List.copyOf(edges);
      Objects.requireNonNull(channel, "channel");
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(edges.size(), "edge")
          + String.format(Locale.ROOT, ", %.4g wide, %.4g deep", channel.width(), channel.depth());
    }

    @Override
    public Done applyTo(Site site) {
      return Groove.cut(site, edges, channel);
    }
  }

  /**
   * One side of a plane kept, and its image laid on the other.
   *
   * @param ahead whether the side is kept to which the plane's normal points
   * @param join the distance from the plane within which borders are joined
   */
  public record MirrorChange(MirrorBy plane, boolean ahead, double join) implements Change {
    public MirrorChange {
      Objects.requireNonNull(plane, "plane");
    }

    @Override
    public Done applyTo(Site site) {
      return Mirror.copy(site, plane, ahead, join);
    }
  }

  /**
   * A shell made of a surface.
   *
   * @param faces of the parts that are meant; empty for all
   */
  public record ThickenChange(List<Integer> faces, Thicken.Shell shell) implements Change {
    public ThickenChange {
      faces = List.copyOf(faces);
      Objects.requireNonNull(shell, "shell");
    }

    @Override
    public String brief(Effect effect) {
      return String.format(Locale.ROOT, "by %.4g", shell.thickness());
    }

    @Override
    public Done applyTo(Site site) {
      return Thicken.thicken(site, faces, shell);
    }
  }

  /** Faces made pieces of their own, or a surface cut along edges. */
  public record PartChange(List<Integer> faces, List<Integer> edges) implements Change {
    public PartChange {
      faces = List.copyOf(faces);
      edges = List.copyOf(edges);
    }

    @Override
    public String brief(Effect effect) {
      return faces.isEmpty() ? Counted.of(edges.size(), "edge") : Counted.of(faces.size(), "face");
    }

    @Override
    public Done applyTo(Site site) {
      return Pieces.part(site, faces, edges);
    }
  }

  /**
   * Borders that lie on one another joined.
   *
   * @param edges of the border; empty for all
   */
  public record RejoinChange(List<Integer> edges) implements Change {
    public RejoinChange {
      edges = List.copyOf(edges);
    }

    @Override
    public Done applyTo(Site site) {
      return Pieces.rejoin(site, edges);
    }
  }

  /**
   * A bend, a twist or a taper.
   *
   * @param vertices empty for all
   */
  public record BendChange(List<Integer> vertices, Bend.Bow bow) implements Change {
    public BendChange {
      vertices = List.copyOf(vertices);
      Objects.requireNonNull(bow, "bow");
    }

    @Override
    public String brief(Effect effect) {
      return switch (bow.way()) {
        case BEND -> String.format(Locale.ROOT, "%.4g°", bow.amount());
        case TWIST -> String.format(Locale.ROOT, "twist, %.4g°", bow.amount());
        case TAPER -> String.format(Locale.ROOT, "taper, %.0f %%", 100 * bow.amount());
      };
    }

    @Override
    public Done applyTo(Site site) {
      return Bend.bend(site, vertices, bow);
    }
  }

  /**
   * Panels folded about hinges.
   *
   * @param held a face of the panel that stays; null for that of the lowest face at the hinges
   */
  public record FoldChange(List<Fold.Hinge> hinges, @Nullable Integer held) implements Change {
    public FoldChange {
      hinges = List.copyOf(hinges);
    }

    @Override
    public String brief(Effect effect) {
      return hinges.stream().allMatch(h -> h.angle() == 0)
          ? "flat"
          : Counted.of(hinges.size(), "hinge");
    }

    @Override
    public Done applyTo(Site site) {
      return Fold.fold(site, hinges, held);
    }
  }

  /**
   * A mesh from elsewhere laid beside what is there.
   *
   * @param obj it as the text of an OBJ file, in the unit of the mesh
   * @param name of what comes; empty: as the file names it
   */
  public record BringInChange(String obj, String name, Vec3 by, double scale) implements Change {
    public BringInChange {
      Objects.requireNonNull(obj, "obj");
      Objects.requireNonNull(by, "by");
      name = Objects.requireNonNullElse(name, "");
    }

    @Override
    public String brief(Effect effect) {
      return name;
    }

    @Override
    public Done applyTo(Site site) {
      return BringIn.bringIn(site, obj, name, by, scale);
    }
  }

  /**
   * Parts met: cut along their line, joined, taken away, fitted.
   *
   * @param first faces of the parts that are cut; empty for all but the others
   * @param second faces of the parts that they are cut by
   * @param placed how the second is moved before they meet
   * @param play how much room a fitted part is given
   * @param material of faces where something is taken away; null: the second's
   * @param clean within which distance the line is cleaned; null for not at all
   * @param collar how wide a collar goes round the line; null for none
   */
  public record MeetChange(
      List<Integer> first,
      List<Integer> second,
      Move.@Nullable Motion placed,
      Meet.MeetWay way,
      double play,
      Meet.@Nullable CutMaterial material,
      @Nullable Double clean,
      @Nullable Double collar)
      implements Change {
    public MeetChange {
      first = List.copyOf(first);
      second = List.copyOf(second);
      Objects.requireNonNull(way, "way");
    }

    /** Parts as they lie, and the line as it is cut. */
    public static MeetChange of(List<Integer> first, List<Integer> second, Meet.MeetWay way) {
      return new MeetChange(first, second, null, way, 0, null, null, null);
    }

    /** The second taken away, the line cleaned within a distance, a collar round it. */
    public static MeetChange bore(
        List<Integer> first, List<Integer> second, double clean, double collar) {
      return new MeetChange(first, second, null, Meet.MeetWay.SUBTRACT, 0, null, clean, collar);
    }

    /** The same fitted with play, and the line cleaned within a distance. */
    public static MeetChange fit(
        List<Integer> first, List<Integer> second, double play, double clean) {
      return new MeetChange(first, second, null, Meet.MeetWay.FIT, play, null, clean, null);
    }

    @Override
    public String brief(Effect effect) {
      return switch (way) {
        case LINES -> "lines";
        case LINES_ON_FIRST -> "lines on one";
        case JOIN -> "joined";
        case SUBTRACT -> "taken away";
        case FIT -> String.format(Locale.ROOT, "fitted, play %.4g", play);
        case COMMON -> "in common";
      };
    }

    @Override
    public Done applyTo(Site site) {
      return Meet.meet(
          site, first, second, new Meet.How(way, placed, play, material, clean, collar));
    }
  }

  /**
   * Another change made with its image, so that the form stays even.
   *
   * @param change itself none such
   */
  public record EvenChange(Change change, MirrorBy plane) implements Change {
    public EvenChange {
      Objects.requireNonNull(change, "change");
      Objects.requireNonNull(plane, "plane");
      if (change instanceof EvenChange) {
        throw new IllegalArgumentException("an even change of an even change");
      }
    }

    @Override
    public String brief(Effect effect) {
      String what = change.brief(effect);
      String name = ChangeKind.of(change).title();
      return what == null ? name : name + ", " + what;
    }

    @Override
    public Done applyTo(Site site) {
      return Evenly.make(site, change, plane);
    }
  }
}
