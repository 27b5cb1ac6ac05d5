package fairedge.core.mend;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.step.Change;
import fairedge.core.step.Mending;
import fairedge.core.step.Outcome;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Curviest;
import fairedge.core.work.Scope;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.Comparator;
import java.util.List;
import java.util.Optional;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;
import org.junit.jupiter.params.provider.ValueSource;

/** That what is offered first is the least there is: by trying all there is, on small meshes. */
class LeastTest {
  private static final Profile SHEET = Profile.named("Open sheet");

  /** A copy of a mesh on which changes are made for good; null where one is refused. */
  private static Mesh with(Mesh mesh, List<Change> changes) {
    Mesh copy = MeshBytes.read(MeshBytes.write(mesh));
    Workpiece workpiece = new Workpiece(copy, Tolerance.of(copy.bounds()));
    return changes.stream().allMatch(c -> workpiece.apply(c) instanceof Outcome.Made) ? copy : null;
  }

  private static State inspected(Workpiece workpiece) {
    return State.of(new Inspector(SHEET, workpiece.tolerance()), workpiece);
  }

  private static IntStream inner(Mesh mesh) {
    return IntStream.range(0, mesh.vertexEnd())
        .filter(v -> mesh.hasVertex(v) && mesh.edgesAt(v).length > 0)
        .filter(v -> Arrays.stream(mesh.edgesAt(v)).allMatch(mesh::isTwoSided));
  }

  private static int poles(Mesh mesh) {
    return (int) inner(mesh).filter(v -> mesh.valence(v) != 4).count();
  }

  private static int steps(Mesh mesh) {
    return inner(mesh).map(v -> Math.abs(mesh.valence(v) - 4)).sum();
  }

  @ParameterizedTest
  @ValueSource(ints = {6, 8, 10, 12})
  void aFaceWithAnEvenNumberOfSides_isDividedAsWellAsCanBe(int sides) {
    for (int seed = 0; seed < 4; seed++) {
      Mesh mesh = dish(sides, new SplittableRandom(seed));
      Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
      State state = inspected(workpiece);
      Assessed many =
          state.report().findings().stream()
              .filter(a -> a.finding() instanceof SidesFinding.Ngon)
              .findFirst()
              .orElseThrow();
      Trial trial = new Trial(workpiece, state, List.of(), Curviest.of(mesh));
      Trial.Held least =
          new Mender(workpiece, state, List.of())
              .of(many.finding()).mends().stream()
                  .map(mend -> trial.of(plan(mend.changes()), many).orElseThrow())
                  .min(FEWEST_POLES)
                  .orElseThrow();
      List<List<int[]>> ways = divisions(0, sides - 1);
      assertThat(ways).hasSize(List.of(3, 12, 55, 273).get(sides / 2 - 3));
      int holding = 0;
      for (List<int[]> way : ways) {
        Optional<Trial.Held> other = trial.of(plan(connects(way)), many);
        if (other.isPresent()) {
          holding++;
          assertThat(other.get().poles())
              .isEqualTo(poles(with(mesh, other.get().mend().changes())) - poles(mesh));
          assertThat(FEWEST_POLES.compare(least, other.get()))
              .as("seed %d: %s before %s", seed, least.mend(), other.get().mend())
              .isNotPositive();
        }
      }
      assertThat(holding).isPositive();
    }
  }

  /** What comes of findings is known only when it is tried: all else is the least. */
  private static final Comparator<Trial.Held> FEWEST_POLES =
      Comparator.comparingInt(Trial.Held::poles)
          .thenComparingDouble(held -> Math.rint(held.off() * 1e6));

  private static Plan plan(List<Change> changes) {
    return Plan.of("Try.", changes.toArray(Change[]::new));
  }

