package fairedge.core.inspect.vertices;

import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.VertexGrid;
import fairedge.core.survey.Anew;
import fairedge.core.survey.Blocks;
import fairedge.core.survey.Nearby;
import fairedge.core.survey.Pairs;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.Consumer;
import java.util.stream.LongStream;
import org.jspecify.annotations.Nullable;

/**
 * {@code double}:
 *
 * <ol>
 *   <li>every pair of vertices with a place, lone ones too, at the weld distance or less, joined by
 *       an edge or not;
 *   <li>pairs that share a vertex join into one cluster: one finding each, with its number of
 *       pairs.
 * </ol>
 *
 * Vertices are sorted along an oblique direction, so that those of straight and flat forms don't
 * fall together; then each is compared with those that follow it within the weld distance. Cost: n
 * log n, and the pairs that are near along that direction, of which {@value
 * DoubleSearch#MOST_COMPARED} are compared; after them each with the next {@value
 * DoubleSearch#FEW}, and that is said.
 */
public final class DoubleFinder implements Finder {
  /** With more pairs than these, or larger clusters, all are looked for anew after a step. */
  private static final int MOST_KEPT = 100_000;

  private static final int LARGEST_KEPT = 100;

  @Override
  public List<Finding> find(Subject subject) {
    DoubleSearch search =
        new DoubleSearch(subject.mesh(), subject.weld(), SeparateParts.of(subject));
    List<Finding> all = mayHaveAny(subject) ? search.findings() : List.of();
    subject.leaveOut(
        Kind.DOUBLE.key(),
        search.isCutShort(),
        "So many vertices lie in each other's way that not every two of them were compared: there"
            + " are more pairs than were counted.");
    subject.gathered().doubles = pairsOf(subject, all);
    return all;
  }

  /** Most meshes have no two vertices so near to each other: that is soon seen in a grid. */
  private static boolean mayHaveAny(Subject subject) {
    VertexGrid grid = subject.vertexGrid();
    if (grid.isCrowded()) {
      return true;
    }
    Mesh mesh = subject.mesh();
    double weld = subject.weld();
    return !Blocks.search(
            mesh.vertexEnd(),
            (int from, int to, Consumer<Integer> found) -> {
              VertexGrid.Asker asker =
                  grid.asker(
                      weld,
                      (v, w) -> {
                        if (mesh.position(v).distance(mesh.position(w)) <= weld) {
                          found.accept(v);
                        }
                      });
              for (int v = from; v < to; v++) {
                if (mesh.hasVertex(v) && mesh.hasPlace(v)) {
                  asker.aboutVertex(v);
                }
              }
            })
        .isEmpty();
  }

  @Override
  public List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    Pairs known = anew.nearby().known().doubles;
    Pairs renewed = known == null ? null : renewed(subject, anew.nearby(), known);
    if (renewed == null) {
      return find(subject);
    }
    subject.gathered().doubles = renewed;
    return ofPairs(subject, renewed);
  }

  private static List<Finding> ofPairs(Subject subject, Pairs pairs) {
    Mesh mesh = subject.mesh();
    if (pairs.count() == 0) {
      return List.of();
    }
    DoubleClusters clusters =
        new DoubleClusters(
            pairs.stream()
                .flatMap(pair -> LongStream.of(Pairs.first(pair), Pairs.second(pair)))
                .mapToInt(v -> (int) v)
                .sorted()
                .distinct()
                .toArray());
    pairs.stream()
        .forEach(pair -> {
          int v = Pairs.first(pair);
          int w = Pairs.second(pair);
          clusters.join(v, w, mesh.position(v).distance(mesh.position(w)), 1);
        });
    return clusters.findings(mesh);
  }

  /** The pairs of clusters; null where they are too many to be kept. */
  private static @Nullable Pairs pairsOf(Subject subject, List<Finding> clusters) {
    Mesh mesh = subject.mesh();
    SeparateParts separate = SeparateParts.of(subject);
    LongStream.Builder pairs = LongStream.builder();
    long count = 0;
    for (Finding cluster : clusters) {
      int[] members = cluster.elements().stream().mapToInt(Element::id).toArray();
      count += (long) members.length * members.length;
      if (members.length > LARGEST_KEPT || count > MOST_KEPT) {
        return null;
      }
      for (int i = 0; i < members.length; i++) {
        for (int j = i + 1; j < members.length; j++) {
          if (mesh.position(members[i]).distance(mesh.position(members[j])) <= subject.weld()
              && separate.mayBeOne(members[i], members[j])) {
            pairs.add(Pairs.unordered(members[i], members[j]));
          }
        }
      }
    }
    return Pairs.of(pairs.build());
  }

  /**
   * Touched vertices are compared with those near, lone ones too; null where they are so many in
   * one place that all are better looked for.
   */
  private static @Nullable Pairs renewed(Subject subject, Nearby nearby, Pairs before) {
    if (SeparateParts.isAsked(subject)) {
      // Far parts may have been joined by what was touched.
      return null;
    }
    Mesh mesh = subject.mesh();
    IdSet touched = nearby.vertices();
    IdSet near = IdSet.of(nearby.verticesNear(mesh));
    near.addAll(touched.sorted());
    if (subject.topology().apartCount() > 0) {
      near.addAll(subject.topology().verticesApart().stream().toArray());
    }
    int[] vertices =
        Arrays.stream(near.sorted()).filter(v -> mesh.hasVertex(v) && mesh.hasPlace(v)).toArray();
    double[] along = new double[vertices.length];
    Integer[] order = new Integer[vertices.length];
    for (int i = 0; i < vertices.length; i++) {
      along[i] = mesh.position(vertices[i]).dot(DoubleSearch.OBLIQUE);
      order[i] = i;
    }
    Arrays.sort(order, Comparator.comparingDouble(i -> along[i]));
    // Rounding along the direction must not part what is near.
    double window = subject.weld() + 1e-12 * subject.tolerance().scale();
    List<Long> anew = new ArrayList<>();
    for (int i = 0; i < order.length; i++) {
      int v = vertices[order[i]];
      for (int j = i + 1; j < order.length; j++) {
        int w = vertices[order[j]];
        if (along[order[j]] - along[order[i]] > window) {
          break;
        }
        if ((touched.has(v) || touched.has(w))
            && mesh.position(v).distance(mesh.position(w)) <= subject.weld()) {
          anew.add(Pairs.unordered(v, w));
          if (anew.size() > MOST_KEPT) {
            return null;
          }
        }
      }
    }
    return before.renewed(
        pair ->
            !touched.has(Pairs.first(pair))
                && !touched.has(Pairs.second(pair))
                && mesh.hasVertex(Pairs.first(pair))
                && mesh.hasVertex(Pairs.second(pair)),
        anew.stream().mapToLong(Long::longValue));
  }
}
