package fairedge.core.inspect.support;

import fairedge.core.flow.Unions;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SupportFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.HardEdges;
import fairedge.core.survey.Patches;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * {@code no-collar}: a hard-edged hole, boss or cut-out that no closed ring of quads goes round.
 *
 * <ol>
 *   <li>Its outline is a closed run of hard edges ({@link HardEdges}), all of whose faces on one
 *       side lie in one flat patch ({@link Patches}), while those on the other do not: at each of
 *       its vertices exactly two such edges of the patch meet.
 *   <li>The patch lies round it: with the patch to its left, the outline winds against the patch's
 *       front.
 *   <li>The faces of the patch at the outline are not all quads through which one closed ring
 *       passes alongside.
 * </ol>
 *
 * One finding an outline. Cost: the hard edges.
 */
public final class NoCollarFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    List<Finding> found = new ArrayList<>();
    for (int[] corners : outlines(subject)) {
      if (isHole(subject, corners) && !hasCollar(subject, corners)) {
        found.add(finding(subject, corners));
      }
    }
    return found;
  }

  /** The closed outlines of patches, by the corners whose sides they are. */
  private static List<int[]> outlines(Subject subject) {
    Mesh mesh = subject.mesh();
    List<Integer> sides = sides(subject);
    Unions joined = new Unions(sides.size());
    Map<Long, List<Integer>> ends = new TreeMap<>();
    for (int i = 0; i < sides.size(); i++) {
      int c = sides.get(i);
      long patch = (long) subject.patches().of(mesh.faceOf(c)) << 32;
      for (int v : new int[] {mesh.vertexOf(c), mesh.vertexOf(mesh.next(c))}) {
        List<Integer> there = ends.computeIfAbsent(patch | v, k -> new ArrayList<>());
        there.add(i);
        joined.join(i, there.getFirst());
      }
    }
    BitSet open = new BitSet();
    ends.values().stream()
        .filter(there -> there.size() != 2)
        .forEach(there -> open.set(joined.rootOf(there.getFirst())));
    return joined.sets().stream()
        .filter(outline -> !open.get(outline[0]))
        .map(outline -> Arrays.stream(outline).map(sides::get).toArray())
        .toList();
  }

  /** The corners whose sides are hard edges at which their patch ends. */
  private static List<Integer> sides(Subject subject) {
    Mesh mesh = subject.mesh();
    Patches patches = subject.patches();
    List<Integer> sides = new ArrayList<>();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && subject.hardEdges().isHard(e)) {
        int c = mesh.firstSideOn(e);
        int d = mesh.nextOnEdge(c);
        if (patches.of(mesh.faceOf(c)) != patches.of(mesh.faceOf(d))) {
          sides.add(c);
          sides.add(d);
        }
      }
    }
    return sides;
  }

  private static boolean isHole(Subject subject, int[] corners) {
    Mesh mesh = subject.mesh();
    Vec3 from = mesh.position(mesh.vertexOf(corners[0]));
    Vec3 area = Vec3.ZERO;
    for (int c : corners) {
      Vec3 a = mesh.position(mesh.vertexOf(c)).minus(from);
      Vec3 b = mesh.position(mesh.vertexOf(mesh.next(c))).minus(from);
      area = area.plus(a.cross(b));
    }
    return area.dot(subject.patches().front(mesh.faceOf(corners[0]))) < 0;
  }

  private static boolean hasCollar(Subject subject, int[] corners) {
    Mesh mesh = subject.mesh();
    int collar = Mesh.NONE;
    for (int c : corners) {
      int f = mesh.faceOf(c);
      if (mesh.size(f) != 4) {
        return false;
      }
      // Alongside runs the ring that crosses the sides next to this one.
      int ring = subject.rings().ringAcross(mesh.next(c));
      if (collar != Mesh.NONE && ring != collar) {
        return false;
      }
      collar = ring;
    }
    return collar != Mesh.NONE && subject.rings().ring(collar).closed();
  }

  private static Finding finding(Subject subject, int[] corners) {
    int[] edges = Arrays.stream(corners).map(subject.mesh()::edgeOf).sorted().toArray();
    return new SupportFinding.NoCollar(Where.atEdges(subject.mesh(), edges));
  }
}
