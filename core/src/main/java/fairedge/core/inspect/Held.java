package fairedge.core.inspect;

import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Subject;

/**
 * How far the hard edges of a mesh are held by support strips.
 *
 * @param hard how many hard edges there are
 * @param held how many of them have a support strip on one side or both
 */
public record Held(int hard, int held) {
  /** Cost: the edges. */
  static Held of(Subject subject) {
    Mesh mesh = subject.mesh();
    int hard = 0;
    int held = 0;
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && subject.hardEdges().isHard(e)) {
        hard++;
        if (subject.strips().isHeld(e)) {
          held++;
        }
      }
    }
    return new Held(hard, held);
  }
}
