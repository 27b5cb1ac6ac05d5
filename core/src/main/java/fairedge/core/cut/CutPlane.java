package fairedge.core.cut;

import fairedge.core.geometry.Vec3;

/** A plane that faces are cut by. */
interface CutPlane {
  /** Of unit length. */
  Vec3 normal();

  /** Signed distance of p from the plane, on the normal's side positive. */
  double distance(Vec3 p);
}
