package fairedge.core.form;

import static fairedge.core.form.Formed.along;
import static fairedge.core.form.Formed.bar;
import static fairedge.core.form.Formed.counts;
import static fairedge.core.form.Formed.cube;
import static fairedge.core.form.Formed.gridEnded;
import static fairedge.core.form.Formed.lBlock;
import static fairedge.core.form.Formed.prism;
import static fairedge.core.form.Formed.sizes;
import static fairedge.core.form.Formed.volume;
import static org.assertj.core.api.Assertions.assertThat;
import static org.assertj.core.api.Assertions.within;

import fairedge.core.form.Support.Holding;
import fairedge.core.form.Support.SupportSide;
import fairedge.core.form.Support.SupportWay;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Forming;
import fairedge.core.step.Receipt;
import java.util.List;
import java.util.SplittableRandom;
import java.util.TreeSet;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;

/** Worked examples with known counts, and laws over many edges. */
class SupportTest {
  private static final double W = 0.125;

  private static Holding loops(double d) {
    return Holding.asked(SupportWay.LOOPS, d, null, null, null, null, null, null);
  }

  private static Holding bevel(double w, int segments, double profile) {
    return Holding.asked(SupportWay.BEVEL, w, null, null, segments, profile, null, null);
  }

  private static Receipt made(Mesh mesh, Holding holding, Integer... edges) {
    return Formed.made(mesh, new Forming.SupportChange(List.of(edges), null, holding));
  }

  private static String refused(Mesh mesh, Holding holding, Integer... edges) {
    return Formed.refused(mesh, new Forming.SupportChange(List.of(edges), null, holding));
  }

  private static Receipt allOver(Mesh mesh, double degrees, Holding holding) {
    return Formed.made(mesh, new Forming.SupportChange(List.of(), degrees, holding));
  }

  /** Of the top of the cube. */
  private static Integer[] top(Mesh mesh) {
    return IntStream.of(mesh.edges(1)).boxed().toArray(Integer[]::new);
  }

  @Test
  void lines_onACube() {
    Mesh all = cube();
    allOver(all, 60, loops(W));
    assertThat(counts(all)).containsExactly(56, 108, 54);
    Mesh top = cube();
    made(top, loops(W), top(top));
    assertThat(counts(top)).containsExactly(16, 28, 14);
    Mesh through = cube();
    made(
        through,
        Holding.asked(SupportWay.LOOPS, W, null, true, null, null, null, null),
        top(through));
    assertThat(counts(through)).containsExactly(44, 84, 42);
    Mesh one = cube();
    made(one, loops(W), top(one)[0]);
    assertThat(counts(one)).containsExactly(18, 32, 16);
    for (Mesh mesh : List.of(all, top, through, one)) {
      assertThat(sizes(mesh)).containsOnly(4);
      assertThat(volume(mesh)).as("the form does not move").isCloseTo(1, within(1e-12));
    }
  }

  @Test
  void strips_onACube() {
    for (int s = 1; s <= 4; s++) {
      Mesh all = cube();
      allOver(all, 60, bevel(W, s, 0.5));
      List<Integer> known =
          List.of(
                  List.of(24, 48, 26),
                  List.of(56, 108, 54),
                  List.of(96, 192, 98),
                  List.of(152, 300, 150))
              .get(s - 1);
      assertThat(counts(all)).isEqualTo(known);
    }
    Mesh chord = cube();
    allOver(chord, 60, bevel(W, 1, 0));
    assertThat(IntStream.of(sizes(chord)).filter(n -> n == 3)).hasSize(8);
    assertThat(volume(chord)).isCloseTo(1 - 6 * W * W + 16 * W * W * W / 3, within(1e-12));
    Mesh one = cube();
    made(one, bevel(W, 1, 0), top(one)[0]);
    assertThat(counts(one)).containsExactly(10, 15, 7);
    assertThat(volume(one)).isCloseTo(1 - W * W / 2, within(1e-12));
    assertThat(IntStream.of(sizes(one)).filter(n -> n == 5)).hasSize(2);
  }

  private static long poles(Mesh mesh) {
    return IntStream.range(0, mesh.vertexEnd())
        .filter(v -> mesh.hasVertex(v) && mesh.valence(v) != 4)
        .count();
  }

  @Test
  void bothRims_ofACylinderWithGridEnds() {
    Mesh mesh = gridEnded();
    int vertices = mesh.vertexCount();
    int faces = mesh.faceCount();
    final long poles = poles(mesh);
    allOver(mesh, 60, loops(0.05));
    assertThat(mesh.vertexCount()).isEqualTo(vertices + 4 * 12);
    assertThat(mesh.faceCount()).isEqualTo(faces + 4 * 12);
    assertThat(sizes(mesh)).containsOnly(4);
    assertThat(poles(mesh)).isEqualTo(poles);
  }

