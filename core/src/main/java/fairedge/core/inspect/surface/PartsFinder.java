package fairedge.core.inspect.surface;

import fairedge.core.flow.Parts;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import java.util.Comparator;
import java.util.List;

/**
 * {@code parts}: another number of parts (faces joined through shared edges) than the exercise
 * expects. One finding about the whole mesh; its elements are a face of each part but the largest,
 * {@value #NAMED} at the most; it stands on the smallest. Cost: the parts.
 */
public final class PartsFinder implements Finder {
  private static final int NAMED = 100;

  @Override
  public List<Finding> find(Subject subject) {
    Integer wanted = subject.wanted().parts();
    if (wanted == null || subject.parts().count() == wanted) {
      return List.of();
    }
    List<Parts.Part> parts = subject.partList();
    List<Parts.Part> bySize =
        parts.stream().sorted(Comparator.comparingInt(Parts.Part::faces)).toList();
    int shown = Math.max(1, Math.min(NAMED, parts.size() - 1));
    int first = bySize.getFirst().first();
    return List.of(
        new SurfaceFinding.OtherParts(
            new Where(
                bySize.stream().limit(shown).map(p -> Element.face(p.first())).toList(),
                Places.onFace(subject.mesh(), first),
                Places.meanEdge(subject.mesh(), first),
                true),
            parts.size(),
            wanted));
  }
}
