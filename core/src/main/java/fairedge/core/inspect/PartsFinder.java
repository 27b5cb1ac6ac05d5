package fairedge.core.inspect;

import fairedge.core.flow.Parts;
import fairedge.core.mesh.Element;
import java.util.Comparator;
import java.util.List;

/**
 * {@code parts}: another number of parts (faces joined through shared edges) than the exercise
 * expects. One finding about the whole mesh; its elements are a face of each part but the largest,
 * {@value #NAMED} at the most; it stands on the smallest. Cost: the parts.
 */
final class PartsFinder implements Finder {
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
        new Finding.Told(
            Rule.PARTS,
            bySize.stream().limit(shown).map(p -> Element.face(p.first())).toList(),
            Places.onFace(subject.mesh(), first),
            Places.meanEdge(subject.mesh(), first),
            new Measure(parts.size(), Measure.Unit.PARTS),
            Tell.count(parts.size(), "part", "parts") + " instead of " + wanted,
            "The exercise asks for "
                + Tell.count(wanted, "part", "parts")
                + ", and this mesh has "
                + parts.size()
                + ": "
                + (parts.size() > wanted
                    ? "somewhere it is cut right apart, or something lies beside it."
                    : "what should be separate is joined by an edge.")
                + " This is about the whole mesh."));
  }
}
