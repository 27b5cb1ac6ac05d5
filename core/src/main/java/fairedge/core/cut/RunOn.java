package fairedge.core.cut;

import fairedge.core.flow.Stop;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.HashMap;
import java.util.HashSet;
import java.util.LinkedHashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.Set;
import org.jspecify.annotations.Nullable;

/**
 * Cuts lines on from places on edges, across the rings of those edges, until they meet another
 * place from which a line is to run, come back, or stop at a border or a face that is no quad,
 * which gains a corner then. Between two places from which lines run towards each other the share
 * of the edges changes evenly; else it stays. The lines are cut at once, so where they cross they
 * share a vertex. Cost: the rings.
 */
public final class RunOn {
  private static final int MOST_VERTICES = 200_000;

  /** A place on an edge, told from one of its ends. */
  public record Place(int edge, int end) {}

  /**
   * A line that is to run.
   *
   * @param distance from the place's end along the edge
   * @param side the corner whose leaving side the line comes from: it runs into the other faces
   */
  public record Start(Place place, double distance, int side) {}

  /** A line within a face between two places on its edges. */
  public record Across(int face, Place from, Place to) {}

  /**
   * What was cut.
   *
   * @param parts by edge that was divided what it is in now, from its first vertex on
   */
  public record Ran(Map<Integer, List<Integer>> parts, List<Remark> remarks) {}

  private record Key(int face, Node.OnEdge from, Node.OnEdge to) {}

  private final Site site;
  private final Mesh mesh;

  /** The shares from their ends of all places from which lines run. */
  private final Map<Place, Double> wanted = new LinkedHashMap<>();

  private final List<Chord> chords = new ArrayList<>();
  private final Set<Key> known = new HashSet<>();
  private final Map<Integer, Polygon.@Nullable Flat> narrow = new HashMap<>();
  private final List<Node.OnEdge> alone = new ArrayList<>();
  private final List<Remark> remarks = new ArrayList<>();

  /** From edge to edge, of all lines together. */
  private int steps;

  private RunOn(Site site) {
    this.site = site;
    this.mesh = site.mesh();
  }

  /**
   * @throws Refusal.Raised where a line leaves a face that is not convex, or two lines would pass
   *     each other on an edge
   */
  public static Ran cut(Site site, List<Start> starts, List<Across> within) {
    RunOn all = new RunOn(site);
    all.place(starts);
    within.forEach(all::lay);
    starts.forEach(all::run);
    return all.cut();
  }

  /** Only puts the vertices in from which lines would run: the faces there gain corners. */
  public static Ran mark(Site site, List<Start> starts) {
    RunOn all = new RunOn(site);
    all.place(starts);
    starts.forEach(start -> all.alone.add(all.node(start.place(), all.share(start.place()))));
    return all.cut();
  }

  private void place(List<Start> starts) {
    Map<Place, List<Double>> asked = new LinkedHashMap<>();
    for (Start start : starts) {
      int e = start.place().edge();
      double share = start.distance() / mesh.length(e);
      asked.computeIfAbsent(start.place(), p -> new ArrayList<>()).add(share);
    }
    double merge = site.merge();
    asked.forEach((place, shares) -> {
      double mean = shares.stream().mapToDouble(Double::doubleValue).average().orElse(0);
      double least = merge / mesh.length(place.edge());
      if (!(mean > least && mean < 1 - least)) {
        throw Refusal.because(
            "A line would lie past the end of this edge.", Element.edge(place.edge()));
      }
      wanted.put(place, mean);
    });
    wanted.forEach((place, share) -> {
      int other = mesh.otherEnd(place.edge(), place.end());
      Double beyond = wanted.get(new Place(place.edge(), other));
      if (beyond != null && share + beyond > 1 - merge / mesh.length(place.edge())) {
        throw Refusal.because(
            "Lines from both ends of this edge would meet or pass each other.",
            Element.edge(place.edge()));
      }
    });
  }

  private Node.OnEdge node(Place place, double share) {
    int e = place.edge();
    double t = mesh.first(e) == place.end() ? share : 1 - share;
    return new Node.OnEdge(e, t, mesh.along(e, t));
  }

