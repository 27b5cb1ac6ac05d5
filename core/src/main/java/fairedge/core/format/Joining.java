package fairedge.core.format;

import java.util.HashMap;
import java.util.Map;

/**
 * Joins vertices that a format keeps apart although they are one: those whose three numbers are the
 * same. Those without a place stay apart.
 */
public final class Joining {
  private final Assembly assembly;
  private final Map<Place, Integer> known = new HashMap<>();
  private int joined;

  private record Place(double x, double y, double z) {}

  public Joining(Assembly assembly) {
    this.assembly = assembly;
  }

  /** The vertex at a place, added if there is none yet. */
  public int vertex(double x, double y, double z, int line) throws BadFile {
    if (!Double.isFinite(x) || !Double.isFinite(y) || !Double.isFinite(z)) {
      return assembly.vertex(x, y, z, line);
    }
    // Zero is one place, whatever its sign.
    Place place = new Place(x + 0.0, y + 0.0, z + 0.0);
    Integer vertex = known.get(place);
    if (vertex == null) {
      vertex = assembly.vertex(x, y, z, line);
      known.put(place, vertex);
    } else {
      joined++;
    }
    return vertex;
  }

  /** How many were joined to one that was there. */
  public int joined() {
    return joined;
  }
}
