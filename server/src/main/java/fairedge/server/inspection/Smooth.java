package fairedge.server.inspection;

import fairedge.core.format.wire.SurfaceMessage;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.subdivide.CatmullClark;
import fairedge.server.platform.Problem;
import org.jspecify.annotations.Nullable;

/** The smooth surface of which a mesh is the cage, refined as far as a browser can draw it. */
final class Smooth {
  private static final int MOST_LEVELS = 4;
  private static final int USUAL_LEVELS = 3;

  /** What is drawn without a thought, and what a browser can still hold. */
  private static final int USUAL_QUADS = 60_000;

  private static final int MOST_QUADS = 2_000_000;

  private Smooth() {}

  static byte[] message(Mesh cage, Vec3 origin, @Nullable Integer level) {
    int highest = highest(cage, MOST_LEVELS, MOST_QUADS);
    if (highest == 0) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT,
          "This mesh has more quads when it is subdivided once than a page can show: "
              + CatmullClark.faces(cage, 1)
              + ", and "
              + MOST_QUADS
              + " can be.");
    }
    if (level != null && (level < 1 || level > highest)) {
      throw Problem.of(
          Problem.Kind.BAD_INPUT, "The levels of this mesh that can be shown are 1 to " + highest);
    }
    int shown = level == null ? Math.max(1, highest(cage, USUAL_LEVELS, USUAL_QUADS)) : level;
    return SurfaceMessage.of(CatmullClark.refined(cage, shown), origin, highest);
  }

  private static int highest(Mesh cage, int levels, int quads) {
    int highest = levels;
    while (highest > 0 && CatmullClark.faces(cage, highest) > quads) {
      highest--;
    }
    return highest;
  }
}
