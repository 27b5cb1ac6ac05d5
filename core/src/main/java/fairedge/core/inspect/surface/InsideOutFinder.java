package fairedge.core.inspect.surface;

import fairedge.core.flow.Parts;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Volume;
import java.util.ArrayList;
import java.util.List;

/**
 * {@code inside-out}: a closed, orientable part of negative volume. Parts without an inside (that
 * can't be oriented, or hold nothing but what rounding makes) are none. Cost: the parts; of those
 * that may be turned inside out the faces.
 */
public final class InsideOutFinder implements Finder {
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
    return new SurfaceFinding.InsideOut(
        new Where(
            List.of(Element.face(faces[0])),
            Places.onFace(mesh, faces[0]),
            Places.meanEdge(mesh, faces)),
        faces.length,
        volume);
  }
}
