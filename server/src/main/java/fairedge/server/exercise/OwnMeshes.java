package fairedge.server.exercise;

import fairedge.core.mesh.Mesh;
import fairedge.server.platform.SignedIn;
import java.util.UUID;

/** Meshes that somebody has cut, as starters: told by the module that keeps them. */
public interface OwnMeshes {
  /**
   * A mesh with its unit.
   *
   * @param from what it was cut for, in words
   */
  record OwnMesh(Mesh mesh, String unit, String from) {}

  /**
   * A workpiece as it stands.
   *
   * @throws fairedge.server.platform.Problem as not found, if it is not theirs
   */
  OwnMesh workpiece(UUID id, SignedIn account);
}
