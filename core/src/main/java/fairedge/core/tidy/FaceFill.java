package fairedge.core.tidy;

import fairedge.core.fill.Strip;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Done;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.TreeSet;

/**
 * Puts faces over chosen border edges, wound like the faces beside them: one face over a closed
 * run, or over an open one of at least two edges, which a new edge closes; a strip of quads between
 * two runs, or two closed ones, of equal length. Cost: the edges.
 */
public final class FaceFill {
  private final Site site;
  private final Mesh mesh;
  private final Map<Integer, Integer> next = new HashMap<>();
  private final TreeSet<Integer> starts = new TreeSet<>();
  private final TreeSet<Integer> ends = new TreeSet<>();
  private int like = Mesh.NONE;

  private record Run(int[] vertices, boolean closed) {}

  private FaceFill(Site site) {
    this.site = site;
    this.mesh = site.mesh();
  }

  /**
   * @throws Refusal.Raised where the edges are no border or tell no face
   */
  public static Done fill(Site site, Collection<Integer> edges) {
    FaceFill fill = new FaceFill(site);
    for (int e : Asked.edges(site, edges)) {
      fill.add(e);
    }
    fill.lay(fill.runs());
    return new Done(List.of(), List.of(), 0);
  }

  private void add(int e) {
    if (mesh.uses(e) != 1) {
      throw Refusal.because(
          "A face can be laid over border edges only: one face lies at each.", Element.edge(e));
    }
    int c = mesh.cornerOn(e);
    int from = mesh.vertexOf(mesh.next(c));
    int to = mesh.vertexOf(c);
    if (next.put(from, to) != null || !ends.add(to)) {
      throw Refusal.because(
          "The chosen edges branch here, or the faces beside look opposite ways.",
          Element.vertex(from));
    }
    starts.add(from);
    like = like == Mesh.NONE ? mesh.faceOf(c) : Math.min(like, mesh.faceOf(c));
  }

  private List<Run> runs() {
    List<Run> runs = new ArrayList<>();
    TreeSet<Integer> heads = new TreeSet<>(starts);
    heads.removeAll(ends);
    for (int head : heads) {
      runs.add(runFrom(head));
    }
    while (!starts.isEmpty()) {
      runs.add(runFrom(starts.first()));
    }
    return runs;
  }

  private Run runFrom(int head) {
    List<Integer> vertices = new ArrayList<>(List.of(head));
    starts.remove(head);
    Integer at = next.get(head);
    while (at != null && at != head) {
      vertices.add(at);
      starts.remove(at);
      at = next.get(at);
    }
    return new Run(vertices.stream().mapToInt(Integer::intValue).toArray(), at != null);
  }

  private void lay(List<Run> runs) {
    if (runs.size() == 1) {
      if (runs.getFirst().vertices().length < 3) {
        throw Refusal.because("One edge tells no face: choose its neighbours, or a run across.");
      }
      Pruning.layFace(site.edit(), runs.getFirst().vertices(), like);
      return;
    }
    Run a = runs.getFirst();
    Run b = runs.getLast();
    if (runs.size() > 2 || a.closed() != b.closed()) {
      throw Refusal.because(
          "The chosen edges make %d runs: choose one, or two to join by a strip."
              .formatted(runs.size()));
    }
    int left = a.vertices().length - (a.closed() ? 0 : 1);
    int right = b.vertices().length - (b.closed() ? 0 : 1);
    if (left != right) {
      throw Refusal.because(
          "One run has %d edges, the other %d: a strip needs as many in both."
              .formatted(left, right));
    }
    if (a.closed()) {
      Strip.betweenRings(site.edit(), a.vertices(), b.vertices(), like);
    } else {
      Strip.betweenRuns(site.edit(), a.vertices(), b.vertices(), like);
    }
  }
}
