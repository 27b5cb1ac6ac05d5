package fairedge.core.inspect.support;

import fairedge.core.flow.Unions;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.RunFinder;
import fairedge.core.inspect.finding.SupportFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Places;
import fairedge.core.survey.Strips;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import java.util.Arrays;
import java.util.List;
import java.util.Map;
import java.util.TreeMap;

/**
 * {@code tight}: quads of support strips ({@link Strips}) that are narrower than the profile's
 * share (0.1 %) of S. Those that share an edge are one finding; its measure is the smallest width.
 * Cost: the faces.
 */
public final class TightFinder extends RunFinder {
  public TightFinder() {
    super(Element.Kind.FACE);
  }

  @Override
  protected boolean isMet(Subject subject, int f) {
    double least = subject.threshold(Threshold.TIGHT) * subject.tolerance().scale();
    return subject.mesh().hasFace(f) && subject.strips().widthOf(f) < least;
  }

  @Override
  protected List<int[]> joined(Subject subject, List<Integer> met) {
    Mesh mesh = subject.mesh();
    Unions strips = new Unions(met.size());
    Map<Integer, Integer> atEdge = new TreeMap<>();
    for (int i = 0; i < met.size(); i++) {
      int c = mesh.firstCorner(met.get(i));
      for (int k = 0; k < 4; k++) {
        Integer before = atEdge.putIfAbsent(mesh.edgeOf(c), i);
        if (before != null) {
          strips.join(i, before);
        }
        c = mesh.next(c);
      }
    }
    return strips.sets().stream()
        .map(strip -> Arrays.stream(strip).map(met::get).toArray())
        .toList();
  }

  @Override
  protected Finding finding(Subject subject, int[] strip) {
    int first = strip[0];
    double width = Arrays.stream(strip).mapToDouble(subject.strips()::widthOf).min().orElse(0);
    return new SupportFinding.Tight(
        new Where(
            Arrays.stream(strip).mapToObj(Element::face).toList(),
            Places.onFace(subject.mesh(), first),
            Places.meanEdge(subject.mesh(), first)),
        width,
        width / subject.tolerance().scale());
  }
}
