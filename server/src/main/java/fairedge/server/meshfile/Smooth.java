package fairedge.server.meshfile;

import fairedge.core.mesh.Mesh;
import fairedge.core.subdivide.CatmullClark;

/** The smooth surface of which a mesh is the cage, refined as far as a browser can draw it. */
public final class Smooth {
  private static final int MOST_FACES = 60_000;
  private static final int MOST_LEVELS = 3;

  private Smooth() {}

  public static Mesh of(Mesh cage) {
    int levels = MOST_LEVELS;
    while (levels > 0 && CatmullClark.faces(cage, levels) > MOST_FACES) {
      levels--;
    }
    return levels == 0 ? cage : CatmullClark.refined(cage, levels).mesh();
  }
}
