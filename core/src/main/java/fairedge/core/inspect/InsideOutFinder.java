package fairedge.core.inspect;

import fairedge.core.flow.Parts;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;

/**
 * {@code inside-out}: a closed, orientable part of negative volume. Parts without an inside (that
 * can't be oriented, or hold nothing but what rounding makes) are none. Cost: the parts; of those
 * that may be turned inside out the faces.
 */
final class InsideOutFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    List<Parts.Part> doubtful =
        subject.partList().stream()
            .filter(part -> part.closed() && part.orientable())
            .filter(part -> !subject.volumes().isSurelyPositive(part.number()))
            .toList();
    List<Finding> found = new ArrayList<>();
    for (int[] faces : subject.parts().facesOf(doubtful)) {
      Volume volume = Volume.of(subject.mesh(), faces);
      if (volume.isKnown() && volume.cubed() < 0) {
        found.add(finding(subject.mesh(), faces, volume.cubed()));
      }
    }
    return found;
  }

  private static Finding finding(Mesh mesh, int[] faces, double volume) {
    return new Finding.Told(
        Rule.INSIDE_OUT,
        List.of(Element.face(faces[0])),
        Places.onFace(mesh, faces[0]),
        Places.meanEdge(mesh, faces),
        new Measure(volume, Measure.Unit.VOLUME),
        "Part turned inside out",
        String.format(
            Locale.ROOT,
            "All %d faces of this closed part show their backs (its volume is %.4g): turn them.",
            faces.length,
            volume));
  }
}
