package fairedge.server.bench;

import fairedge.core.format.MeshFormat;
import fairedge.core.format.wire.WireMessage;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.subdivide.CatmullClark;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/** The mesh of a workpiece in other forms: as a file, and as the smooth surface of its cage. */
@Service
public class MeshOutlet {
  private static final int MOST_SMOOTH_FACES = 60_000;

  private final WorkpieceStore store;
  private final Workpieces workpieces;
  private final Workshop workshop;

  MeshOutlet(WorkpieceStore store, Workpieces workpieces, Workshop workshop) {
    this.store = store;
    this.workpieces = workpieces;
    this.workshop = workshop;
  }

  /** The mesh after a step, as a file; of the state in force where no step is named. */
  @Transactional(readOnly = true)
  public byte[] file(UUID id, SignedIn student, @Nullable Long step, MeshFormat format) {
    Head head = workpieces.require(id, student);
    if (step != null && !store.hasStep(id, step)) {
      throw Problem.notFound("step");
    }
    Mesh mesh =
        step == null
            ? workshop.read(
                head, (now, held) -> MeshBytes.read(MeshBytes.write(held.workpiece.mesh())))
            : workshop.rebuild(head, step).mesh();
    ByteArrayOutputStream file = new ByteArrayOutputStream();
    try {
      format.write(mesh, file);
    } catch (IOException e) {
      throw new UncheckedIOException(e);
    }
    return file.toByteArray();
  }

  /**
   * The smooth surface of which the mesh is the cage, as a mesh message of its own; refined as far
   * as a browser can draw it.
   */
  @Transactional(readOnly = true)
  public byte[] smooth(UUID id, SignedIn student) {
    Head head = workpieces.require(id, student);
    return workshop.read(
        head,
        (now, held) -> {
          Mesh mesh = held.workpiece.mesh();
          int levels = 3;
          while (levels > 0 && CatmullClark.faces(mesh, levels) > MOST_SMOOTH_FACES) {
            levels--;
          }
          Mesh smooth = CatmullClark.refined(mesh, levels);
          return WireMessage.whole(smooth, held.origin(), held.revision());
        });
  }
}
