package fairedge.core.inspect.flow;

import fairedge.core.inspect.finding.ElementFinder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.FlowFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Subject;
import java.util.Arrays;
import java.util.BitSet;
import java.util.function.Consumer;

/**
 * {@code ring-stop}: a triangle or n-gon at which open rings end: beyond a two-sided edge of it
 * lies a quad. One finding a face, with how many rings. Cost: the sides of faces that are no quads.
 */
public final class RingStopFinder extends ElementFinder {
  public RingStopFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  protected BitSet candidates(Subject subject) {
    return subject.otherThanQuads().all();
  }

  @Override
  protected void look(Subject subject, int f, Consumer<Finding> found) {
    Mesh mesh = subject.mesh();
    if (!mesh.hasFace(f) || mesh.size(f) == 4) {
      return;
    }
    int stopped = ringsStopped(subject, f);
    if (stopped > 0) {
      found.accept(new FlowFinding.RingStop(Where.atFace(mesh, f), mesh.size(f), stopped));
    }
  }

  /** A ring may stop at several sides. */
  private static int ringsStopped(Subject subject, int f) {
    Mesh mesh = subject.mesh();
    int[] rings = new int[mesh.size(f)];
    int count = 0;
    int c = mesh.firstCorner(f);
    for (int i = 0; i < rings.length; i++) {
      int beyond = mesh.nextOnEdge(c);
      if (subject.topology().uses(mesh.edgeOf(c)) == 2 && mesh.size(mesh.faceOf(beyond)) == 4) {
        rings[count++] = subject.rings().ringAcross(beyond);
      }
      c = mesh.next(c);
    }
    return (int) Arrays.stream(rings, 0, count).distinct().count();
  }
}
