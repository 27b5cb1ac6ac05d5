package fairedge.core.inspect.shape;

import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.SegmentGrid;
import fairedge.core.survey.EdgeGroups;
import fairedge.core.survey.LineCover;
import fairedge.core.survey.Places;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Wanted;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Objects;
import java.util.function.Predicate;
import java.util.stream.Stream;
import org.jspecify.annotations.Nullable;

/**
 * {@code one-sided}, where lines are wanted right round: new edges that hang together by shared
 * vertices, and end at a vertex inside the surface, at which no second of them goes on. Wanted so
 * are all where the exercise says it; else those that run along a required line which closes, or
 * lie on lines of the reference that have no such end. One finding a group, on its first end:
 * usually a cut in front that was not led round the back. Cost: the new edges, those of the
 * reference too.
 */
public final class OneSidedFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    if (subject.starter() == null) {
      return List.of();
    }
    Predicate<int[]> isWanted = wantedRound(subject);
    return EdgeGroups.of(subject.mesh(), subject.novelty().edges()).stream()
        .filter(isWanted)
        .map(edges -> open(subject, edges))
        .filter(Objects::nonNull)
        .toList();
  }

  private static Predicate<int[]> wantedRound(Subject subject) {
    if (subject.wanted().rightRound()) {
      return edges -> true;
    }
    List<Wanted.Line> closed =
        subject.wanted().lines().stream()
            .filter(l -> l.points().getFirst().equals(l.points().getLast()))
            .toList();
    SegmentGrid round = linesRound(subject);
    if (closed.isEmpty() && round == null) {
      return edges -> false;
    }
    return edges ->
        Arrays.stream(edges)
            .anyMatch(e ->
                closed.stream().anyMatch(line -> LineCover.runsAlong(subject, e, line))
                    || round != null && isOn(subject.mesh(), e, round));
  }

  private static boolean isOn(Mesh mesh, int e, SegmentGrid lines) {
    return lines.covers(mesh.position(mesh.first(e)), mesh.position(mesh.second(e)));
  }

  /** The reference's own lines that come round; null where there are none. */
  private static @Nullable SegmentGrid linesRound(Subject subject) {
    Mesh reference = subject.reference();
    Starter starter = subject.starter();
    if (reference == null || starter == null) {
      return null;
    }
    BitSet lines = starter.linesOf(reference);
    int[] round =
        EdgeGroups.of(reference, lines).stream()
            .filter(edges -> Arrays.stream(edges).noneMatch(e -> hasEnd(reference, lines, e)))
            .flatMapToInt(Arrays::stream)
            .toArray();
    return round.length == 0 ? null : new SegmentGrid(reference, round, subject.lineDistance());
  }

  private static boolean hasEnd(Mesh mesh, BitSet lines, int e) {
    return isEnd(mesh, lines, mesh.first(e)) || isEnd(mesh, lines, mesh.second(e));
  }

  private static boolean isEnd(Mesh mesh, BitSet lines, int v) {
    int on = 0;
    boolean border = false;
    for (int e : mesh.edgesAt(v)) {
      on += lines.get(e) ? 1 : 0;
      border |= mesh.uses(e) == 1;
    }
    return on == 1 && !border;
  }

  private static @Nullable Finding open(Subject subject, int[] edges) {
    Mesh mesh = subject.mesh();
    BitSet lines = subject.novelty().edges();
    int[] ends =
        Arrays.stream(edges)
            .flatMap(e -> Arrays.stream(new int[] {mesh.first(e), mesh.second(e)}))
            .filter(v -> isEnd(mesh, lines, v))
            .sorted()
            .distinct()
            .toArray();
    if (ends.length == 0) {
      return null;
    }
    return new ShapeFinding.OneSided(
        new Where(
            elements(ends, edges),
            mesh.position(ends[0]),
            Places.meanEdge(mesh, mesh.facesAt(ends[0]))),
        ends.length,
        edges.length);
  }

  /** The ends, then the edges. */
  private static List<Element> elements(int[] ends, int[] edges) {
    return Stream.concat(
            Arrays.stream(ends).mapToObj(Element::vertex),
            Arrays.stream(edges).mapToObj(Element::edge))
        .toList();
  }
}
