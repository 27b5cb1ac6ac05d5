package fairedge.core.inspect.surface;

import fairedge.core.flow.Topology;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * {@code flipped}:
 *
 * <ol>
 *   <li>faces that {@code flow.Orientation} would turn (the smaller side of their piece), joined
 *       across two-sided edges to patches: one finding a patch;
 *   <li>a piece that can't be oriented: one finding with its inconsistent edges and no face.
 * </ol>
 *
 * Cost: the mesh; nothing where no edge is inconsistent.
 */
public final class FlippedFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    List<Finding> found = new ArrayList<>();
    flippedPatches(subject, found);
    for (int[] faces : subject.orientation().twisted()) {
      found.add(twisted(subject, faces));
    }
    return found;
  }

  private static void flippedPatches(Subject subject, List<Finding> found) {
    BitSet left = (BitSet) subject.orientation().toTurn().clone();
    for (int f = left.nextSetBit(0); f >= 0; f = left.nextSetBit(f)) {
      List<Integer> patch = takePatch(subject, left, f);
      patch.sort(null);
      int[] faces = patch.stream().mapToInt(Integer::intValue).toArray();
      found.add(
          new SurfaceFinding.Flipped(
              new Where(
                  patch.stream().map(Element::face).toList(),
                  Places.onFace(subject.mesh(), faces[0]),
                  Places.meanEdge(subject.mesh(), faces))));
    }
  }

  private static List<Integer> takePatch(Subject subject, BitSet left, int start) {
    Mesh mesh = subject.mesh();
    List<Integer> patch = new ArrayList<>(List.of(start));
    left.clear(start);
    for (int i = 0; i < patch.size(); i++) {
      int c = mesh.firstCorner(patch.get(i));
      for (int k = mesh.size(patch.get(i)); k > 0; k--) {
        int beyond = mesh.faceOf(mesh.nextOnEdge(c));
        if (subject.topology().uses(mesh.edgeOf(c)) == 2 && left.get(beyond)) {
          left.clear(beyond);
          patch.add(beyond);
        }
        c = mesh.next(c);
      }
    }
    return patch;
  }

  private static Finding twisted(Subject subject, int[] faces) {
    Mesh mesh = subject.mesh();
    Topology topology = subject.topology();
    int[] edges =
        Arrays.stream(faces)
            .flatMap(f -> Arrays.stream(mesh.edges(f)))
            .filter(topology::isInconsistent)
            .sorted()
            .distinct()
            .toArray();
    return new SurfaceFinding.OneSurface(
        new Where(
            Arrays.stream(edges).mapToObj(Element::edge).toList(),
            Places.onEdge(mesh, edges[0]),
            Places.meanEdge(mesh, faces)),
        faces.length);
  }
}
