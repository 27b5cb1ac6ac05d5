package fairedge.core.inspect.finding;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Places;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.List;

/**
 * Of what a finding is told, and where.
 *
 * @param elements the first of them name it
 * @param place where its mark stands
 * @param reach the mean length of the edges of its faces
 * @param isWhole whether it is about the whole mesh, and stands somewhere
 */
public record Where(List<Element> elements, Vec3 place, double reach, boolean isWhole) {
  public Where(List<Element> elements, Vec3 place, double reach) {
    this(elements, place, reach, false);
  }

  public static Where atFace(Mesh mesh, int f) {
    return new Where(List.of(Element.face(f)), Places.onFace(mesh, f), Places.meanEdge(mesh, f));
  }

  /** The mark stands on one of them. */
  public static Where atFaces(Mesh mesh, Iterable<Integer> faces, int marked) {
    List<Element> elements = new ArrayList<>();
    faces.forEach(f -> elements.add(Element.face(f)));
    return new Where(
        List.copyOf(elements), Places.onFace(mesh, marked), Places.meanEdge(mesh, marked));
  }

  public static Where atEdge(Mesh mesh, int e) {
    return atEdges(mesh, e);
  }

  /** Along edges; the mark stands at the one in their middle. */
  public static Where atEdges(Mesh mesh, int... edges) {
    int middle = edges[edges.length / 2];
    return new Where(
        Arrays.stream(edges).mapToObj(Element::edge).toList(),
        Places.onEdge(mesh, middle),
        Places.meanEdge(mesh, mesh.facesOn(middle)));
  }

  public static Where atVertex(Mesh mesh, int v) {
    return new Where(
        List.of(Element.vertex(v)),
        Places.ofVertex(mesh, v),
        Places.meanEdge(mesh, mesh.facesAt(v)));
  }

  /** About the whole mesh; its mark stands on the first face. */
  public static Where whole(Subject subject) {
    int first = 0;
    while (!subject.mesh().hasFace(first)) {
      first++;
    }
    return atFace(subject.mesh(), first).asWhole();
  }

  /** The same, about the whole mesh. */
  public Where asWhole() {
    return new Where(elements, place, reach, true);
  }
}
