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
  /** Of a change that touches more, what hangs at it is looked at while hands go on. */
  private static final int FEW_TOUCHED = 500;

  /** Whether little was touched since what is known. */
  boolean touchesLittle() {
    return since != null && since.touched().faces().cardinality() <= FEW_TOUCHED;
  }

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