  /** Where no run ends, a strip of two segments whose section is the corner is two lines. */
  @Test
  void twoSegmentsInTheCorner_areLines() {
    for (Mesh form : List.of(cube(), prism(3), prism(5), gridEnded(), lBlock())) {
      Mesh strips = form.copy();
      Mesh lines = form.copy();
      allOver(strips, 50, bevel(0.04, 2, 1));
      allOver(lines, 50, loops(0.04));
      assertThat(counts(strips)).isEqualTo(counts(lines));
      assertThat(places(strips)).isEqualTo(places(lines));
    }
  }

  private static TreeSet<String> places(Mesh mesh) {
    return IntStream.range(0, mesh.vertexEnd())
        .filter(mesh::hasVertex)
        .mapToObj(mesh::position)
        .map(p -> "%.8f %.8f %.8f".formatted(p.x() + 5, p.y() + 5, p.z() + 5))
        .collect(Collectors.toCollection(TreeSet::new));
  }

  /** The rounded corners of a cube are eighths of a ball, its edges quarters of a cylinder. */
  @Test
  void arc_isOnTheCircleAndTheBall() {
    Mesh mesh = cube();
    allOver(mesh, 60, bevel(W, 6, 0.5));
    for (int v = 0; v < mesh.vertexEnd(); v++) {
      if (mesh.hasVertex(v)) {
        Vec3 p = mesh.position(v);
        Vec3 core = new Vec3(inside(p.x()), inside(p.y()), inside(p.z()));
        assertThat(p.distance(core)).isCloseTo(W, within(1e-12));
      }
    }
    assertThat(sizes(mesh)).containsOnly(4);
  }

  private static double inside(double x) {
    return Math.clamp(x, W, 1 - W);
  }

  @Test
  void strip_throughStraightRuns_keepsTheSidesOfTheFaces() {
    // A bar of four sections: its long edges have one edge on each side at every vertex.
    Mesh bar = bar(4);
    Integer[] run = along(bar);
    made(bar, bevel(0.1, 3, 0.5), run);
    assertThat(counts(bar).get(0) - counts(bar).get(1) + counts(bar).get(2)).isEqualTo(2);
    assertThat(IntStream.of(sizes(bar)).filter(n -> n != 4)).containsExactlyInAnyOrder(7, 7);
    Mesh mitre = bar(4);
    made(mitre, bevel(0.1, 1, 0), along(mitre));
    assertThat(volume(mitre)).isCloseTo(4 - 4 * 0.01 / 2, within(1e-12));
  }

  @Test
  void strip_goesOnToTheEndsOfItsLoop() {
    Mesh whole = bar(4);
    made(whole, bevel(0.1, 1, 0), along(whole));
    Mesh first = bar(4);
    Holding on = Holding.asked(SupportWay.BEVEL, 0.1, null, null, 1, 0.0, true, null);
    made(first, on, along(first)[1]);
    assertThat(counts(first)).isEqualTo(counts(whole));
    Mesh narrow = bar(4);
    assertThat(refused(narrow, bevel(0.1, 1, 0), along(narrow)[1])).contains("narrow at both ends");
    Receipt two = made(narrow, bevel(0.1, 1, 0), along(narrow)[0], along(narrow)[1]);
    assertThat(two.remarks()).anyMatch(r -> r.text().contains("a triangle"));
    assertThat(IntStream.of(sizes(narrow)).filter(n -> n == 3)).hasSize(1);
  }

  @Test
  void lines_onOneSide_andAtABorder() {
    Mesh one = bar(2);
    Holding half =
        Holding.asked(SupportWay.LOOPS, 0.1, SupportSide.ONE, null, null, null, null, null);
    made(one, half, along(one));
    Mesh other = bar(2);
    Holding rest =
        Holding.asked(SupportWay.LOOPS, 0.1, SupportSide.OTHER, null, null, null, null, null);
    made(other, rest, along(other));
    assertThat(counts(one)).isEqualTo(counts(other));
    assertThat(places(one)).isNotEqualTo(places(other));
    assertThat(volume(one)).isCloseTo(2, within(1e-12));
    Mesh sheet = Formed.sheet();
    made(sheet, loops(0.1), sheet.findEdge(0, 1), sheet.findEdge(1, 2));
    assertThat(counts(sheet)).as("along the border, open at both ends").containsExactly(9, 12, 4);
    assertThat(sizes(sheet)).containsOnly(4);
    Mesh between = Formed.sheet();
    made(between, loops(0.1), between.findEdge(1, 4));
    assertThat(counts(between)).containsExactly(10, 13, 4);
    assertThat(refused(Formed.sheet(), bevel(0.1, 1, 0), Formed.sheet().findEdge(0, 1)))
        .contains("border");
    Mesh flat = Formed.sheet();
    made(flat, bevel(0.1, 2, 0.5), flat.findEdge(1, 4));
    assertThat(counts(flat)).containsExactly(10, 13, 4);
  }

