package fairedge.core.inspect;

import fairedge.core.flow.Borders;
import fairedge.core.flow.EdgeLoops;
import fairedge.core.flow.Orientation;
import fairedge.core.flow.Parts;
import fairedge.core.flow.Rings;
import fairedge.core.flow.Topology;
import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import java.util.List;
import java.util.concurrent.CompletableFuture;
import org.jspecify.annotations.Nullable;

/**
 * What is inspected, and what all finders read off it: made once for each inspection.
 *
 * @param starter what the work began from; null where nothing is known of it, and nothing is new
 */
record Subject(
    Mesh mesh,
    Tolerance tolerance,
    Thresholds thresholds,
    List<Oddity> oddities,
    Topology topology,
    Borders borders,
    Orientation orientation,
    Parts parts,
    Rings rings,
    EdgeLoops loops,
    @Nullable Starter starter) {

  static Subject of(
      Mesh mesh,
      Tolerance tolerance,
      Thresholds thresholds,
      List<Oddity> oddities,
      @Nullable Starter starter) {
    Topology topology = new Topology(mesh);
    // Two halves of about the same length, for two processors.
    CompletableFuture<Rings> rings = CompletableFuture.supplyAsync(() -> new Rings(topology));
    CompletableFuture<EdgeLoops> loops = rings.thenApply(r -> new EdgeLoops(topology));
    Borders borders = Borders.of(topology);
    Orientation orientation = Orientation.of(topology);
    return new Subject(
        mesh,
        tolerance,
        thresholds,
        oddities,
        topology,
        borders,
        orientation,
        Parts.of(topology, borders, orientation),
        rings.join(),
        loops.join(),
        starter);
  }
}
