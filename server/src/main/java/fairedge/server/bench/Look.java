package fairedge.server.bench;

import fairedge.core.inspect.Since;
import fairedge.core.mesh.Mesh;
import fairedge.server.inspection.Inspections.Checked;
import org.jspecify.annotations.Nullable;

/**
 * What a check looks at.
 *
 * @param since what is known of the mesh from before; null where all of it is looked at
 */
record Look(Mesh mesh, @Nullable Since since) {
  /** At a copy, to be looked at while hands go on. */
  Look copy() {
    return new Look(mesh.copy(), since);
  }

  /** The same with another check as what is known; null is none. */
  Look since(@Nullable Checked before) {
    return since == null || before == null
        ? new Look(mesh, null)
        : new Look(mesh, new Since(before.recall(), since.touched(), since.near()));
  }
}
