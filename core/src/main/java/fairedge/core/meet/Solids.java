package fairedge.core.meet;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import java.util.Collection;

/** Whether faces bound a solid. Cost: the faces. */
final class Solids {
  private Solids() {}

  /**
   * @param which part it is, to begin a sentence with
   * @throws Refusal.Raised with the place where it is open, crowded or wound against itself, or
   *     where it is inside out
   */
  static void require(Mesh mesh, Collection<Integer> faces, String which) {
    double six = 0;
    Vec3 origin = Vec3.ZERO;
    boolean isFirst = true;
    for (int f : faces) {
      int c = mesh.firstCorner(f);
      for (int i = mesh.size(f); i > 0; i--, c = mesh.next(c)) {
        requireSide(mesh, c, which);
      }
      if (isFirst) {
        origin = mesh.position(mesh.vertexOf(c));
        isFirst = false;
      }
      six +=
          mesh.isMeasurable(f)
              ? mesh.polygon(f).newell().dot(mesh.polygon(f).middle().minus(origin))
              : 0;
    }
    if (!(six > 0)) {
      throw Refusal.because(
          which + " is inside out: turn it over first. Its lines alone can be had as it is.",
          Element.face(faces.iterator().next()));
    }
  }

  private static void requireSide(Mesh mesh, int c, String which) {
    int e = mesh.edgeOf(c);
    int uses = mesh.uses(e);
    if (uses == 2 && mesh.vertexOf(mesh.nextOnEdge(c)) != mesh.vertexOf(c)) {
      return;
    }
    String what =
        uses < 2
            ? " is open here"
            : uses > 2
                ? " has more than two faces at this edge"
                : " has faces wound against each other here";
    throw Refusal.because(
        which + what + ": only what is closed can be joined or taken away. Its lines can be had.",
        Element.edge(e));
  }
}
