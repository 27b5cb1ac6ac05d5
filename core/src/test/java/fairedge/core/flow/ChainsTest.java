package fairedge.core.flow;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Seeds;
import fairedge.core.mesh.IdSet;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.TreeSet;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;

/** Chains that are kept up to date are those that would be made anew. */
class ChainsTest {
  /** Ports that lead to each other at will. */
  private static final class Wires implements Chains.Links {
    private final int[] next;
    private final BitSet nodes = new BitSet();

    Wires(int nodes) {
      next = new int[2 * nodes];
      Arrays.fill(next, Mesh.NONE);
      this.nodes.set(0, nodes);
    }

    void join(int port, int other) {
      next[port] = other;
      next[other] = port;
    }

    void part(int port) {
      if (next[port] != Mesh.NONE) {
        next[next[port]] = Mesh.NONE;
        next[port] = Mesh.NONE;
      }
    }

    @Override
    public int next(int port) {
      return next[port];
    }

    @Override
    public boolean isNode(int node) {
      return nodes.get(node);
    }

    Chains chains() {
      Unions joined = new Unions(next.length / 2);
      for (int port = 0; port < next.length; port++) {
        if (next[port] != Mesh.NONE) {
          joined.join(port >> 1, next[port] >> 1);
        }
      }
      return new Chains(this, next.length / 2, joined, port -> next[port] != Mesh.NONE);
    }
  }

  @Test
  void nodes_ofAnOpenAndAClosedChain_comeInTheirOrder() {
    Wires wires = new Wires(6);
    wires.join(1, 2);
    wires.join(3, 4);
    wires.join(7, 8);
    wires.join(9, 6);
    Chains chains = wires.chains();
    assertThat(chains.nodesOf(chains.of(1))).containsExactly(0, 1, 2);
    assertThat(chains.ends(chains.of(0))).containsExactly(0, 5);
    assertThat(chains.isClosed(chains.of(3))).isTrue();
    assertThat(chains.nodesOf(chains.of(4))).containsExactlyInAnyOrder(3, 4);
    assertThat(chains.length(chains.of(5))).isEqualTo(1);
  }

  @ParameterizedTest
  @Seeds
  void chains_keptUpToDate_areThoseMadeAnew(long seed) {
    Random random = new Random(seed);
    int size = 60;
    Wires wires = new Wires(size);
    List<Integer> ports = new ArrayList<>(IntStream.range(0, 2 * size).boxed().toList());
    Collections.shuffle(ports, random);
    for (int i = 0; i + 12 < ports.size(); i += 2) {
      wires.join(ports.get(i), ports.get(i + 1));
    }
    Chains kept = wires.chains();
    BitSet heavy = new BitSet();
    for (int round = 0; round < 400; round++) {
      change(wires, kept, heavy, random);
      assertAlike(kept, wires.chains(), wires, heavy, "round " + round);
    }
  }

  /** Takes nodes out or in, and leads some ports elsewhere. */
  private static void change(Wires wires, Chains kept, BitSet heavy, Random random) {
    IdSet touched = new IdSet();
    IdSet changed = new IdSet();
    for (int i = random.nextInt(4); i >= 0; i--) {
      int node = random.nextInt(wires.next.length / 2);
      touched.add(node);
      for (int port = 2 * node; port < 2 * node + 2; port++) {
        if (wires.next[port] != Mesh.NONE) {
          changed.add(wires.next[port]);
        }
        wires.part(port);
      }
      wires.nodes.flip(node);
    }
    for (int i = random.nextInt(5); i > 0; i--) {
      int port = random.nextInt(wires.next.length);
      if (wires.next[port] != Mesh.NONE) {
        changed.addAll(port, wires.next[port]);
        wires.part(port);
      }
    }
    List<Integer> free = new ArrayList<>();
    for (int port = 0; port < wires.next.length; port++) {
      if (wires.nodes.get(port >> 1) && wires.next[port] == Mesh.NONE) {
        free.add(port);
      }
    }
    Collections.shuffle(free, random);
    for (int i = 0; i + 1 < Math.min(free.size(), random.nextInt(8)); i += 2) {
      if (free.get(i) >> 1 != free.get(i + 1) >> 1) {
        wires.join(free.get(i), free.get(i + 1));
        changed.addAll(free.get(i), free.get(i + 1));
      }
    }
    int[] rim = Arrays.stream(changed.sorted()).filter(p -> !touched.has(p >> 1)).toArray();
    kept.update(wires.next.length / 2, touched.sorted(), rim);
    for (int n : touched.sorted()) {
      heavy.set(n, wires.nodes.get(n) && random.nextBoolean());
      if (wires.nodes.get(n)) {
        kept.weigh(n, heavy.get(n));
      }
    }
  }

  private static void assertAlike(
      Chains kept, Chains anew, Wires wires, BitSet heavy, String told) {
    assertThat(kept.all()).as(told).hasSameSizeAs(anew.all());
    for (int chain : anew.all()) {
      int[] nodes = anew.nodesOf(chain);
      int own = kept.of(nodes[0]);
      assertThat(Arrays.stream(nodes).map(kept::of)).as(told).containsOnly(own);
      assertThat(kept.length(own)).as(told).isEqualTo(nodes.length);
      assertThat(setOf(kept.ends(own))).as(told).isEqualTo(setOf(anew.ends(chain)));
      assertThat(setOf(kept.nodesOf(own))).as(told).isEqualTo(setOf(nodes));
      assertThat(kept.weightOf(own))
          .as(told)
          .isEqualTo((int) Arrays.stream(nodes).filter(heavy::get).count());
    }
    for (int n = 0; n < wires.next.length / 2; n++) {
      assertThat(kept.of(n) == Mesh.NONE).as(told).isEqualTo(!wires.nodes.get(n));
    }
  }

  private static TreeSet<Integer> setOf(int[] values) {
    return new TreeSet<>(Arrays.stream(values).boxed().toList());
  }
}
