package fairedge.core.inspect.shape;

import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finder;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.ShapeFinding;
import fairedge.core.inspect.finding.Where;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.Surface;
import fairedge.core.survey.Deviation;
import fairedge.core.survey.Places;
import fairedge.core.survey.Say;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Subject;
import java.util.List;

/**
 * {@code moved}: the surface lies farther from the starter's, or that from it, than the exercise
 * allows ({@link Deviation}); compared after the model was put where the starter lies. One finding,
 * with the largest distance, its place and the mean; its element is the face at that place, or,
 * where the starter's surface is what lies far off, the face nearest to it. Cost: n log n.
 */
public final class MovedFinder implements Finder {
  @Override
  public List<Finding> find(Subject subject) {
    Double allowed = subject.wanted().distance();
    Starter starter = subject.starter();
    if (allowed == null || starter == null) {
      return List.of();
    }
    Mesh mesh = subject.mesh();
    Surface own = new Surface(mesh);
    Deviation there = Deviation.of(mesh, own, starter.surface(), allowed);
    Deviation back = Deviation.of(starter.mesh(), starter.surface(), own, allowed);
    boolean isMissing = back.largest() > there.largest();
    Deviation farthest = Deviation.farther(there, back);
    if (farthest.largest() <= allowed) {
      return List.of();
    }
    int face = isMissing ? own.faceOf(own.nearest(back.place(), -1)) : there.face();
    return List.of(told(mesh, face, farthest, isMissing, allowed, there.mean(), back.mean()));
  }

  private static Finding told(
      Mesh mesh,
      int face,
      Deviation farthest,
      boolean isMissing,
      double allowed,
      double mean,
      double meanBack) {
    Vec3 place = isMissing ? Places.onFace(mesh, face) : farthest.place();
    return new ShapeFinding.Moved(
        new Where(List.of(Element.face(face)), place, Places.meanEdge(mesh, face)),
        isMissing,
        farthest.largest(),
        farthest.place(),
        allowed,
        mean,
        meanBack);
  }

  private static String at(Vec3 p) {
    return Say.words("(%.4g, %.4g, %.4g)", p.x(), p.y(), p.z());
  }
}
