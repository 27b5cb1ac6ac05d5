package fairedge.core.survey;

import fairedge.core.mesh.Mesh;
import java.util.BitSet;

/** The faces that have not four sides: in a good mesh they are few. Cost to make: the faces. */
public final class OtherThanQuads {
  private final BitSet all = new BitSet();
  private final BitSet triangles = new BitSet();
  private int triangleCount;

  OtherThanQuads(Mesh mesh) {
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f) && mesh.size(f) != 4) {
        read(mesh, f);
      }
    }
  }

  void update(Mesh mesh, int[] faces) {
    for (int f : faces) {
      read(mesh, f);
    }
  }

  private void read(Mesh mesh, int f) {
    boolean isTriangle = mesh.hasFace(f) && mesh.size(f) == 3;
    triangleCount += (isTriangle ? 1 : 0) - (triangles.get(f) ? 1 : 0);
    triangles.set(f, isTriangle);
    all.set(f, mesh.hasFace(f) && mesh.size(f) != 4);
  }

  /** A copy. */
  public BitSet all() {
    return (BitSet) all.clone();
  }

  /** A copy. */
  public BitSet triangles() {
    return (BitSet) triangles.clone();
  }

  public boolean isTriangle(int f) {
    return triangles.get(f);
  }

  public int triangleCount() {
    return triangleCount;
  }
}
