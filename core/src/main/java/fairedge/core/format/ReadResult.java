package fairedge.core.format;

import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import java.util.List;

/**
 * A mesh that was read, and what was odd about its file. Ids are the file's order: vertices by
 * their records, faces by accepted faces.
 *
 * @param remarks what is to be known about the whole file, a sentence each
 */
public record ReadResult(Mesh mesh, List<Oddity> oddities, List<String> remarks) {
  public ReadResult(Mesh mesh, List<Oddity> oddities) {
    this(mesh, oddities, List.of());
  }
}
