package fairedge.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.format.wire.WireMessage;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.survey.Starter;
import java.util.concurrent.TimeUnit;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.api.Timeout;

/** Meshes made to take for ever. The limit is not a measure: what squares its cost never ends. */
@Timeout(value = 2, unit = TimeUnit.MINUTES)
class HostileTest {
  private static final int MANY = Integer.getInteger("fair-edge.hostile.many", 60_000);

  private static Report inspect(Mesh mesh) {
    return new Inspector(Profile.ALL_QUADS, Tolerance.of(mesh.bounds())).inspect(mesh);
  }

  private static int kinds(Report report, Kind kind) {
    return (int) report.findings().stream().filter(f -> f.finding().kind() == kind).count();
  }

  @Test
  void faceOfVeryManyCorners_isInspectedAndDrawn() {
    MeshBuilder b = new MeshBuilder();
    int[] ring = new int[MANY];
    for (int i = 0; i < MANY; i++) {
      double angle = 2 * Math.PI * i / MANY;
      ring[i] = b.vertex(Math.cos(angle), Math.sin(angle), 0);
    }
    b.face(ring);
    b.face(ring);
    Mesh mesh = b.build();
    assertThat(kinds(inspect(mesh), Kind.NGON)).isEqualTo(2);
    assertThat(kinds(inspect(mesh), Kind.TWIN_FACE)).isEqualTo(1);
    assertThat(WireMessage.whole(mesh, Vec3.ZERO, 0)).isNotEmpty();
  }

  @Test
  void faceThatComesBackToOneVertexAgainAndAgain_isCompared() {
    MeshBuilder b = new MeshBuilder();
    int hub = b.vertex(0, 0, 0);
    int[] ring = new int[MANY];
    for (int i = 0; i < MANY; i += 2) {
      ring[i] = hub;
      ring[i + 1] = b.vertex(1 + i, i % 7, 0);
    }
    b.face(ring);
    b.face(ring);
    assertThat(kinds(inspect(b.build()), Kind.TWIN_FACE)).isEqualTo(1);
  }

  @Test
  void veryManyVerticesInOnePlace_areOneCluster() {
    MeshBuilder b = new MeshBuilder();
    b.face(b.vertex(0, 0, 0), b.vertex(1, 0, 0), b.vertex(1, 1, 0), b.vertex(0, 1, 0));
    for (int i = 0; i < MANY; i++) {
      b.vertex(5, 5, i % 2 == 0 ? 0.0 : -0.0);
    }
    Report report = inspect(b.build());
    assertThat(report.findings())
        .filteredOn(f -> f.finding().kind() == Kind.DOUBLE)
        .singleElement()
        .satisfies(
            f -> assertThat(f.finding().measure().value()).isEqualTo(MANY * (MANY - 1.0) / 2));
  }

  @Test
  void twoHubsOfVeryManyTriangles_areLookedAtOnce() {
    MeshBuilder b = new MeshBuilder();
    int top = b.vertex(0, 0, 1);
    int foot = b.vertex(0, 0, -1);
    int[] rim = new int[MANY];
    for (int i = 0; i < MANY; i++) {
      double angle = 2 * Math.PI * i / MANY;
      rim[i] = b.vertex(Math.cos(angle), Math.sin(angle), 0);
    }
    for (int i = 0; i < MANY; i++) {
      b.face(top, rim[i], rim[(i + 1) % MANY]);
      b.face(foot, rim[(i + 1) % MANY], rim[i]);
    }
    Mesh mesh = b.build();
    Tolerance tolerance = Tolerance.of(mesh.bounds());
    Report report =
        new Inspector(Profile.ALL_QUADS, tolerance, new Starter(mesh, tolerance.flat()))
            .inspect(mesh);
    assertThat(report.figures().triangles()).isEqualTo(2 * MANY);
    assertThat(kinds(report, Kind.POLE)).isEqualTo(2);
  }
}
