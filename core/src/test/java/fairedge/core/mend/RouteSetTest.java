package fairedge.core.mend;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Meshes;
import fairedge.core.geometry.Tolerance;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.inspect.finding.SidesFinding;
import fairedge.core.mend.RouteSearch.Found;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBytes;
import fairedge.core.step.Mending;
import fairedge.core.step.Outcome;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Curviest;
import java.util.ArrayList;
import java.util.BitSet;
import java.util.HashMap;
import java.util.HashSet;
import java.util.List;
import java.util.Map;
import java.util.Set;
import java.util.SplittableRandom;
import java.util.function.Function;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

class RouteSetTest {
  private static final Profile SHEET = Profile.named("Open sheet");

  private record Sheet(Mesh mesh, Workpiece workpiece, State state) {
    static Sheet of(Mesh mesh) {
      Workpiece workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
      Inspector inspector = new Inspector(SHEET, workpiece.tolerance());
      return new Sheet(mesh, workpiece, State.of(inspector, workpiece));
    }

    <T> T ask(Function<Ground, T> question) {
      return state.ask(
          workpiece,
          facts ->
              question.apply(
                  new Ground(facts, state.report(), new BitSet(), Curviest.of(facts.mesh()))));
    }
  }

  /** Pieces of routes in a mesh: at their ends triangles and faces of five sides. */
  static Mesh withPieces(Mesh clean, int pieces, SplittableRandom random) {
    Workpiece workpiece = new Workpiece(clean, Tolerance.of(clean.bounds()));
    for (int made = 0; made < pieces; ) {
      made += workpiece.apply(piece(clean, random)) instanceof Outcome.Made ? 1 : 0;
    }
    return MeshBytes.read(MeshBytes.write(clean));
  }

  private static Mending.RouteChange piece(Mesh mesh, SplittableRandom random) {
    while (true) {
      int e = random.nextInt(mesh.edgeEnd());
      if (!mesh.hasEdge(e) || !mesh.isTwoSided(e)) {
        continue;
      }
      List<Integer> edges = new ArrayList<>(List.of(e));
      int side = mesh.firstSideOn(e);
      int back = mesh.nextOnEdge(side);
      for (int i = random.nextInt(1, 4); i > 0 && mesh.size(mesh.faceOf(side)) == 4; i--) {
        int across = mesh.next(mesh.next(side));
        edges.add(mesh.edgeOf(across));
        if (!mesh.isTwoSided(mesh.edgeOf(across))) {
          break;
        }
        side = mesh.nextOnEdge(across);
      }
      boolean isPlain =
          edges.size() > 1
              && mesh.size(mesh.faceOf(side)) == 4
              && mesh.size(mesh.faceOf(back)) == 4
              && mesh.isTwoSided(edges.getLast());
      if (isPlain) {
        int opposite = mesh.vertexOf(mesh.next(mesh.next(back)));
        return new Mending.RouteChange(random.nextBoolean() ? opposite : null, edges);
      }
    }
  }

  /** All ways to put up to eight faces together, with each other or the border. */
  @Test
  void theSet_costsTheLeastOfAll() {
    for (int seed = 0; seed < 20; seed++) {
      SplittableRandom random = new SplittableRandom(seed);
      Mesh clean = seed % 2 == 0 ? Meshes.grid(9, 9) : Meshes.torus(12, 9);
      Sheet sheet = Sheet.of(withPieces(clean, 2 + seed % 3, random));
      sheet.ask(ground -> {
        List<Integer> odd = RouteSet.odd(ground);
        RouteSet set = RouteSet.of(ground, odd);
        assertThat(set.isExact()).isTrue();
        RouteSearch search = new RouteSearch(ground);
        Map<Set<Integer>, Integer> cost = new HashMap<>();
        for (int f : odd) {
          for (Found way : search.within(f, 400).ways()) {
            cost.merge(Set.copyOf(List.of(f, way.to())), way.cost(), Math::min);
          }
          for (int g : odd) {
            if (g != f) {
              Redo.lifted(ground, f, g)
                  .ifPresent(way -> cost.merge(Set.of(f, g), way.cost(), Math::min));
            }
          }
        }
        int least = least(new ArrayList<>(odd), cost);
        if (set.alone().isEmpty()) {
          int sum = set.routes().stream().mapToInt(Found::cost).sum();
          assertThat(sum - set.over()).isEqualTo(least);
        } else {
          assertThat(least).isGreaterThan(ALONE / 2);
        }
        return null;
      });
    }
  }

