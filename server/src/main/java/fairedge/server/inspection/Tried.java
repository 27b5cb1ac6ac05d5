package fairedge.server.inspection;

import fairedge.core.format.wire.WireMessage;
import fairedge.core.lens.Bent;
import fairedge.core.lens.LensPicture;
import fairedge.core.mesh.ElementSet;
import fairedge.core.mesh.Mesh;

/**
 * A bend that was tried.
 *
 * @param mesh the places of the vertices, as a delta of the mesh's message
 */
public record Tried(LensPicture picture, byte[] mesh) {
  /**
   * @param revision of the mesh that was bent
   */
  public static Tried of(Bent bent, long revision) {
    Mesh mesh = bent.mesh();
    ElementSet vertices = new ElementSet();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v)) {
        vertices.vertices().set(v);
      }
    }
    byte[] places = WireMessage.delta(mesh, mesh.bounds().centre(), vertices, revision, revision);
    return new Tried(bent.picture(), places);
  }
}