  /** A face of many sides, 0 to n-1, in a ring of quads, some of them cut through. */
  private static Mesh dish(int sides, SplittableRandom random) {
    MeshBuilder builder = new MeshBuilder();
    double[] at = random.doubles(sides, -0.35, 0.35).toArray();
    for (double r : new double[] {1, 1.4, 1.8}) {
      for (int i = 0; i < sides; i++) {
        double angle = (i + at[i]) * 2 * Math.PI / sides;
        builder.vertex(r * Math.cos(angle), r * Math.sin(angle), 0);
      }
    }
    builder.face(IntStream.range(0, sides).toArray());
    for (int ring = 0; ring < 2; ring++) {
      for (int i = 0; i < sides; i++) {
        int next = (i + 1) % sides + ring * sides;
        int own = i + ring * sides;
        if (ring == 0 && i % 2 == 0 && random.nextBoolean()) {
          // Its corner gains an edge.
          builder.face(own, own + sides, next + sides);
          builder.face(own, next + sides, next);
        } else {
          builder.face(own, own + sides, next + sides, next);
        }
      }
    }
    return builder.build();
  }

  /** All ways to divide the corners from i to j, by chords. */
  private static List<List<int[]>> divisions(int i, int j) {
    if (j - i == 1) {
      return List.of(List.of());
    }
    List<List<int[]>> all = new ArrayList<>();
    for (int a = i + 1; a < j; a += 2) {
      for (int b = a + 1; b < j; b += 2) {
        for (List<int[]> x : divisions(i, a)) {
          for (List<int[]> y : divisions(a, b)) {
            for (List<int[]> z : divisions(b, j)) {
              List<int[]> way = new ArrayList<>();
              for (int[] chord : new int[][] {{i, a}, {a, b}, {b, j}}) {
                if (chord[1] - chord[0] > 1) {
                  way.add(chord);
                }
              }
              way.addAll(x);
              way.addAll(y);
              way.addAll(z);
              all.add(way);
            }
          }
        }
      }
    }
    return all;
  }

  private static List<Change> connects(List<int[]> chords) {
    return chords.stream()
        .<Change>map(c -> new Tidying.ConnectChange(List.of(c[0], c[1]), Scope.WHOLE))
        .toList();
  }

  /** Whether the quads between some corners have no straight corner. */
  private static boolean isSquareEnough(Mesh mesh, int[] corners) {
    List<Integer> ring = Arrays.stream(corners).boxed().toList();
    return IntStream.range(0, mesh.faceEnd())
        .filter(mesh::hasFace)
        .filter(f -> mesh.size(f) == 4)
        .filter(f -> Arrays.stream(mesh.vertices(f)).allMatch(ring::contains))
        .allMatch(f -> {
          Polygon shape = mesh.polygon(f);
          return IntStream.range(0, 4).allMatch(i -> shape.angleAt(i) < 178)
              && Math.abs(IntStream.range(0, 4).mapToDouble(shape::angleAt).sum() - 360) < 1e-6;
        });
  }

  /**
   * Two odd faces in a sheet; all routes from the one to the other are made, and what they cost.
   */
  private static final int NONE = 1 << 20;

  @Test
  void aRouteBetweenTwoOddFaces_costsTheLeast() {
    int compared = 0;
    for (int seed = 0; seed < 24; seed++) {
      Mesh mesh = withTwoOdd(new SplittableRandom(seed));
      List<Integer> odd = odd(mesh);
      Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
      State state = inspected(workpiece);
      int found =
          state.ask(
              workpiece,
              facts -> {
                Ground ground =
                    new Ground(facts, state.report(), new BitSet(), Curviest.of(facts.mesh()));
                return new RouteSearch(ground)
                    .past(odd.getFirst(), odd.getLast(), RouteSearch.Taken.NOTHING, 100)
                    .map(RouteSearch.Found::cost)
                    .orElse(NONE);
              });
      int least = new AllRoutes(mesh, odd.getFirst(), odd.getLast()).least();
      assertThat(found).as("seed %d", seed).isEqualTo(least);
      compared += least == NONE ? 0 : 1;
    }
    assertThat(compared).isGreaterThan(12);
  }

  private static List<Integer> odd(Mesh mesh) {
    return IntStream.range(0, mesh.faceEnd())
        .filter(f -> mesh.hasFace(f) && mesh.size(f) % 2 != 0)
        .boxed()
        .toList();
  }

