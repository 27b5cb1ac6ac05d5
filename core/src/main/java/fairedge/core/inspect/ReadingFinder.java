package fairedge.core.inspect;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import java.util.ArrayList;
import java.util.List;

/**
 * {@code repeated-corner}: a face in which a corner followed itself in the file. {@code
 * unreadable-face}: one that was left out, with its line, at the first of its vertices that are
 * there. Cost: what was odd about the file.
 */
final class ReadingFinder implements Finder {
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
    return new Finding.Told(
        Rule.REPEATED_CORNER,
        List.of(Element.face(oddity.face())),
        Places.onFace(mesh, oddity.face()),
        Places.meanEdge(mesh, oddity.face()),
        new Measure(oddity.line(), Measure.Unit.LINE),
        "Corner repeated in the file",
        "Line " + oddity.line() + " of the file: " + oddity.text() + "; it was read without.");
  }

  private static Finding unreadable(Mesh mesh, Oddity oddity) {
    List<Element> near = oddity.vertices().stream().limit(8).map(Element::vertex).toList();
    Vec3 place =
        near.isEmpty() ? mesh.bounds().centre() : Places.ofVertex(mesh, near.getFirst().id());
    return new Finding.Told(
        Rule.UNREADABLE_FACE,
        near.isEmpty() ? List.of(Element.face(firstFace(mesh))) : near,
        place,
        0,
        new Measure(oddity.line(), Measure.Unit.LINE),
        "Face left out, line " + oddity.line(),
        "The face in line " + oddity.line() + " of the file was left out: " + oddity.text() + ".");
  }

  private static int firstFace(Mesh mesh) {
    int f = 0;
    while (!mesh.hasFace(f)) {
      f++;
    }
    return f;
  }
}
