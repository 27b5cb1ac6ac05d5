package fairedge.core.tidy;

import static fairedge.core.Changes.made;
import static fairedge.core.Changes.refused;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.step.Tidying.NameChange;
import fairedge.core.step.Workpiece;
import java.util.List;
import org.junit.jupiter.api.Test;

class NamingTest {
  private static String nameOf(Mesh mesh, int f) {
    return mesh.labels().get(mesh.labelOf(f)).object();
  }

  @Test
  void aName_isTheObjectOfItsFaces_andUndoGivesTheFirstBytes() {
    Mesh mesh = Meshes.grid(3, 1);
    byte[] before = MeshBytes.write(mesh);
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    Outcome outcome = workpiece.apply(new NameChange(List.of(0, 2), " lid "));
    assertThat(outcome).isInstanceOf(Outcome.Made.class);
    assertThat(((Outcome.Made) outcome).receipt().namedFaces()).containsExactly(0, 2);
    assertThat(nameOf(mesh, 0)).isEqualTo("lid");
    assertThat(nameOf(mesh, 1)).isEmpty();
    byte[] after = MeshBytes.write(mesh);
    assertThat(nameOf(MeshBytes.read(after), 2)).isEqualTo("lid");
    workpiece.undo();
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    workpiece.redo();
    assertThat(MeshBytes.write(mesh)).isEqualTo(after);
  }

  @Test
  void theSameNameAgain_changesNothing() {
    Mesh mesh = Meshes.grid(2, 1);
    Receipt first = made(mesh, new NameChange(List.of(1), "rim"));
    assertThat(first.changesNothing()).isFalse();
    byte[] before = MeshBytes.write(mesh);
    Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    Outcome outcome = workpiece.apply(new NameChange(List.of(1), "rim"));
    assertThat(((Outcome.Made) outcome).receipt().changesNothing()).isTrue();
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
  }

  @Test
  void whatIsNoName_isRefused() {
    Mesh mesh = Meshes.grid(2, 1);
    assertThat(refused(mesh, new NameChange(List.of(0), "a\nb")).reason()).contains("one line");
    assertThat(refused(mesh, new NameChange(List.of(0), "x".repeat(61))).reason()).contains("60");
    assertThat(refused(mesh, new NameChange(List.of(99), "rim")).reason()).isNotEmpty();
  }
}
