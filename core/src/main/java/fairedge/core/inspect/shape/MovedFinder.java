package fairedge.core.inspect.shape;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.VertexRow;
import fairedge.core.survey.Deviation;
import fairedge.core.survey.Places;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.stream.IntStream;

/**
 * {@code moved}: the surface lies farther from the starter's, or that from it, than the exercise
 * allows ({@link Deviation}); compared after the model was put where the starter lies. One finding,
 * with the largest distance, its place and the mean; its element is the face at that place, or,
 * where the starter's surface is what lies far off, the face nearest to it. And each place that is
 * held, and has no vertex of a face within 1e-4 S: told of the nearest there is. Cost: n log n.
 */
public final class MovedFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    List<Finding> found = new ArrayList<>();
    Double allowed = subject.wanted().distance();
    subject
        .deviation()
        .filter(d -> allowed != null && d.farther().largest() > allowed)
        .ifPresent(d -> found.add(told(subject.mesh(), d, Objects.requireNonNull(allowed))));
    found.addAll(left(subject));
    return found;
  }

  private static Finding told(Mesh mesh, Deviation.Both both, double allowed) {
    Deviation farthest = both.farther();
    Vec3 place = both.isMissing() ? Places.onFace(mesh, both.face()) : farthest.place();
    return new ShapeFinding.Moved(
        new Where(List.of(Element.face(both.face())), place, Places.meanEdge(mesh, both.face())),
        both.isMissing(),
        farthest.largest(),
        farthest.place(),
        allowed,
        both.there().mean(),
        both.back().mean());
  }

  /** The held places at which no vertex is, in their order. */
  private static List<Finding> left(Subject subject) {
    double near = subject.toleranceHere().flat();
    // Mostly a vertex is where the starter has it: only for others all are looked at.
    List<Vec3> bare =
        subject.wanted().held().stream().filter(p -> !isWhereItWas(subject, p, near)).toList();
    if (bare.isEmpty()) {
      return List.of();
    }
    Mesh mesh = subject.mesh();
    VertexRow vertices =
        new VertexRow(
            mesh, IntStream.range(0, mesh.vertexEnd()).filter(v -> isInFace(subject, v)).toArray());
    List<Finding> found = new ArrayList<>();
    for (Vec3 place : bare) {
      int v = vertices.nearest(place);
      if (v != Mesh.NONE && mesh.position(v).distance(place) > near) {
        found.add(
            new ShapeFinding.LeftPlace(
                Where.atVertex(mesh, v), place, mesh.position(v).distance(place)));
      }
    }
    return found;
  }

  private static boolean isWhereItWas(Subject subject, Vec3 place, double near) {
    Starter starter = subject.starter();
    int v = starter == null ? Mesh.NONE : starter.vertexAt(place);
    return v != Mesh.NONE
        && v < subject.mesh().vertexEnd()
        && isInFace(subject, v)
        && subject.mesh().position(v).distance(place) <= near;
  }

  private static boolean isInFace(Subject subject, int v) {
    Mesh mesh = subject.mesh();
    if (!mesh.hasVertex(v) || !mesh.hasPlace(v)) {
      return false;
    }
    for (int e : mesh.edgesAt(v)) {
      if (subject.topology().uses(e) > 0) {
        return true;
      }
    }
    return false;
  }
}