  /** A piece of a route in a sheet of 5 by 5: at its ends a triangle or a face of five. */
  private static Mesh withTwoOdd(SplittableRandom random) {
    while (true) {
      Mesh mesh = Meshes.grid(5, 5);
      int e = random.nextInt(mesh.edgeEnd());
      List<Integer> edges = new ArrayList<>(List.of(e));
      if (!mesh.isTwoSided(e)) {
        continue;
      }
      int side = mesh.firstSideOn(e);
      for (int i = random.nextInt(1, 3); i > 0; i--) {
        int next = random.nextBoolean() ? mesh.next(side) : mesh.next(mesh.next(side));
        edges.add(mesh.edgeOf(next));
        if (!mesh.isTwoSided(mesh.edgeOf(next))) {
          break;
        }
        side = mesh.nextOnEdge(next);
      }
      int opposite = mesh.vertexOf(mesh.next(mesh.next(mesh.nextOnEdge(mesh.firstSideOn(e)))));
      Integer from = random.nextBoolean() ? opposite : null;
      Mesh made = with(mesh, List.of(new Mending.RouteChange(from, edges)));
      if (made != null && odd(made).size() == 2) {
        return MeshBytes.read(MeshBytes.write(made));
      }
    }
  }

  /** Every way across quads, each made on a copy and its faces and valences counted. */
  private static final class AllRoutes {
    static final int LONGEST = 9;

    final Mesh mesh;
    final int from;
    final int to;
    int least = NONE;

    AllRoutes(Mesh mesh, int from, int to) {
      this.mesh = mesh;
      this.from = from;
      this.to = to;
    }

    int least() {
      int c = mesh.firstCorner(from);
      for (int i = mesh.size(from); i > 0; i--, c = mesh.next(c)) {
        go(c, new ArrayList<>());
      }
      return least;
    }

    /** Out over a side, and on. */
    private void go(int side, List<Integer> edges) {
      int e = mesh.edgeOf(side);
      // A quad more costs one more at the least, and an end 8 less at the best.
      if (!mesh.isTwoSided(e)
          || edges.contains(e)
          || edges.size() >= LONGEST
          || edges.size() - 16 > least) {
        return;
      }
      edges.add(e);
      int over = mesh.nextOnEdge(side);
      int f = mesh.faceOf(over);
      if (f == to) {
        least = Math.min(least, cost(edges));
      } else if (f != from && mesh.size(f) == 4) {
        for (int c = mesh.next(over); c != over; c = mesh.next(c)) {
          go(c, edges);
        }
      }
      edges.removeLast();
    }

    private int cost(List<Integer> edges) {
      List<Integer> ends = List.of(from, to);
      if (edges.size() == 1 && ends.stream().anyMatch(f -> mesh.size(f) == 3)) {
        // A vertex in one side of a triangle alone, and the other becomes quads: it would be idle.
        return NONE;
      }
      Mesh cut = with(mesh, List.of(new Mending.RouteChange(null, edges)));
      if (cut == null) {
        return NONE;
      }
      int worth = divided(cut, ends);
      return worth == NONE ? NONE : worth - worth(mesh);
    }

    private static int worth(Mesh mesh) {
      return mesh.faceCount() + 4 * steps(mesh);
    }

    /** What the ends are worth when those of more than four sides are divided at their best. */
    private static int divided(Mesh cut, List<Integer> ends) {
      for (int f : ends) {
        if (cut.size(f) > 4) {
          int[] ring = cut.vertices(f);
          int best = NONE;
          for (List<int[]> way : divisions(0, ring.length - 1)) {
            List<int[]> chords = way.stream().map(c -> new int[] {ring[c[0]], ring[c[1]]}).toList();
            Mesh next = with(cut, connects(chords));
            if (next != null && isSquareEnough(next, ring)) {
              best = Math.min(best, divided(next, ends));
            }
          }
          return best;
        }
      }
      return worth(cut);
    }
  }
}