  private double share(Place place) {
    return Objects.requireNonNull(wanted.get(place));
  }

  private void lay(Across across) {
    add(
        across.face(),
        node(across.from(), share(across.from())),
        node(across.to(), share(across.to())));
  }

  private void add(int face, Node.OnEdge from, Node.OnEdge to) {
    if (from.equals(to)) {
      throw Refusal.because("A face on the way touches itself.", Element.face(face));
    }
    if (!known.add(new Key(face, from, to)) || !known.add(new Key(face, to, from))) {
      return;
    }
    chords.add(new Chord(face, from, to));
    if (chords.size() > MOST_VERTICES) {
      throw Refusal.because("So long lines are too much at once.", Element.face(face));
    }
    Polygon.Flat flat = narrow.computeIfAbsent(face, f -> ChordRoom.unlessConvex(mesh, f));
    if (flat != null && !ChordRoom.isInside(flat, from.at(), to.at())) {
      throw Refusal.because("This face is not convex: a line would leave it.", Element.face(face));
    }
  }

  /** Where a line goes: the places, and the faces between each two of them. */
  private record Way(List<Place> places, List<Integer> faces, boolean isMet) {}

  private void run(Start start) {
    Way way = way(start);
    int last = way.places().size() - 1;
    if (last == 0) {
      alone.add(node(start.place(), share(start.place())));
      return;
    }
    double from = share(start.place());
    double to = way.isMet() ? share(way.places().get(last)) : from;
    for (int i = 0; i < last; i++) {
      add(
          way.faces().get(i),
          node(way.places().get(i), i == 0 ? from : between(from, to, i, last)),
          node(way.places().get(i + 1), i + 1 == last ? to : between(from, to, i + 1, last)));
    }
  }

  private static double between(double from, double to, int step, int steps) {
    return from == to ? from : from + (to - from) * step / steps;
  }

  private Way way(Start start) {
    List<Place> places = new ArrayList<>(List.of(start.place()));
    List<Integer> faces = new ArrayList<>();
    int side = start.side();
    Place at = start.place();
    double share = share(at);
    while (true) {
      int e = at.edge();
      if (mesh.uses(e) != 2) {
        stop(mesh.uses(e) == 1 ? Stop.border(e) : Stop.crowded(e), at, share, places.size());
        return new Way(places, faces, false);
      }
      int c = mesh.nextOnEdge(side);
      int f = mesh.faceOf(c);
      if (mesh.size(f) != 4) {
        stop(Stop.face(e, f, mesh.size(f)), at, share, places.size());
        return new Way(places, faces, false);
      }
      int opposite = mesh.next(mesh.next(c));
      int end =
          at.end() == mesh.vertexOf(c)
              ? mesh.vertexOf(mesh.next(opposite))
              : mesh.vertexOf(opposite);
      at = new Place(mesh.edgeOf(opposite), end);
      faces.add(f);
      places.add(at);
      if (wanted.containsKey(at)) {
        return new Way(places, faces, true);
      }
      if (++steps > MOST_VERTICES) {
        throw Refusal.because("So long lines are too much at once.", Element.face(f));
      }
      side = opposite;
    }
  }

  private void stop(Stop stop, Place at, double share, int passed) {
    Vec3 place = node(at, share).at();
    Element here =
        stop.cause() == Stop.Cause.TRIANGLE || stop.cause() == Stop.Cause.NGON
            ? Element.face(stop.face())
            : Element.edge(at.edge());
    String text =
        switch (stop.cause()) {
          case BORDER -> passed == 1 ? "A line ends at a border." : "A line runs out at a border.";
          case CROWDED -> "A line stops at an edge where more than two faces meet.";
          default ->
              "A line stops at a face of %d sides, which gains a corner.".formatted(stop.sides());
        };
    remarks.add(new Remark(text, here, place, stop.cause()));
  }

  private Ran cut() {
    EdgeSplitter splitter = new FaceCutter(site.edit(), site.merge()).cut(chords, alone);
    return new Ran(splitter.parts(), remarks);
  }
}
