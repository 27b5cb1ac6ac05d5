package fairedge.core.inspect.vertices;

import fairedge.core.flow.EdgeLoops;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.VerticesFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Anew;
import fairedge.core.survey.LineCover;
import fairedge.core.survey.Strips;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.stream.IntStream;

/**
 * {@code idle-loop}: geometry that does nothing. A loop
 *
 * <ol>
 *   <li>that closes (it is complete, and at no border), all of whose edges are new;
 *   <li>at which the surface turns by the profile's angle (1 degree) or less at every edge;
 *   <li>that crosses nothing that needs it: the edges that cross it run straight on, by the same
 *       angle, at every vertex;
 *   <li>that holds nothing: no quad beside it has, on its other side, a border or an edge at which
 *       the surface turns by over the angle of a hard edge, and is narrower than a quarter of what
 *       lies on the other side of the loop ({@link Strips#holds});
 *   <li>and that no line of the exercise asks for: none runs along an edge of it.
 * </ol>
 *
 * Cost: the edges of closed loops of new edges; of those that do nothing, times the pieces of the
 * lines.
 */
public final class IdleLoopFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    return found(subject, subject.novelty().edges().stream());
  }

  @Override
  public List<Finding> renew(Subject subject, Anew anew, List<Finding> before) {
    EdgeLoops loops = subject.loops();
    IntStream near = Arrays.stream(anew.edges()).filter(subject.novelty()::isNew);
    // All edges of an idle one are new, whichever is asked.
    IntStream others =
        Arrays.stream(anew.loops().sorted())
            .map(loops::someEdgeOf)
            .filter(subject.novelty()::isNew);
    List<Finding> found = new ArrayList<>();
    for (Finding finding : before) {
      int loop = loops.loopOf(firstOf(finding));
      if (!anew.meets(finding.elements()) && loop != Mesh.NONE && !anew.loops().has(loop)) {
        found.add(finding);
      }
    }
    found.addAll(found(subject, IntStream.concat(near, others)));
    found.sort(Comparator.comparingInt(IdleLoopFinder::firstOf));
    return found;
  }

  /** A closed loop is told from its lowest edge on. */
  private static int firstOf(Finding finding) {
    return finding.elements().getFirst().id();
  }

  /** Of the loops through some edges, by their lowest edges. */
  private static List<Finding> found(Subject subject, IntStream edges) {
    EdgeLoops loops = subject.loops();
    return edges
        .map(loops::loopOf)
        .filter(loop -> loop != Mesh.NONE && loops.loop(loop).closed())
        .distinct()
        .mapToObj(loops::edgesOf)
        .sorted(Comparator.comparingInt(along -> along[0]))
        .filter(along -> isIdle(subject, along))
        .map(along -> finding(subject, along))
        .toList();
  }

  private static boolean isIdle(Subject subject, int[] edges) {
    double flat = subject.threshold(Threshold.IDLE_LOOP);
    for (int e : edges) {
      if (!subject.novelty().isNew(e)
          || !(subject.hardEdges().turnAt(e) <= flat)
          || subject.strips().holds(e)
          || !isCrossedStraight(subject, e, subject.mesh().first(e), flat)
          || !isCrossedStraight(subject, e, subject.mesh().second(e), flat)) {
        return false;
      }
    }
    return !isAskedFor(subject, edges);
  }

  private static boolean isAskedFor(Subject subject, int[] edges) {
    return subject.wanted().lines().stream()
        .anyMatch(
            line -> Arrays.stream(edges).anyMatch(e -> LineCover.runsAlong(subject, e, line)));
  }

  /** Whether the two edges that cross the loop at a vertex of four run straight on there. */
  private static boolean isCrossedStraight(Subject subject, int e, int v, double flat) {
    Mesh mesh = subject.mesh();
    int loop = subject.loops().loopOf(e);
    List<Vec3> ways = new ArrayList<>();
    for (int at : mesh.edgesAt(v)) {
      if (subject.loops().loopOf(at) != loop && subject.topology().uses(at) > 0) {
        ways.add(mesh.position(mesh.otherEnd(at, v)).minus(mesh.position(v)));
      }
    }
    return ways.size() == 2 && ways.get(0).times(-1).angleTo(ways.get(1)) <= flat;
  }

  private static Finding finding(Subject subject, int[] edges) {
    return new VerticesFinding.IdleLoop(Where.atEdges(subject.mesh(), edges));
  }
}
