package fairedge.core.survey;

import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.local.MeshEdit;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.function.DoubleBinaryOperator;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class CurvatureTest {
  /** A sheet of n by n quads from -1 to 1 over the ground, raised by a function of x and y. */
  private static Mesh raised(int n, double unit, DoubleBinaryOperator height) {
    MeshBuilder b = new MeshBuilder();
    Mesh flat = Meshes.grid(n, n);
    for (int v = 0; v < flat.vertexEnd(); v++) {
      double x = 2 * flat.position(v).x() / n - 1;
      double y = 2 * flat.position(v).y() / n - 1;
      b.vertex(new Vec3(x, y, height.applyAsDouble(x, y)).times(unit));
    }
    for (int f = 0; f < flat.faceEnd(); f++) {
      b.face(flat.vertices(f));
    }
    return b.build();
  }

  private static double bendAt(Mesh mesh, int v) {
    Curvature.Bend bend = Curvature.at(mesh, new FaceShapes(mesh, 0.1), v);
    return bend == null ? Double.NaN : bend.larger();
  }

  @Test
  void knownSurfaces_haveTheirCurvature() {
    int n = 40;
    int middle = (n + 1) * (n / 2) + n / 2;
    Mesh cylinder = raised(n, 1, (x, y) -> Math.sqrt(4 - x * x));
    assertThat(bendAt(cylinder, middle)).isCloseTo(0.5, within(1e-2));
    Mesh sphere = raised(n, 1000, (x, y) -> Math.sqrt(4 - x * x - y * y));
    assertThat(bendAt(sphere, middle)).isCloseTo(0.5e-3, within(1e-5));
    assertThat(bendAt(sphere, middle + 8)).isCloseTo(0.5e-3, within(2e-5));
    Mesh saddle = raised(n, 1, (x, y) -> x * x - 0.25 * y * y);
    assertThat(bendAt(saddle, middle)).isCloseTo(2, within(1e-6));
    Mesh tilted = raised(n, 1, (x, y) -> 0.3 * x - 0.7 * y);
    assertThat(bendAt(tilted, middle)).isZero();
    assertThat(bendAt(Meshes.tetrahedron(), 0)).isNaN();
  }

  @Test
  void curviestTenth_isWhereTheFormBendsMost() {
    Mesh bump = raised(40, 1, (x, y) -> Math.exp(-20 * (x * x + y * y)));
    Curvature curvature = new Curvature(bump, new FaceShapes(bump, 0.1));
    int tenth = 0;
    for (int v = 0; v < bump.vertexEnd(); v++) {
      tenth += curvature.isInCurviestTenth(v) ? 1 : 0;
    }
    assertThat(tenth).isBetween(160, 172);
    assertThat(curvature.isInCurviestTenth(41 * 20 + 20)).isTrue();
    assertThat(curvature.isInCurviestTenth(0)).isFalse();
    Curviest curviest = Curviest.of(bump);
    for (int v = 0; v < bump.vertexEnd(); v++) {
      assertThat(curviest.has(v)).as("vertex %d", v).isEqualTo(curvature.isInCurviestTenth(v));
    }
    Mesh large = raised(100, 1, (x, y) -> Math.exp(-20 * (x * x + y * y)));
    Curviest sampled = Curviest.of(large);
    assertThat(IntStream.range(0, large.vertexEnd()).filter(sampled::has).count())
        .as("about a tenth of 10,201")
        .isBetween(900L, 1140L);
    Mesh flat = Meshes.grid(6, 6);
    assertThat(new Curvature(flat, new FaceShapes(flat, 0.1)).isInCurviestTenth(24)).isFalse();
  }

  @Test
  void aNewPoleThere_saysSo() {
    Mesh form = raised(12, 1, (x, y) -> Math.exp(-20 * (x * x + y * y)));
    Tolerance tolerance = Tolerance.of(form.bounds());
    Starter starter = new Starter(Meshes.grid(1, 1), tolerance.flat());
    // The quad at the top and its neighbour lose the edge between them: two poles of three edges.
    int top = form.findEdge(13 * 6 + 6, 13 * 6 + 7);
    new MeshEdit(form).joinFaces(top);
    assertThat(new Inspector(Profile.ALL_QUADS, tolerance, starter).inspect(form).findings())
        .filteredOn(f -> f.finding().kind() == Kind.POLE)
        .extracting(f -> f.finding().title())
        .contains("New pole where 3 edges meet, where the form bends most");
  }
}
