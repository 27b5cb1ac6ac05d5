package fairedge.core.form;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.MeshCheck;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Receipt;
import fairedge.core.step.Workpiece;
import java.util.List;

/** What the tests of the forms share: small meshes, and a change made or refused on one. */
final class Formed {
  private Formed() {}

  /** The unit cube; face 0 is the bottom, 1 the top, 2 the front. */
  static Mesh cube() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 8; i++) {
      b.vertex(new Vec3(i & 1, i >> 1 & 1, i >> 2));
    }
    for (int[] f :
        new int[][] {
          {0, 2, 3, 1}, {4, 5, 7, 6}, {0, 1, 5, 4}, {2, 6, 7, 3}, {0, 4, 6, 2}, {1, 3, 7, 5}
        }) {
      b.face(f);
    }
    return b.build();
  }

  /** A flat sheet of 2 by 1 unit squares; its lower left corner is vertex 0. */
  static Mesh sheet() {
    MeshBuilder b = new MeshBuilder();
    for (int i = 0; i < 6; i++) {
      b.vertex(new Vec3(i % 3, i / 3, 0));
    }
    b.face(0, 1, 4, 3);
    b.face(1, 2, 5, 4);
    return b.build();
  }

  static Outcome apply(Mesh mesh, Change change) {
    return new Workpiece(mesh, Tolerance.of(mesh.bounds())).apply(change);
  }

  /** It is made, and leaves a sound mesh. */
  static Receipt made(Mesh mesh, Change change) {
    Outcome outcome = apply(mesh, change);
    assertThat(outcome).isInstanceOf(Outcome.Made.class);
    assertThat(MeshCheck.faults(mesh)).isEmpty();
    return ((Outcome.Made) outcome).receipt();
  }

  /** It is refused, and leaves the mesh as it was to the byte; why. */
  static String refused(Mesh mesh, Change change) {
    byte[] before = MeshBytes.write(mesh);
    Outcome outcome = apply(mesh, change);
    assertThat(MeshBytes.write(mesh)).isEqualTo(before);
    return ((Outcome.Refused) outcome).refusal().reason();
  }

  static List<Integer> counts(Mesh mesh) {
    return List.of(mesh.vertexCount(), mesh.edgeCount(), mesh.faceCount());
  }

  /** Of a closed mesh, faces fanned from their first corners. */
  static double volume(Mesh mesh) {
    double six = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        int[] round = mesh.vertices(f);
        for (int i = 1; i + 1 < round.length; i++) {
          Vec3 a = mesh.position(round[0]);
          six += a.dot(mesh.position(round[i]).cross(mesh.position(round[i + 1])));
        }
      }
    }
    return six / 6;
  }
}
