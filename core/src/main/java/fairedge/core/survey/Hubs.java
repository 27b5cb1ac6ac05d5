package fairedge.core.survey;

import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Curvature.Bend;
import java.util.Map;
import java.util.concurrent.ConcurrentHashMap;
import org.jspecify.annotations.Nullable;

/**
 * What is told of vertices by the faces at them. Where very many meet, each of them may ask: it is
 * found out once then. May be asked by several threads. Cost of an answer: the faces at the vertex,
 * at a hub only the first time.
 */
public final class Hubs {
  /** Where more edges meet, it is a hub. */
  static final int MANY = 64;

  private final Subject subject;
  private final Map<Integer, Hub> known = new ConcurrentHashMap<>();

  Hubs(Subject subject) {
    this.subject = subject;
  }

  /**
   * What is known of a vertex.
   *
   * @param reach mean edge of the faces at it
   * @param notQuad the lowest face at it that is no quad, or {@link Mesh#NONE}
   */
  private record Hub(double reach, int notQuad, @Nullable Bend bend) {}

  private boolean isHub(int v) {
    return subject.topology().valence(v) > MANY;
  }

  private Hub hub(int v) {
    return known.computeIfAbsent(v, hub -> new Hub(reachOf(hub), notQuadAmong(hub), bendOf(hub)));
  }

  /** The mean edge of the faces at a vertex. */
  public double reachAt(int v) {
    return isHub(v) ? hub(v).reach : reachOf(v);
  }

  private double reachOf(int v) {
    return Places.meanEdge(subject.mesh(), subject.mesh().facesAt(v));
  }

  /** The lowest face at a vertex that is no quad, or {@link Mesh#NONE}. */
  public int notQuadAt(int v) {
    return isHub(v) ? hub(v).notQuad : notQuadAmong(v);
  }

  private int notQuadAmong(int v) {
    for (int f : subject.mesh().facesAt(v)) {
      if (subject.mesh().size(f) != 4) {
        return f;
      }
    }
    return Mesh.NONE;
  }

  /** How the surface bends there; null where that is not known. */
  public @Nullable Bend bendAt(int v) {
    return isHub(v) ? hub(v).bend : bendOf(v);
  }

  private @Nullable Bend bendOf(int v) {
    return Curvature.at(subject.mesh(), subject.shapes(), v);
  }
}
