package fairedge.core.form;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Chosen;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Collection;
import java.util.Comparator;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeMap;
import org.jspecify.annotations.Nullable;

/**
 * Lays a strip of quads to chosen border edges: onwards in the planes of their faces, along their
 * normals, or in a direction. Edges that follow one another round the same faces share their
 * corner, which moves both lines by the distance (a mitre); a run's ends go straight. The quads
 * wind as the faces do and take their labels; nothing that was there moves. Cost: the edges, and
 * the faces at their ends.
 */
public final class ExtrudeEdges {
  private static final int MOST_SEGMENTS = 1000;
  private static final long MOST_QUADS = 2_000_000;

  /**
   * A corner moves by this share of the distance at least, or its edges pull against each other.
   */
  private static final double MOVES = 1e-6;

  /** Which way the edges go. */
  public enum BrimWay {
    /** On in the planes of their faces. */
    ONWARDS,
    /** Along the normals of their faces. */
    NORMAL,
    /** Along a direction. */
    DIRECTION
  }

  /**
   * How.
   *
   * @param direction with {@link BrimWay#DIRECTION}; its length has no say
   * @param distance in the unit of the mesh; negative goes the other way
   * @param segments quads from an edge to where it comes to lie
   */
  public record Brim(BrimWay way, @Nullable Vec3 direction, double distance, int segments) {
    public Brim {
      Objects.requireNonNull(way, "way");
    }
  }

  /** Where a run turns: a vertex, as the faces between its two border edges have it. */
  private record Turning(int vertex, int edge) {
    static final Comparator<Turning> ORDER =
        Comparator.comparingInt(Turning::vertex).thenComparingInt(Turning::edge);
  }

  /** A chosen edge as its face goes along it. */
  private record Side(int edge, int face, int from, int to, Turning start, Turning end) {}

  private final MeshEdit edit;
  private final Mesh mesh;
  private final Brim brim;
  private final List<Side> sides = new ArrayList<>();
  private final Map<Turning, Even> pulls = new TreeMap<>(Turning.ORDER);
  private final Map<Turning, Vec3> moves = new TreeMap<>(Turning.ORDER);
  private final Map<Turning, int[]> levels = new TreeMap<>(Turning.ORDER);
  private final List<Remark> remarks = new ArrayList<>();

  private ExtrudeEdges(Site site, Brim brim) {
    this.edit = site.edit();
    this.mesh = site.mesh();
    this.brim = brim;
  }

  /**
   * @throws Refusal.Raised where an edge is in no face or between two, and where it can't be, with
   *     the element and, where a distance does not fit, the bound
   */
  public static Done extrude(Site site, Collection<Integer> edges, Brim brim) {
    Collection<Integer> chosen = Asked.edges(site, edges);
    requireSound(brim, chosen.size());
    return new ExtrudeEdges(site, brim).extrude(chosen);
  }

  private static void requireSound(Brim brim, int edges) {
    if (!Double.isFinite(brim.distance())) {
      throw Refusal.because("The distance is told by a number.");
    }
    if (brim.distance() == 0) {
      throw Refusal.because("A distance of 0 would lay the strip into nothing.");
    }
    if (brim.segments() < 1 || brim.segments() > MOST_SEGMENTS) {
      throw Refusal.because("There are 1 to %d segments.".formatted(MOST_SEGMENTS));
    }
    if ((long) brim.segments() * edges > MOST_QUADS) {
      throw Refusal.because("So many edges in so many segments are too many at once.");
    }
    Vec3 direction = brim.direction();
    if (brim.way() == BrimWay.DIRECTION
        && (direction == null || direction.unit().equals(Vec3.ZERO))) {
      throw Refusal.because("Say in which direction.");
    }
  }

  private Done extrude(Collection<Integer> chosen) {
    chosen.forEach(e -> sides.add(side(e)));
    sides.forEach(this::pull);
    pulls.forEach(this::decide);
    sides.forEach(this::requireRoom);
    moves.forEach((turning, move) -> levels.put(turning, vertices(turning.vertex(), move)));
    List<Integer> ends = new ArrayList<>();
    sides.forEach(side -> ends.add(lay(side)));
    return new Done(List.of(), remarks, 0, new Chosen(List.of(), ends, List.of()));
  }

