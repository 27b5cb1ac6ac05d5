package fairedge.core.step;

import fairedge.core.form.Extrude;
import fairedge.core.form.ExtrudeEdges;
import fairedge.core.form.Groove;
import fairedge.core.form.Inset;
import fairedge.core.form.Support;
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
}
