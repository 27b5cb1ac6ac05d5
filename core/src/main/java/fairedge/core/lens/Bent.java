package fairedge.core.lens;

import fairedge.core.mesh.Mesh;

/**
 * A mesh as it lies when it is bent, and what is to be seen of it.
 *
 * @param mesh under the ids of the straight one
 */
public record Bent(Mesh mesh, LensPicture picture) {}
