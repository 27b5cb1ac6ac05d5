package fairedge.core.flow;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.Seeds;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.stream.IntStream;
import java.util.stream.Stream;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.MethodSource;
import org.junit.jupiter.params.provider.ValueSource;

/** What is told of vertices and edges, compared with the definitions taken word by word. */
class TopologyTest {
  static Stream<Map.Entry<String, Mesh>> fixtures() {
    return Meshes.all().entrySet().stream();
  }

  @ParameterizedTest
  @MethodSource("fixtures")
  void topologyOfFixtures_isAsDefined(Map.Entry<String, Mesh> fixture) {
    assertIsAsDefined(fixture.getValue());
  }

  /**
   * Faces at random over few vertices: crowded edges, bow-ties of fans of all sizes, faces that
   * come to a vertex twice, loose edges and lone vertices.
   */
  @ParameterizedTest
  @Seeds
  void topologyOfAHeap_isAsDefined(long seed) {
    Random random = new Random(seed);
    for (int round = 0; round < 40; round++) {
      assertIsAsDefined(heap(random, 5 + random.nextInt(30)));
    }
  }

  /** Two closed fans of one size at a vertex: going round the one meets half of the corners. */
  @ParameterizedTest
  @ValueSource(ints = {3, 4, 7})
  void closedFansOfOneSize_areTwo(int size) {
    MeshBuilder builder = new MeshBuilder();
    int tip = builder.vertex(0, 0, 0);
    for (int fan = 0; fan < 2; fan++) {
      int first = builder.vertexCount();
      for (int i = 0; i < size; i++) {
        builder.vertex(i, i * i, 1 - 2 * fan);
      }
      for (int i = 0; i < size; i++) {
        builder.face(tip, first + i, first + (i + 1) % size);
      }
    }
    Mesh mesh = builder.build();
    assertThat(new Topology(mesh).fans(tip)).isEqualTo(2);
    assertIsAsDefined(mesh);
  }

  private static Mesh heap(Random random, int vertices) {
    MeshBuilder builder = new MeshBuilder();
    for (int v = 0; v < vertices; v++) {
      builder.vertex(random.nextDouble(), random.nextDouble(), random.nextDouble());
    }
    for (int f = random.nextInt(1, 12); f > 0; f--) {
      int[] ring = new int[3 + random.nextInt(6)];
      for (int i = 0; i < ring.length; i++) {
        do {
          ring[i] = random.nextInt(vertices);
        } while (i > 0 && ring[i] == ring[i - 1] || i == ring.length - 1 && ring[i] == ring[0]);
      }
      builder.face(ring);
    }
    builder.edge(0, 1);
    builder.edge(1, 2);
    return builder.build();
  }

  private static void assertIsAsDefined(Mesh mesh) {
    Topology topology = new Topology(mesh);
    BitSet crowded = new BitSet();
    BitSet loose = new BitSet();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      int uses = usesOf(mesh, e);
      assertThat(topology.uses(e)).isEqualTo(Math.min(3, uses));
      crowded.set(e, uses > 2);
      loose.set(e, uses == 0);
    }
    assertThat(topology.crowdedEdges()).isEqualTo(crowded);
    assertThat(topology.looseEdges()).isEqualTo(loose);
    BitSet poles = new BitSet();
    BitSet bowTies = new BitSet();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      int[] edges = Arrays.stream(mesh.edgesAt(v)).filter(e -> usesOf(mesh, e) > 0).toArray();
      int fans = fansAt(mesh, v);
      Topology.VertexClass is = classOf(mesh, edges, fans);
      assertThat(topology.valence(v)).as("valence of %d", v).isEqualTo(edges.length);
      assertThat(topology.fans(v)).as("fans of %d", v).isEqualTo(fans);
      assertThat(topology.classOf(v)).as("class of %d", v).isEqualTo(is);
      poles.set(v, is == Topology.VertexClass.INNER && edges.length != 4);
      bowTies.set(v, fans > 1);
    }
    assertThat(topology.poles()).isEqualTo(poles);
    assertThat(topology.bowTies()).isEqualTo(bowTies);
  }

  private static int usesOf(Mesh mesh, int e) {
    return (int)
        IntStream.range(0, mesh.faceEnd())
            .flatMap(f -> Arrays.stream(mesh.edges(f)))
            .filter(side -> side == e)
            .count();
  }

  private static Topology.VertexClass classOf(Mesh mesh, int[] edges, int fans) {
    if (edges.length == 0) {
      return Topology.VertexClass.APART;
    }
    if (fans > 1 || Arrays.stream(edges).anyMatch(e -> usesOf(mesh, e) > 2)) {
      return Topology.VertexClass.CROWDED;
    }
    return Arrays.stream(edges).anyMatch(e -> usesOf(mesh, e) == 1)
        ? Topology.VertexClass.BORDER
        : Topology.VertexClass.INNER;
  }

  /** Faces at the vertex, joined while two of them share an edge at it. */
  private static int fansAt(Mesh mesh, int v) {
    List<Set<Integer>> fans = new ArrayList<>();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      Set<Integer> own = new HashSet<>();
      for (int e : mesh.edges(f)) {
        if (mesh.first(e) == v || mesh.second(e) == v) {
          own.add(e);
        }
      }
      if (own.isEmpty()) {
        continue;
      }
      List<Set<Integer>> joined =
          fans.stream().filter(fan -> fan.stream().anyMatch(own::contains)).toList();
      fans.removeAll(joined);
      joined.forEach(own::addAll);
      fans.add(own);
    }
    return fans.size();
  }
}
