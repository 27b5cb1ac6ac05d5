package fairedge.server.bench;

import fairedge.core.format.MeshFormat;
import fairedge.core.inspect.Along;
import fairedge.core.inspect.Bent;
import fairedge.core.inspect.Lens;
import fairedge.core.inspect.LensPicture;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.server.bench.store.WorkpieceStore;
import fairedge.server.bench.store.WorkpieceStore.Head;
import fairedge.server.inspection.BendAsked;
import fairedge.server.inspection.Inspections;
import fairedge.server.inspection.Terms;
import fairedge.server.inspection.Tried;
import fairedge.server.platform.Problem;
import fairedge.server.platform.SignedIn;
import java.io.ByteArrayOutputStream;
import java.io.IOException;
import java.io.UncheckedIOException;
import java.util.UUID;
import org.jspecify.annotations.Nullable;
import org.springframework.stereotype.Service;
import org.springframework.transaction.annotation.Transactional;

/**
 * The mesh of a workpiece in other forms: as a file, as the smooth surface of its cage, through a
 * lens.
 */
@Service
public class MeshOutlet {
  private final WorkpieceStore store;
  private final Workpieces workpieces;
  private final Workshop workshop;
  private final Inspections inspections;

  MeshOutlet(
      WorkpieceStore store, Workpieces workpieces, Workshop workshop, Inspections inspections) {
    this.store = store;
    this.workpieces = workpieces;
    this.workshop = workshop;
    this.inspections = inspections;
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
   * The smooth surface of which the mesh is the cage, as a surface message; of a copy, so that no
   * hand waits for it.
   */
  public byte[] smooth(UUID id, SignedIn student, @Nullable Integer level) {
    Mesh mesh = copy(id, student, null);
    return inspections.smooth(mesh, mesh.bounds().centre(), level);
  }

  /** How the mesh fares when it is bent: the places of its vertices as a delta of its message. */
  public Tried bend(UUID id, SignedIn student, @Nullable Long revision, BendAsked asked) {
    Head head = workpieces.require(id, student);
    Mesh mesh = copy(id, student, revision);
    Bent bent = inspections.bend(mesh, workshop.task(head).terms(), asked);
    return Tried.of(bent, revision == null ? head.revision() : revision);
  }

  /**
   * What a lens shows of it; of a copy, so that no hand waits for it.
   *
   * @param revision at which it must stand; null for any
   */
  public LensPicture look(UUID id, SignedIn student, @Nullable Long revision, Lens lens) {
    Terms terms = workshop.task(workpieces.require(id, student)).terms();
    return inspections.look(copy(id, student, revision), terms, lens);
  }

  /** The ring and the loop of an edge, likewise. */
  public Along along(UUID id, SignedIn student, @Nullable Long revision, int edge) {
    return inspections.along(copy(id, student, revision), edge);
  }

  private Mesh copy(UUID id, SignedIn student, @Nullable Long revision) {
    return workshop.read(
        workpieces.require(id, student),
        (now, held) -> {
          if (revision != null) {
            Workpieces.requireFresh(now, revision);
          }
          return held.workpiece.mesh().copy();
        });
  }
}
