package fairedge.core.step;

import fairedge.core.cut.Route;
import fairedge.core.local.Refusal;
import fairedge.core.tidy.Apart;
import fairedge.core.tidy.DrawOut;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/** The changes that mends are made of beside those of the tools, and a mend as one change. */
public final class Mending {
  private Mending() {}

  /**
   * A path of new edges across quads; see {@link Route}.
   *
   * @param from a vertex to begin at; null to begin on the first edge
   */
  public record RouteChange(@Nullable Integer from, List<Integer> edges) implements Change {
    public RouteChange {
      edges = List.copyOf(edges);
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(edges.size(), "edge");
    }

    @Override
    public Done applyTo(Site site) {
      return Route.cut(site, from, edges);
    }
  }

  /** Fans of faces that hang together in a vertex alone, taken apart. */
  public record ApartChange(List<Integer> vertices, double by) implements Change {
    public ApartChange {
      vertices = List.copyOf(vertices);
    }

    @Override
    public String brief(Effect effect) {
      return Counted.of(vertices.size(), "vertex");
    }

    @Override
    public Done applyTo(Site site) {
      return Apart.take(site, vertices, by);
    }
  }

  /**
   * A vertex between two faces drawn out into an edge; see {@link DrawOut}.
   *
   * @param share how far the ends of the edge move
   */
  public record DrawOutChange(int vertex, int one, int other, double share) implements Change {
    @Override
    public Done applyTo(Site site) {
      return DrawOut.draw(site, vertex, one, other, share);
    }
  }

  /**
   * Changes made one after the other in one step, each aimed at what the one before left.
   *
   * @param changes none of them a mend
   * @param says what it does, for the list of steps
   */
  public record MendChange(List<Change> changes, String says) implements Change {
    public MendChange {
      changes = List.copyOf(changes);
      says = Objects.requireNonNullElse(says, "");
      if (changes.stream().anyMatch(MendChange.class::isInstance)) {
        throw new IllegalArgumentException("a mend of mends");
      }
    }

    @Override
    public String brief(Effect effect) {
      return says;
    }

    @Override
    public Done applyTo(Site site) {
      if (changes.isEmpty()) {
        throw Refusal.because("A mend without a change mends nothing.");
      }
      List<Remark> remarks = new ArrayList<>();
      for (Change change : changes) {
        remarks.addAll(change.applyTo(site.renewed(change.scope())).remarks());
      }
      return new Done(List.of(), remarks, 0);
    }
  }
}
