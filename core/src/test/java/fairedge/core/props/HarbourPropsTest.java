package fairedge.core.props;

import static fairedge.core.MeshAssert.assertMesh;
import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.cut.Anchor;
import fairedge.core.cut.TracePoint;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report;
import fairedge.core.inspect.Severity;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Change;
import fairedge.core.step.Workpiece;
import fairedge.core.work.View;
import java.util.List;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.CsvSource;

class HarbourPropsTest {
  @Test
  void hatchLid_isAClosedCylinderWithFlatEnds() {
    Mesh lid = HarbourProps.hatchLid();
    assertMesh(lid).isSound().hasCounts(32, 48, 18).hasEuler(2);
    assertMesh(lid).hasFacesOfSides(4, 16).hasFacesOfSides(16, 2);
    assertThat(lid.polygon(16).normal().z()).isEqualTo(1);
    assertThat(lid.polygon(17).normal().z()).isEqualTo(-1);
    for (int f = 0; f < 16; f++) {
      assertThat(facesOutward(lid, f)).isTrue();
    }
  }

  @Test
  void bollard_isAllQuads_openAtTheFoot() {
    Mesh bollard = HarbourProps.mooringBollard();
    assertMesh(bollard).isSound().hasEuler(1).hasFacesOfSides(4, bollard.faceCount());
    int border = 0;
    for (int e = 0; e < bollard.edgeEnd(); e++) {
      assertThat(bollard.uses(e)).isBetween(1, 2);
      border += bollard.uses(e) == 1 ? 1 : 0;
    }
    assertThat(border).isEqualTo(12);
    assertThat(bollard.polygon(bollard.faceCount() - 1).normal().z()).isEqualTo(1);
  }

  @Test
  void fairleadBlock_isMadeQuadsByALineRoundTwoSides() {
    Mesh block = HarbourProps.fairleadBlock();
    assertMesh(block).isSound().hasCounts(20, 34, 16).hasEuler(2);
    assertMesh(block).hasFacesOfSides(4, 14).hasFacesOfSides(6, 2);
    Report before = inspect(block);
    assertThat(before.figures().volume()).isEqualTo(120.0 * 80 * 60 - 76 * 40 * 26);
    assertThat(before.findings())
        .extracting(f -> f.finding().kind())
        .contains(Kind.NGON, Kind.RING_STOP)
        .doesNotContain(Kind.FLIPPED, Kind.INSIDE_OUT, Kind.BORDER);
    View corner = new View.Perspective(new Vec3(400, -500, 300));
    List<TracePoint> line =
        IntStream.of(4, 5, 6)
            .mapToObj(v -> new TracePoint(new Anchor.OnVertex(v), corner))
            .toList();
    new Workpiece(block, Tolerance.of(block.bounds())).apply(Change.TraceChange.of(line));
    assertMesh(block).isSound().hasFacesOfSides(4, 18);
    assertThat(inspect(block).findings())
        .allSatisfy(f -> assertThat(f.severity()).isEqualTo(Severity.REMARK));
  }

  /** V, E, F; V - E + F; triangles, n-gons. */
  @ParameterizedTest
  @CsvSource(
      textBlock =
          """
          HATCH_LID,         32, 48, 18,    2, 0, 2
          MOORING_BOLLARD,  112, 216, 105,  1, 0, 0
          PORTHOLE_RING,    120, 240, 120,  0, 0, 0
          FAIRLEAD_BLOCK,    20, 34, 16,    2, 0, 2
          CHANNEL_BUOY,      51, 100, 51,   2, 10, 1
          CAPSTAN,           96, 176, 81,   1, 0, 1
          FOLDED_SAIL_CARD,  28, 45, 18,    1, 0, 0
          CLEAT,             40, 76, 38,    2, 0, 0
          ROPE_LOCKER,       16, 28, 14,    2, 0, 0
          PONTOON,           16, 24, 10,    2, 0, 2
          """)
  void everyForm_isSoundAndFacesOutward(
      Form form, int vertices, int edges, int faces, int euler, int triangles, int ngons) {
    Mesh mesh = form.mesh();
    assertMesh(mesh).isSound().hasCounts(vertices, edges, faces).hasEuler(euler);
    assertMesh(mesh).hasFacesOfSides(3, triangles);
    assertMesh(mesh).hasFacesOfSides(4, faces - triangles - ngons);
    assertThat(inspect(mesh).findings())
        .extracting(f -> f.finding().kind())
        .doesNotContain(Kind.FLIPPED, Kind.INSIDE_OUT, Kind.CROWDED_EDGE, Kind.NO_AREA);
    assertThat(mesh.bounds().min().z()).as("stands on the ground").isZero();
  }

  private static Report inspect(Mesh mesh) {
    return new Inspector(Profile.ALL_QUADS, Tolerance.of(mesh.bounds())).inspect(mesh);
  }

  private static boolean facesOutward(Mesh mesh, int f) {
    var shape = mesh.polygon(f);
    var middle = shape.middle();
    return shape.normal().x() * middle.x() + shape.normal().y() * middle.y() > 0;
  }
}
