package fairedge.core;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.mesh.MeshCheck;
import org.assertj.core.api.AbstractAssert;

/** What tests say of whole meshes. */
public final class MeshAssert extends AbstractAssert<MeshAssert, Mesh> {
  private MeshAssert(Mesh mesh) {
    super(mesh, MeshAssert.class);
  }

  public static MeshAssert assertMesh(Mesh mesh) {
    return new MeshAssert(mesh);
  }

  public MeshAssert isSound() {
    assertThat(MeshCheck.faults(actual)).isEmpty();
    return this;
  }

  public MeshAssert hasCounts(int vertices, int edges, int faces) {
    assertThat(new int[] {actual.vertexCount(), actual.edgeCount(), actual.faceCount()})
        .as("vertices, edges, faces")
        .containsExactly(vertices, edges, faces);
    return this;
  }

  public MeshAssert hasFacesOfSides(int sides, int count) {
    int found = 0;
    for (int f = 0; f < actual.faceEnd(); f++) {
      found += actual.hasFace(f) && actual.size(f) == sides ? 1 : 0;
    }
    assertThat(found).as("faces of " + sides + " sides").isEqualTo(count);
    return this;
  }

  public MeshAssert hasBytes(byte[] bytes) {
    assertThat(MeshBytes.write(actual)).isEqualTo(bytes);
    return this;
  }

  public MeshAssert hasEuler(int euler) {
    assertThat(euler(actual)).as("V - E + F").isEqualTo(euler);
    return this;
  }

  public static int euler(Mesh mesh) {
    return mesh.vertexCount() - mesh.edgeCount() + mesh.faceCount();
  }

  /** The sum of the areas of all faces. */
  public static double area(Mesh mesh) {
    double area = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      area += mesh.hasFace(f) ? mesh.polygon(f).area() : 0;
    }
    return area;
  }

  /** The sum of the Newell vectors of all faces. */
  public static Vec3 newell(Mesh mesh) {
    Vec3 sum = Vec3.ZERO;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      sum = mesh.hasFace(f) ? sum.plus(mesh.polygon(f).newell()) : sum;
    }
    return sum;
  }
}