  private static final int ALONE = 1 << 20;

  private static int least(List<Integer> odd, Map<Set<Integer>, Integer> cost) {
    if (odd.isEmpty()) {
      return 0;
    }
    int first = odd.removeFirst();
    int best =
        cost.getOrDefault(Set.of(first, Mesh.NONE), ALONE) + least(new ArrayList<>(odd), cost);
    for (int other : List.copyOf(odd)) {
      Integer way = cost.get(Set.of(first, other));
      if (way != null) {
        List<Integer> rest = new ArrayList<>(odd);
        rest.remove((Integer) other);
        best = Math.min(best, way + least(rest, cost));
      }
    }
    return best;
  }

  /** Crowded, so that they are in each other's way. */
  @Test
  void routes_shareNoEdge_andNoQuadOtherThanStraightAcross() {
    int over = 0;
    for (int seed = 0; seed < 30; seed++) {
      Mesh clean = seed % 2 == 0 ? Meshes.grid(10, 10) : Meshes.torus(14, 10);
      Sheet sheet = Sheet.of(withPieces(clean, 8, new SplittableRandom(seed)));
      RouteSet set = sheet.ask(ground -> RouteSet.of(ground, RouteSet.odd(ground)));
      Set<Integer> edges = new HashSet<>();
      Map<Integer, Boolean> straight = new HashMap<>();
      for (Found way : set.routes()) {
        way.edges().forEach(e -> assertThat(edges.add(e)).isTrue());
        for (int i = 1; i < way.edges().size(); i++) {
          crosses(sheet.mesh, way.edges().get(i - 1), way.edges().get(i), straight);
        }
      }
      assertThat(set.over()).isNotNegative();
      over += set.over();
    }
    assertThat(over).isPositive();
  }

  private static void crosses(Mesh mesh, int a, int b, Map<Integer, Boolean> straight) {
    int quad =
        IntStream.of(mesh.facesOn(a))
            .filter(f -> mesh.size(f) == 4 && IntStream.of(mesh.edges(f)).anyMatch(e -> e == b))
            .findFirst()
            .orElseThrow();
    boolean isStraight =
        IntStream.of(mesh.first(a), mesh.second(a))
            .noneMatch(v -> v == mesh.first(b) || v == mesh.second(b));
    Boolean earlier = straight.put(quad, isStraight);
    assertThat(earlier == null || earlier && isStraight).isTrue();
  }

  @Test
  void aSweep_makesTheSet_andOnlyQuadsAreLeft() {
    for (int seed = 0; seed < 6; seed++) {
      Mesh sheet = withPieces(Meshes.grid(24, 24), 5, new SplittableRandom(seed));
      Sheet test = Sheet.of(sheet);
      byte[] before = MeshBytes.write(sheet);
      Sweep sweep =
          Sweep.of(
              test.workpiece,
              test.state,
              List.of(),
              RouteSetTest::isOtherThanAQuad,
              (dealt, of) -> {});
      assertThat(MeshBytes.write(sheet)).isEqualTo(before);
      assertThat(sweep.left()).isEmpty();
      assertThat(sweep.routes()).endsWith("of all sets the one that costs least.");
      test.workpiece.apply(sweep.change());
      assertThat(IntStream.range(0, sheet.faceEnd()).filter(sheet::hasFace))
          .allMatch(f -> sheet.size(f) == 4);
      test.workpiece.undo();
      assertThat(MeshBytes.write(sheet)).isEqualTo(before);
    }
  }

  private static boolean isOtherThanAQuad(Assessed found) {
    return found.finding() instanceof SidesFinding.Triangle
        || found.finding() instanceof SidesFinding.Ngon;
  }

  @Test
  void moreThanAreMatchedExactly_goByTheCheapestFirst_andItIsSaid() {
    Mesh sheet = withPieces(Meshes.grid(70, 70), 205, new SplittableRandom(1));
    RouteSet set = Sheet.of(sheet).ask(ground -> RouteSet.of(ground, RouteSet.odd(ground)));
    assertThat(set.isExact()).isFalse();
    assertThat(set.told(200)).startsWith("200 routes, the cheapest first");
    assertThat(set.alone().size()).isLessThan(20);
  }
}
