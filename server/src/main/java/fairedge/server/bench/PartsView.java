package fairedge.server.bench;

import fairedge.core.flow.Borders;
import fairedge.core.flow.Orientation;
import fairedge.core.flow.Parts;
import fairedge.core.flow.Topology;
import fairedge.core.mesh.Mesh;
import java.util.List;

/**
 * The parts of a mesh, by their first faces.
 *
 * @param more how many there are that are not told
 */
public record PartsView(List<PartView> parts, int more) {
  private static final int MOST = 500;

  /**
   * One part: what hangs together by edges.
   *
   * @param first its lowest face
   * @param faces how many it has
   * @param name the object that its first face belongs to; empty where it has none
   * @param isClosed without any border
   */
  public record PartView(int first, int faces, String name, boolean isClosed) {}

  static PartsView of(Mesh mesh) {
    Topology topology = new Topology(mesh);
    List<Parts.Part> all = new Parts(topology).all(Borders.of(topology), Orientation.of(topology));
    List<PartView> told =
        all.stream()
            .limit(MOST)
            .map(part ->
                new PartView(
                    part.first(),
                    part.faces(),
                    mesh.labels().get(mesh.labelOf(part.first())).object(),
                    part.closed()))
            .toList();
    return new PartsView(told, all.size() - told.size());
  }
}
