package fairedge.core;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Preview;
import fairedge.core.step.Receipt;
import fairedge.core.step.Workpiece;
import fairedge.core.work.View;

/** Makes changes in tests, and holds every one of them to the laws that all have. */
public final class Changes {
  public static final View SOMEWHERE = new View.Perspective(new Vec3(1200, -900, 1000));

  private Changes() {}

  /**
   * Made on the mesh: the preview said so and left the mesh alone, the mesh is sound, and taking it
   * back gives the first bytes, making it again the last.
   */
  public static Receipt made(Mesh mesh, Change change) {
    byte[] before = MeshBytes.write(mesh);
    Mesh copy = mesh.copy();
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    Preview<byte[]> preview = workpiece.preview(change, SOMEWHERE, (m, o) -> MeshBytes.write(m));
    assertMesh(mesh).hasBytes(before);
    Outcome outcome = workpiece.apply(change);
    assertThat(outcome).as("%s", outcome).isInstanceOf(Outcome.Made.class);
    assertThat(outcome).isEqualTo(preview.outcome());
    assertMesh(mesh).isSound().hasBytes(preview.seen());
    assertMesh(copy).as("a copy stays as it was").isSound().hasBytes(before);
    if (workpiece.stepCount() > 0) {
      workpiece.undo();
      assertMesh(mesh).hasBytes(before);
      workpiece.redo();
      assertMesh(mesh).isSound().hasBytes(preview.seen());
    }
    return ((Outcome.Made) outcome).receipt();
  }

  /** Refused, and the mesh is as it was. */
  public static Refusal refused(Mesh mesh, Change change) {
    byte[] before = MeshBytes.write(mesh);
    Outcome outcome = new Workpiece(mesh, Tolerance.of(mesh.bounds())).apply(change);
    assertThat(outcome).as("%s", outcome).isInstanceOf(Outcome.Refused.class);
    assertMesh(mesh).isSound().hasBytes(before);
    return ((Outcome.Refused) outcome).refusal();
  }
}