  private Side side(int e) {
    if (mesh.uses(e) != 1) {
      throw Refusal.because(
          mesh.uses(e) == 0
              ? "This edge is in no face: a strip goes on from a face."
              : "This edge is between faces: only border edges get a strip.",
          Element.edge(e));
    }
    int c = mesh.cornerOn(e);
    int face = mesh.faceOf(c);
    int from = mesh.vertexOf(c);
    int to = mesh.vertexOf(mesh.next(c));
    if (!mesh.isMeasurable(face) || mesh.position(from).equals(mesh.position(to))) {
      throw Refusal.because(
          "This edge or its face has no size that a strip could follow.", Element.edge(e));
    }
    return new Side(e, face, from, to, turning(from, e, c), turning(to, e, c));
  }

  private Turning turning(int v, int e, int side) {
    int end = acrossFaces(v, side);
    return new Turning(v, mesh.uses(end) == 1 ? Math.min(e, end) : e);
  }

  /** From a side on through the faces that hang together about its end v, to where they stop. */
  private int acrossFaces(int v, int side) {
    int at = side;
    while (true) {
      int other = mesh.vertexOf(at) == v ? mesh.previous(at) : mesh.next(at);
      int e = mesh.edgeOf(other);
      if (mesh.uses(e) != 2) {
        return e;
      }
      at = mesh.nextOnEdge(other);
    }
  }

  private void pull(Side side) {
    Vec3 normal = mesh.polygon(side.face()).newell().unit();
    Vec3 along = mesh.position(side.to()).minus(mesh.position(side.from())).unit();
    Vec3 plane = brim.way() == BrimWay.ONWARDS ? along.cross(normal).unit() : normal;
    if (plane.equals(Vec3.ZERO)) {
      throw Refusal.because(
          "This face has no normal that a strip could follow.", Element.face(side.face()));
    }
    for (Turning turning : List.of(side.start(), side.end())) {
      pulls.computeIfAbsent(turning, t -> new Even()).plane(plane, brim.distance(), 1);
    }
  }

  private void decide(Turning turning, Even pull) {
    double distance = Math.abs(brim.distance());
    Vec3 move =
        brim.way() == BrimWay.DIRECTION
            ? Objects.requireNonNull(brim.direction()).unit().times(brim.distance())
            : pull.move();
    if (move.length() < MOVES * distance) {
      throw Refusal.because(
          "The edges that meet here pull against each other.", Element.vertex(turning.vertex()));
    }
    if (move.length() > Even.FARTHEST * distance) {
      remarks.add(
          new Remark(
              "The edges meet so sharply here that it goes %.0f distances only."
                  .formatted(Even.FARTHEST),
              Element.vertex(turning.vertex()),
              mesh.position(turning.vertex()),
              null));
      move = move.unit().times(Even.FARTHEST * distance);
    }
    moves.put(turning, move);
  }

  /** No edge may lose its length on the way; how far it goes until then follows by itself. */
  private void requireRoom(Side side) {
    Vec3 edge = mesh.position(side.to()).minus(mesh.position(side.from()));
    Vec3 grows = move(side.end()).minus(move(side.start()));
    double left = edge.dot(edge) + grows.dot(edge);
    if (left <= 0) {
      double bound = -edge.dot(edge) / grows.dot(edge) * Math.abs(brim.distance());
      throw Refusal.because(
          String.format(
              Locale.ROOT,
              "This edge would lose its length: there is room for less than %.4g.",
              bound),
          Element.edge(side.edge()));
    }
  }

  private Vec3 move(Turning turning) {
    return Objects.requireNonNull(moves.get(turning));
  }

  private int[] vertices(int v, Vec3 move) {
    int[] all = new int[brim.segments() + 1];
    all[0] = v;
    for (int level = 1; level <= brim.segments(); level++) {
      double share = (double) level / brim.segments();
      all[level] = edit.makeVertex(mesh.position(v).plus(move.times(share)));
    }
    return all;
  }

  /** The quads of an edge, and the edge where they end. */
  private int lay(Side side) {
    int[] from = Objects.requireNonNull(levels.get(side.start()));
    int[] to = Objects.requireNonNull(levels.get(side.end()));
    for (int level = 1; level <= brim.segments(); level++) {
      int[] quad = {to[level - 1], from[level - 1], from[level], to[level]};
      Pruning.layFace(edit, quad, side.face());
    }
    return mesh.findEdge(from[brim.segments()], to[brim.segments()]);
  }
}
