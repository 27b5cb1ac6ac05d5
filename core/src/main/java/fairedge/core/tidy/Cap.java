package fairedge.core.tidy;

import fairedge.core.fill.GridFill;
import fairedge.core.fill.RingsFill;
import fairedge.core.flow.Ring;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import org.jspecify.annotations.Nullable;

/**
 * Fills a hole, or divides a face, with quads: a grid of a times b where there are 2(a + b) sides,
 * or rings of quads with a grid inside. Cost: the sides and the quads.
 */
public final class Cap {
  /** How it is filled. */
  public enum Form {
    /** One grid. */
    GRID,
    /** Rings, and inside them a grid. */
    RINGS
  }

  /**
   * What is asked.
   *
   * @param face to divide, or null
   * @param edge at the border of a hole to fill, or null
   * @param along how many quads along the side that begins at the starting corner; 0 for as even as
   *     it goes
   * @param start which corner, counted from the first, is a corner of the grid
   * @param rings of form {@code RINGS}
   * @param inner how large the innermost ring is, as a share
   * @param corner the vertex from which {@code start} is counted; null for the first corner
   */
  public record Plan(
      @Nullable Integer face,
      @Nullable Integer edge,
      Form form,
      int along,
      int start,
      int rings,
      double inner,
      @Nullable Integer corner) {
    public Plan {
      Objects.requireNonNull(form, "form");
    }

    /** Counted from the first corner. */
    public Plan(
        @Nullable Integer face,
        @Nullable Integer edge,
        Form form,
        int along,
        int start,
        int rings,
        double inner) {
      this(face, edge, form, along, start, rings, inner, null);
    }
  }

  private static final int MOST_SIDES = 1000;

  private Cap() {}

  /**
   * @throws Refusal.Raised where quads alone can't do it, saying what to change
   */
  public static Done fill(Site site, Plan plan) {
    Mesh mesh = site.mesh();
    int face = plan.face() != null ? faceOf(mesh, plan.face()) : layOver(site, plan.edge());
    int sides = mesh.size(face);
    if (sides > MOST_SIDES) {
      throw Refusal.because(
          "At most %d sides can be filled at once, here are %d.".formatted(MOST_SIDES, sides),
          place(plan, face));
    }
    if (sides % 2 == 1) {
      throw oddSides(mesh, face, plan);
    }
    int start = plan.start() + cornerOf(mesh, face, plan.corner());
    int core = face;
    if (plan.form() == Form.RINGS) {
      core = RingsFill.draw(site.edit(), face, plan.rings(), plan.inner());
    }
    int along = plan.along() == 0 ? sides / 4 : plan.along();
    if (sides > 4) {
      GridFill.divide(site.edit(), core, along, start);
    }
    String text = "Fills %d sides with %d by %d quads.".formatted(sides, along, sides / 2 - along);
    return new Done(
        List.of(), sides > 4 ? List.of(new Remark(text, null, null, null)) : List.of(), 0);
  }

  private static int cornerOf(Mesh mesh, int face, @Nullable Integer vertex) {
    if (vertex == null) {
      return 0;
    }
    int[] corners = mesh.vertices(face);
    for (int i = 0; i < corners.length; i++) {
      if (corners[i] == vertex) {
        return i;
      }
    }
    throw Refusal.because("The vertex to begin at is no corner of what is filled.");
  }

  /** Names the shortest ring that ends at a side: a loop across it gives the side a vertex. */
  private static Refusal.Raised oddSides(Mesh mesh, int face, Plan plan) {
    int sides = mesh.size(face);
    Ring shortest = null;
    int at = Mesh.NONE;
    int c = mesh.firstCorner(face);
    for (int i = 0; i < sides; i++, c = mesh.next(c)) {
      Ring ring = Ring.through(mesh, mesh.edgeOf(c)).orElse(null);
      if (ring == null || ring.closed() || endsAt(ring, face) != 1) {
        continue;
      }
      if (shortest == null || ring.quads().size() < shortest.quads().size()) {
        shortest = ring;
        at = mesh.edgeOf(c);
      }
    }
    String odd = "%d sides can't be filled with quads alone. ".formatted(sides);
    if (shortest == null || plan.face() == null) {
      String words = "Weld two of its vertices, or split one of its sides, and there are %d or %d.";
      return Refusal.because(odd + words.formatted(sides - 1, sides + 1), place(plan, face));
    }
    int quads = shortest.quads().size();
    String words = "Insert one loop across the ring of %d %s that ends here, and there are %d.";
    return Refusal.because(
        odd + words.formatted(quads, quads == 1 ? "quad" : "quads", sides + 1), Element.edge(at));
  }

  private static long endsAt(Ring ring, int face) {
    return ring.stops().stream().filter(stop -> stop.face() == face).count();
  }

  private static Element place(Plan plan, int face) {
    return plan.face() == null && plan.edge() != null
        ? Element.edge(plan.edge())
        : Element.face(face);
  }

  private static int faceOf(Mesh mesh, int face) {
    if (!mesh.hasFace(face)) {
      throw Refusal.because("The face that was chosen is not there any more.");
    }
    return face;
  }

  /** Lays a face over the hole at a border edge. */
  private static int layOver(Site site, @Nullable Integer edge) {
    if (edge == null) {
      throw Refusal.because("Choose the border of a hole, or a face.");
    }
    Mesh mesh = site.mesh();
    if (!mesh.hasEdge(edge)) {
      throw Refusal.because("The edge that was chosen is not there any more.");
    }
    if (mesh.uses(edge) != 1) {
      throw Refusal.because(
          "This edge is at no hole: one face lies at a border.", Element.edge(edge));
    }
    int[] ring = holeAt(mesh, edge);
    return Pruning.layFace(site.edit(), ring, mesh.faceOf(mesh.cornerOn(edge)));
  }

  /** The border round a hole as a face over it runs, from the edge on. */
  static int[] holeAt(Mesh mesh, int edge) {
    List<Integer> ring = new ArrayList<>();
    int start = mesh.cornerOn(edge);
    int c = start;
    do {
      // The side runs from here to the next corner; what fills the hole runs the other way.
      ring.add(mesh.vertexOf(mesh.next(c)));
      c = nextAlongBorder(mesh, c);
      if (ring.size() > mesh.edgeCount()) {
        throw Refusal.because("The border here does not close.", Element.edge(edge));
      }
    } while (c != start);
    if (ring.size() < 3) {
      throw Refusal.because("The hole here has no room for a face.", Element.edge(edge));
    }
    return ring.stream().mapToInt(Integer::intValue).toArray();
  }

  /** Of the border side that leaves c the one before it, round the vertex of c. */
  private static int nextAlongBorder(Mesh mesh, int c) {
    int side = mesh.previous(c);
    while (mesh.uses(mesh.edgeOf(side)) == 2) {
      int other = mesh.nextOnEdge(side);
      if (mesh.vertexOf(other) != mesh.vertexOf(mesh.next(side))) {
        throw Refusal.because(
            "Faces at this border look opposite ways: unify the face directions first.",
            Element.edge(mesh.edgeOf(side)));
      }
      side = mesh.previous(other);
    }
    if (mesh.uses(mesh.edgeOf(side)) != 1) {
      throw Refusal.because(
          "More than two faces meet at the border of this hole.", Element.edge(mesh.edgeOf(side)));
    }
    return side;
  }
}
