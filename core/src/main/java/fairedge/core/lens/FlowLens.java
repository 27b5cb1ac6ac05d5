package fairedge.core.lens;

import fairedge.core.flow.EdgeLoops;
import fairedge.core.flow.Stop;
import fairedge.core.flow.Topology;
import fairedge.core.lens.LensPicture.Spot;
import fairedge.core.lens.LensPicture.Tone;
import fairedge.core.mesh.Mesh;
import fairedge.core.survey.Say;
import fairedge.core.survey.Subject;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;
import java.util.stream.LongStream;

/**
 * {@link Lens#FLOW}: all loops, those that cross told apart, so that one sees how they run round
 * the form; which of them stop short, at which poles; which faces stop rings.
 *
 * <p>Complete loops that cross at a vertex of valence 4 get different tones as far as four tones
 * go: each takes the lowest that none it crosses has, in breadth-first order from the lowest loop,
 * so that two suffice wherever two can (the three great loops of a subdivided cube take three).
 * Cost: n log n in the edges.
 */
final class FlowLens {
  private static final List<String> WAYS =
      List.of(
          "Complete loops, one way",
          "Complete loops that cross them",
          "Complete loops that cross both",
          "Complete loops that cross all these");

  private final Subject subject;
  private final Mesh mesh;
  private final EdgeLoops loops;

  /** Poles at which loops end. */
  private final BitSet poles;

  private FlowLens(Subject subject) {
    this.subject = subject;
    this.mesh = subject.mesh();
    this.loops = subject.loops();
    this.poles = endingAtPoles(loops);
  }

  static LensPicture of(Subject subject) {
    return new FlowLens(subject).picture();
  }

  private LensPicture picture() {
    int[] wayOf = ways();
    BitSet[] edges = new BitSet[WAYS.size() + 1];
    Arrays.setAll(edges, i -> new BitSet());
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      int loop = loops.loopOf(e);
      if (loop != Mesh.NONE) {
        edges[isComplete(loop) ? wayOf[loop] : WAYS.size()].set(e);
      }
    }
    List<Tone> tones = new ArrayList<>();
    for (int way = 0; way < WAYS.size(); way++) {
      tones.add(tone("way-" + (way + 1), WAYS.get(way), edges[way]));
    }
    tones.add(tone("short", "Loops that stop short", edges[WAYS.size()]));
    return new LensPicture(
        sentence(),
        List.of(tone("stops-rings", "Face at which rings stop", stoppers())),
        tones,
        spots());
  }

  private String sentence() {
    int all = loops.tally().count();
    int complete = loops.tally().complete();
    String on = "run on until they close or come to a border";
    if (complete == all) {
      return all == 1 ? "The one loop runs on to its end." : "All " + all + " loops " + on + ".";
    }
    int poles = this.poles.cardinality();
    return Say.words("%d of %s %s; ", complete, Say.count(all, "loop", "loops"), on)
        + (poles == 0
            ? "the others end where faces are not joined all round."
            : "others stop at " + Say.count(poles, "pole.", "poles."));
  }

  private static Tone tone(String name, String words, BitSet ids) {
    return new Tone(name, words, false, ids.stream().toArray());
  }

  private boolean isComplete(int loop) {
    return loops.loop(loop).isComplete();
  }

  /** Of each complete loop its way, from 0. */
  private int[] ways() {
    long[] crossings = crossings();
    int[] ways = new int[loops.tally().count()];
    Arrays.fill(ways, Mesh.NONE);
    int[] queue = new int[ways.length];
    int end = 0;
    int at = 0;
    for (int first = 0; first < ways.length; first++) {
      if (ways[first] == Mesh.NONE && isComplete(first)) {
        ways[first] = 0;
        queue[end++] = first;
      }
      while (at < end) {
        end = tellApart(queue[at++], crossings, ways, queue, end);
      }
    }
    return ways;
  }

  /** Gives those that a loop crosses their ways, if they have none, and puts them in the queue. */
  private static int tellApart(int loop, long[] crossings, int[] ways, int[] queue, int end) {
    int last = end;
    for (int i = firstOf(crossings, loop); i < crossings.length && one(crossings[i]) == loop; i++) {
      int other = (int) crossings[i];
      if (ways[other] == Mesh.NONE) {
        ways[other] = freeWay(other, crossings, ways);
        queue[last++] = other;
      }
    }
    return last;
  }

  private static int freeWay(int loop, long[] crossings, int[] ways) {
    int taken = 0;
    for (int i = firstOf(crossings, loop); i < crossings.length && one(crossings[i]) == loop; i++) {
      int way = ways[(int) crossings[i]];
      taken |= way == Mesh.NONE ? 0 : 1 << way;
    }
    return Math.min(WAYS.size() - 1, Integer.numberOfTrailingZeros(~taken));
  }

  private static int one(long crossing) {
    return (int) (crossing >>> 32);
  }

  private static int firstOf(long[] crossings, int loop) {
    int at = Arrays.binarySearch(crossings, (long) loop << 32);
    return at < 0 ? -at - 1 : at;
  }

  /** Pairs of complete loops that cross, both ways, sorted: a loop, and one that it crosses. */
  private long[] crossings() {
    Topology topology = subject.topology();
    LongStream.Builder pairs = LongStream.builder();
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v)
          && topology.classOf(v) == Topology.VertexClass.INNER
          && topology.valence(v) == 4) {
        int[] edges = mesh.edgesAt(v);
        int one = loops.loopOf(edges[0]);
        for (int e : edges) {
          int other = loops.loopOf(e);
          if (one != other && one != Mesh.NONE && other != Mesh.NONE) {
            pairs.add((long) one << 32 | other).add((long) other << 32 | one);
          }
        }
      }
    }
    return pairs
        .build()
        .filter(pair -> isComplete(one(pair)) && isComplete((int) pair))
        .sorted()
        .distinct()
        .toArray();
  }

  private BitSet stoppers() {
    BitSet faces = new BitSet();
    subject
        .rings()
        .all()
        .forEach(ring -> {
          for (Stop stop : ring.ends()) {
            if (stop.face() != Mesh.NONE) {
              faces.set(stop.face());
            }
          }
        });
    return faces;
  }

  private static BitSet endingAtPoles(EdgeLoops loops) {
    BitSet vertices = new BitSet();
    loops
        .all()
        .forEach(loop -> {
          for (EdgeLoops.End end : loop.ends()) {
            if (end.cause() == EdgeLoops.Cause.POLE) {
              vertices.set(end.vertex());
            }
          }
        });
    return vertices;
  }

  private List<Spot> spots() {
    List<Spot> spots = new ArrayList<>();
    poles.stream()
        .filter(mesh::hasPlace)
        .forEach(v -> {
          int valence = subject.topology().valence(v);
          spots.add(
              new Spot(
                  v,
                  mesh.position(v),
                  Integer.toString(valence),
                  false,
                  "Loops stop here: " + Say.count(valence, "edge meets", "edges meet"),
                  false));
        });
    return List.copyOf(spots);
  }
}
