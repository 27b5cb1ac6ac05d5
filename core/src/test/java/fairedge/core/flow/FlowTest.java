package fairedge.core.flow;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.List;
import java.util.Map;
import java.util.stream.Stream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;

class FlowTest {
  static Stream<Map.Entry<String, Mesh>> fixtures() {
    return Meshes.all().entrySet().stream();
  }

  @ParameterizedTest
  @MethodSource("fixtures")
  void rings_areThoseThatAreWalkedFromAnyEdge(Map.Entry<String, Mesh> fixture) {
    Mesh mesh = fixture.getValue();
    Rings rings = new Rings(new Topology(mesh));
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      Ring.through(mesh, e)
          .ifPresent(ring ->
              assertThat(rings.all())
                  .anyMatch(r -> r.length() == ring.quads().size() && r.closed() == ring.closed()));
    }
  }

  @Test
  void classes_ofVertices() {
    Topology bowTie = new Topology(Meshes.bowTie());
    assertThat(bowTie.classOf(0)).isEqualTo(Topology.VertexClass.CROWDED);
    assertThat(bowTie.fans(0)).isEqualTo(2);
    assertThat(bowTie.classOf(1)).isEqualTo(Topology.VertexClass.BORDER);
    Topology crowded = new Topology(Meshes.crowded());
    assertThat(crowded.classOf(0)).isEqualTo(Topology.VertexClass.CROWDED);
    assertThat(crowded.fans(0))
        .as("ends of crowded edges with one fan are no bow-ties")
        .isEqualTo(1);
    assertThat(crowded.classOf(8)).isEqualTo(Topology.VertexClass.APART);
    assertThat(crowded.valence(0)).as("loose edges don't count").isEqualTo(4);
    Topology twice = new Topology(Meshes.edgeUsedTwice());
    assertThat(twice.fans(0)).isEqualTo(1);
    assertThat(twice.isPole(4)).isTrue();
  }

  @Test
  void loopOnACube_isOneEdge_onAGridItRunsThrough() {
    EdgeLoops cube = new EdgeLoops(new Topology(Meshes.cube()));
    assertThat(cube.all())
        .hasSize(12)
        .allMatch(l -> l.length() == 1 && l.ends().getFirst().cause() == EdgeLoops.Cause.POLE);
    EdgeLoops grid = new EdgeLoops(new Topology(Meshes.grid(4, 3)));
    assertThat(grid.all()).allMatch(EdgeLoops.Summary::isComplete);
    assertThat(grid.tally().edgesInComplete()).isEqualTo(17);
  }

  @Test
  void loop_goesOnPastTriangles_whateverTheSidesOfTheFaces() {
    // Four faces round the middle: two quads, two triangles; its valence is 4 all the same.
    MeshBuilder b = new MeshBuilder();
    int middle = b.vertex(0, 0, 0);
    int[] cross = {b.vertex(1, 0, 0), b.vertex(0, 1, 0), b.vertex(-1, 0, 0), b.vertex(0, -1, 0)};
    b.face(middle, cross[0], b.vertex(1, 1, 0), cross[1]);
    b.face(middle, cross[1], cross[2]);
    b.face(middle, cross[2], b.vertex(-1, -1, 0), cross[3]);
    b.face(middle, cross[3], cross[0]);
    EdgeLoops loops = new EdgeLoops(new Topology(b.build()));
    assertThat(loops.all()).hasSize(2).allMatch(l -> l.length() == 2 && l.isComplete());
  }

  @Test
  void parts_areCountedByEdgesAndByVertices() {
    Topology topology = new Topology(Meshes.bowTie());
    Parts parts = new Parts(topology);
    assertThat(parts.count()).isEqualTo(2);
    assertThat(parts.countByVertices()).isEqualTo(1);
    Parts.Part first = parts.all(Borders.of(topology), Orientation.of(topology)).getFirst();
    assertThat(first.genus()).isZero();
    assertThat(parts.facesOf(List.of(first))).containsExactly(new int[] {0});
  }
}