  @Test
  void tooWide_isRefusedWithTheBound_orMadeToFit() {
    Mesh mesh = cube();
    assertThat(refused(mesh, bevel(0.5, 1, 0), boxed(mesh))).contains("less than 0.5");
    assertThat(refused(mesh, loops(0.7), boxed(mesh))).contains("less than 0.5");
    Holding roomy = Holding.asked(SupportWay.BEVEL, 3, null, null, 1, 0.0, null, true);
    assertThat(made(mesh, roomy, boxed(mesh)).remarks())
        .anyMatch(r -> r.text().contains("0.4500 wide"));
    assertThat(refused(cube(), loops(0), 0)).contains("more than 0");
    assertThat(refused(cube(), bevel(0.1, 0, 0), 0)).contains("segments");
    assertThat(refused(cube(), bevel(0.1, 1, 2), 0)).contains("profile");
  }

  @Test
  void linesStraightThrough_areRefusedWithTheBound_orMadeToFit() {
    Mesh mesh = cube();
    Holding wide = Holding.asked(SupportWay.LOOPS, 0.7, null, true, null, null, null, null);
    assertThat(refused(mesh, wide, boxed(mesh))).contains("less than 0.5");
    Holding fits = Holding.asked(SupportWay.LOOPS, 0.7, null, true, null, null, null, true);
    assertThat(made(mesh, fits, boxed(mesh)).remarks())
        .anyMatch(r -> r.text().contains("0.4500 wide"));
    assertThat(counts(mesh)).containsExactly(56, 108, 54);
  }

  /** Lines cross a short edge far from its ends where the faces beside it open wide. */
  @Test
  void crossings_mustNotPassEachOther() {
    Mesh mesh = prism(12);
    // The corners of the ends are of 150 degrees: lines cross twice the distance away.
    double side = 2 * Math.sin(Math.PI / 12);
    double bound = side / (1 / Math.sin(Math.toRadians(150)) + 1);
    assertThat(
            Formed.refused(mesh, new Forming.SupportChange(List.of(), 20.0, loops(bound * 1.01))))
        .contains("less than " + "%.4g".formatted(bound));
    allOver(mesh, 20, loops(bound * 0.99));
    assertThat(Formed.euler(mesh)).isEqualTo(2);
  }

  private static Integer[] boxed(Mesh mesh) {
    return IntStream.range(0, mesh.edgeEnd()).boxed().toArray(Integer[]::new);
  }

  /** What would take too much memory or time is refused before anything is laid. */
  @Test
  void tooMuchAtOnce_isRefused() {
    Mesh many = Formed.cubes(600);
    Holding fine = Holding.asked(SupportWay.BEVEL, 0.01, null, null, 64, 0.5, null, null);
    assertThat(Formed.refused(many, new Forming.SupportChange(List.of(), 60.0, fine)))
        .contains("at most 2000000");
  }

  @Test
  void whatItSays() {
    Mesh mesh = cube();
    assertThat(made(mesh, loops(W), boxed(mesh)).remarks())
        .anyMatch(
            r -> r.text().equals("All 24 pieces of strip are narrow enough to count as support."));
    Mesh wide = cube();
    assertThat(made(wide, loops(0.3), boxed(wide)).remarks())
        .anyMatch(r -> r.text().startsWith("0 of 24"));
  }

  /** A line that runs on to where another is to lie would leave vertices double. */
  @Test
  void linesOnOneAnother_areRefused() {
    assertThat(refused(HarbourProps.cleat(), loops(5.12), 46, 50, 52, 54, 56, 60, 62, 64))
        .contains("lie on one another");
    for (int first = 0; first < 76; first += 3) {
      for (int second = first + 1; second < 76; second += 5) {
        Mesh other = HarbourProps.cleat();
        Formed.apply(other, new Forming.SupportChange(List.of(first, second), null, loops(5.12)));
        assertThat(places(other)).as("%d and %d", first, second).hasSize(other.vertexCount());
      }
    }
  }

  /** On forms of the scenario all stays sound, and undo is exact. */
  @Test
  void manyRuns_keepTheLaws() {
    SplittableRandom random = new SplittableRandom(24);
    int done = 0;
    for (int round = 0; round < 400; round++) {
      Mesh mesh = Formed.byTurns(round);
      List<Integer> edges = Formed.someEdges(mesh, random, round % 7 + 2);
      if (edges.isEmpty()) {
        continue;
      }
      boolean isLoops = random.nextBoolean();
      Holding holding =
          new Holding(
              isLoops ? SupportWay.LOOPS : SupportWay.BEVEL,
              random.nextDouble(0.001, 0.02) * mesh.bounds().diagonal(),
              SupportSide.BOTH,
              random.nextInt(4) == 0,
              random.nextInt(1, 5),
              random.nextInt(5) / 4.0,
              random.nextInt(4) == 0,
              random.nextBoolean());
      done += Formed.keepsTheLaws(mesh, new Forming.SupportChange(edges, null, holding)) ? 1 : 0;
    }
    assertThat(done).isGreaterThan(150);
  }
}
