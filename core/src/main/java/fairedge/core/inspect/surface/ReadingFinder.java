package fairedge.core.inspect.surface;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.SurfaceFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.List;

/**
 * {@code repeated-corner}: a face in which a corner followed itself in the file. {@code
 * unreadable-face}: one that was left out, with its line, at the first of its vertices that are
 * there. Cost: what was odd about the file.
 */
public final class ReadingFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    Mesh mesh = subject.mesh();
    List<Finding> found = new ArrayList<>();
    for (Oddity oddity : subject.oddities()) {
      found.add(
          switch (oddity.kind()) {
            case REPEATED_CORNER -> repeated(mesh, oddity);
            case UNREADABLE_FACE -> unreadable(mesh, oddity);
          });
    }
    return found;
  }

  private static Finding repeated(Mesh mesh, Oddity oddity) {
    return new SurfaceFinding.RepeatedCorner(
        Where.atFace(mesh, oddity.face()), oddity.line(), oddity.text());
  }

  private static Finding unreadable(Mesh mesh, Oddity oddity) {
    List<Element> near = oddity.vertices().stream().limit(8).map(Element::vertex).toList();
    Vec3 place =
        near.isEmpty() ? mesh.bounds().centre() : Places.ofVertex(mesh, near.getFirst().id());
    List<Element> elements = near.isEmpty() ? List.of(Element.face(firstFace(mesh))) : near;
    return new SurfaceFinding.UnreadableFace(
        new Where(elements, place, 0), oddity.line(), oddity.text());
  }

  private static int firstFace(Mesh mesh) {
    int f = 0;
    while (!mesh.hasFace(f)) {
      f++;
    }
    return f;
  }
}
