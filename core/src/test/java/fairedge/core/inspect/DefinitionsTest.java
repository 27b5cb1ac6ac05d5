package fairedge.core.inspect;

import static org.assertj.core.api.Assertions.assertThat;

import fairedge.core.Seeds;
import fairedge.core.geometry.Polygon;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.finding.Finding;
import fairedge.core.inspect.finding.Rule;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.survey.Asking;
import fairedge.core.survey.Subject;
import fairedge.core.survey.Threshold;
import fairedge.core.survey.Thresholds;
import java.util.EnumMap;
import java.util.EnumSet;
import java.util.List;
import java.util.Map;
import java.util.Random;
import java.util.Set;
import java.util.TreeSet;
import java.util.function.IntPredicate;
import java.util.stream.Collectors;
import java.util.stream.IntStream;
import org.junit.jupiter.api.Test;
import org.junit.jupiter.params.ParameterizedTest;

/**
 * What is found in crumpled sheets of all faults at once, compared with the definitions taken word
 * by word at every element, without the short cuts of the finders.
 */
class DefinitionsTest {
  private static final int SIDE = 16;

  /** Usual thresholds, and others at which the short cuts are taken otherwise. */
  private static final List<Thresholds> THRESHOLDS =
      List.of(
          Thresholds.USUAL,
          Thresholds.USUAL
              .with(Threshold.STRAIGHT, 12)
              .with(Threshold.FOLDED, 20)
              .with(Threshold.JUMP, 1.3)
              .with(Threshold.WARPED, 4)
              .with(Threshold.SHORT_EDGE, 0.6)
              .with(Threshold.NO_AREA, 0.4)
              .with(Threshold.CONCAVE, 0),
          Thresholds.USUAL
              .with(Threshold.STRAIGHT, 6)
              .with(Threshold.FOLDED, 100)
              .with(Threshold.HARD_EDGE, 120)
              .with(Threshold.JUMP, 1)
              .with(Threshold.WELD, 0.3));

  private Mesh mesh = new MeshBuilder().build();

  @ParameterizedTest
  @Seeds
  void flatCorners(long seed) {
    mesh = crumpled(new Random(seed));
    forAll(
        Rule.FLAT_CORNER,
        (subject, f) -> {
          Polygon shape = shapeOf(f);
          double straight = subject.threshold(Threshold.STRAIGHT);
          return shape != null
              && shape.size() <= 4
              && IntStream.range(0, shape.size())
                  .anyMatch(i -> hasSidesAt(shape, i) && shape.turnAt(i) <= straight);
        });
  }

  @ParameterizedTest
  @Seeds
  void facesWithoutArea(long seed) {
    mesh = crumpled(new Random(seed));
    forAll(
        Rule.NO_AREA,
        (subject, f) -> {
          Polygon shape = shapeOf(f);
          return shape != null && shape.slenderness() <= subject.threshold(Threshold.NO_AREA);
        });
  }

  @ParameterizedTest
  @Seeds
  void concaveFaces(long seed) {
    mesh = crumpled(new Random(seed));
    forAll(
        Rule.CONCAVE,
        (subject, f) -> {
          Polygon shape = shapeOf(f);
          double least = subject.threshold(Threshold.CONCAVE);
          return shape != null
              && shape.newell().length() > 0
              && IntStream.range(0, shape.size())
                  .mapToDouble(i -> -shape.inPlaneTurns()[i])
                  .anyMatch(back -> back > 0 && back >= least && back <= 179.9);
        });
  }

  @ParameterizedTest
  @Seeds
  void warpedFaces(long seed) {
    mesh = crumpled(new Random(seed));
    forAll(
        Rule.WARPED,
        (subject, f) -> {
          Polygon shape = shapeOf(f);
          return shape != null
              && shape.size() > 3
              && shape.warp(shape.inPlaneTurns()) > subject.threshold(Threshold.WARPED);
        });
  }

  @ParameterizedTest
  @Seeds
  void foldedEdges(long seed) {
    mesh = crumpled(new Random(seed));
    forAll(
        Rule.FOLDED,
        (subject, e) -> mesh.hasEdge(e) && turnAt(e) > subject.threshold(Threshold.FOLDED));
  }

  @ParameterizedTest
  @Seeds
  void hardEdges(long seed) {
    mesh = crumpled(new Random(seed));
    for (Thresholds thresholds : THRESHOLDS) {
      Subject subject = subject(thresholds);
      double least = thresholds.of(Threshold.HARD_EDGE);
      for (int e = 0; e < mesh.edgeEnd(); e++) {
        if (hasFronts(e)) {
          double lone = thresholds.of(Threshold.HARD_ALONE) + 1e-3;
          boolean turns = turnAt(e) > Math.min(least, lone);
          assertThat(subject.hardEdges().turnsOver(e)).as("edge %d", e).isEqualTo(turns);
          assertThat(subject.hardEdges().isHard(e))
              .isEqualTo(turnAt(e) > lone || turnAt(e) > least && standsOut(e));
        }
      }
    }
  }

  /**
   * Whether the faces at an edge, and beyond those, are wide enough for rounding to leave fronts.
   */
  private boolean hasFronts(int e) {
    return !mesh.hasEdge(e)
        || IntStream.of(mesh.facesOn(e))
            .flatMap(f -> IntStream.of(mesh.edges(f)))
            .flatMap(side -> IntStream.of(mesh.facesOn(side)))
            .allMatch(f -> mesh.polygon(f).slenderness() > 1e-7);
  }

  private boolean standsOut(int e) {
    for (int c : new int[] {mesh.cornerOn(e), mesh.nextOnEdge(mesh.cornerOn(e))}) {
      double beside = turnAt(mesh.edgeOf(mesh.next(mesh.next(c))));
      if (mesh.size(mesh.faceOf(c)) == 4 && turnAt(e) < 2 * beside) {
        return false;
      }
    }
    return true;
  }

  @ParameterizedTest
  @Seeds
  void shortEdges(long seed) {
    mesh = crumpled(new Random(seed));
    forAll(Rule.SHORT_EDGE, (subject, e) -> isSide(e) && mesh.length(e) <= subject.weld());
    forAll(
        Rule.SHORT_EDGE_BESIDE,
        (subject, e) -> {
          if (!isSide(e) || !(mesh.length(e) > subject.weld())) {
            return false;
          }
          double mean =
              IntStream.of(mesh.facesOn(e))
                  .mapToDouble(f -> mesh.polygon(f).meanSide())
                  .average()
                  .orElseThrow();
          return mesh.length(e) < subject.threshold(Threshold.SHORT_EDGE) * mean
              && !subject.strips().isAcross(e);
        });
  }

  @ParameterizedTest
  @Seeds
  void jumps(long seed) {
    mesh = crumpled(new Random(seed));
    forAll(
        Rule.JUMP,
        (subject, e) -> {
          int[] faces = mesh.hasEdge(e) && mesh.uses(e) == 2 ? mesh.facesOn(e) : new int[0];
          if (faces.length != 2 || mesh.size(faces[0]) != 4 || mesh.size(faces[1]) != 4) {
            return false;
          }
          double one = widthBeside(faces[0], e);
          double other = widthBeside(faces[1], e);
          return Math.min(one, other) > subject.weld()
              && Math.max(one, other) > subject.threshold(Threshold.JUMP) * Math.min(one, other)
              && turnAt(e) <= subject.threshold(Threshold.HARD_EDGE)
              && IntStream.of(faces).noneMatch(subject.strips()::isIn);
        });
  }

  private double widthBeside(int f, int e) {
    int[] edges = mesh.edges(f);
    int at = IntStream.range(0, 4).filter(i -> edges[i] == e).findFirst().orElseThrow();
    return 0.5 * (mesh.length(edges[(at + 1) % 4]) + mesh.length(edges[(at + 3) % 4]));
  }

  @ParameterizedTest
  @Seeds
  void verticesThatTouchEdges(long seed) {
    mesh = crumpled(new Random(seed));
    forAll(
        Rule.TOUCHING,
        (subject, v) ->
            mesh.valence(v) > 0
                && IntStream.range(0, mesh.edgeEnd())
                    .anyMatch(e -> isSide(e) && touches(subject, v, e)));
  }

  private boolean touches(Subject subject, int v, int e) {
    Vec3 at = mesh.position(v);
    Vec3 a = mesh.position(mesh.first(e));
    Vec3 b = mesh.position(mesh.second(e));
    return at.distanceToSegment(a, b) <= subject.weld()
        && at.distance(a) > subject.weld()
        && at.distance(b) > subject.weld();
  }

  @ParameterizedTest
  @Seeds
  void doubles(long seed) {
    mesh = crumpled(new Random(seed));
    for (Thresholds thresholds : THRESHOLDS) {
      Subject subject = subject(thresholds);
      Set<Integer> named =
          found(Rule.DOUBLE, thresholds).stream()
              .flatMap(finding -> finding.elements().stream())
              .map(Element::id)
              .collect(Collectors.toCollection(TreeSet::new));
      Set<Integer> near = new TreeSet<>();
      double pairs = 0;
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        for (int w = v + 1; w < mesh.vertexEnd(); w++) {
          if (mesh.position(v).distance(mesh.position(w)) <= subject.weld()) {
            near.addAll(List.of(v, w));
            pairs++;
          }
        }
      }
      assertThat(named).isEqualTo(near);
      assertThat(
              found(Rule.DOUBLE, thresholds).stream()
                  .mapToDouble(finding -> finding.measure().value())
                  .sum())
          .isEqualTo(pairs);
    }
  }

  /** Or else it would not say much that all is found. */
  @Test
  void sheets_haveEveryFaultThatIsCompared() {
    List<Rule> rules =
        List.of(
            Rule.FLAT_CORNER,
            Rule.NO_AREA,
            Rule.CONCAVE,
            Rule.WARPED,
            Rule.FOLDED,
            Rule.SHORT_EDGE,
            Rule.SHORT_EDGE_BESIDE,
            Rule.JUMP,
            Rule.TOUCHING,
            Rule.DOUBLE);
    Set<Rule> met = EnumSet.noneOf(Rule.class);
    for (int seed = 1; seed <= 8; seed++) {
      mesh = crumpled(new Random(seed));
      for (Rule rule : rules) {
        if (!found(rule, Thresholds.USUAL).isEmpty()) {
          met.add(rule);
        }
      }
    }
    assertThat(met).containsAll(rules);
  }

  private boolean isSide(int e) {
    return mesh.hasEdge(e) && mesh.uses(e) > 0;
  }

  private Polygon shapeOf(int f) {
    return mesh.hasFace(f) && mesh.isMeasurable(f) ? mesh.polygon(f) : null;
  }

  private static boolean hasSidesAt(Polygon shape, int i) {
    return !shape.corner(i).equals(shape.corner(i - 1))
        && !shape.corner(i).equals(shape.corner(i + 1));
  }

  /** Between the fronts of two faces; of one its back where they are wound against each other. */
  private double turnAt(int e) {
    if (!mesh.hasEdge(e) || mesh.uses(e) != 2) {
      return Double.NaN;
    }
    int c = mesh.cornerOn(e);
    int d = mesh.nextOnEdge(c);
    Vec3 one = mesh.polygon(mesh.faceOf(c)).newell();
    Vec3 other = mesh.polygon(mesh.faceOf(d)).newell();
    if (!(one.length() > 0 && other.length() > 0)) {
      return Double.NaN;
    }
    double turn = one.angleTo(other);
    return mesh.vertexOf(c) == mesh.vertexOf(d) ? 180 - turn : turn;
  }

  private interface Definition {
    boolean isMet(Subject subject, int id);
  }

  /** The elements that are named first of all, or in runs all that are named. */
  private void forAll(Rule rule, Definition definition) {
    for (Thresholds thresholds : THRESHOLDS) {
      Subject subject = subject(thresholds);
      Set<Integer> named =
          found(rule, thresholds).stream()
              .flatMap(finding ->
                  rule == Rule.JUMP
                      ? finding.elements().stream()
                      : finding.elements().stream().limit(1))
              .map(Element::id)
              .filter(id -> isSure(rule, id))
              .collect(Collectors.toCollection(TreeSet::new));
      IntPredicate isMet = id -> definition.isMet(subject, id) && isSure(rule, id);
      assertThat(named)
          .as("%s with %s", rule, thresholds.set())
          .isEqualTo(
              IntStream.range(0, endFor(rule))
                  .filter(isMet)
                  .boxed()
                  .collect(Collectors.toCollection(TreeSet::new)));
    }
  }

  private boolean isSure(Rule rule, int id) {
    return rule != Rule.FOLDED && rule != Rule.JUMP || hasFronts(id);
  }

  private int endFor(Rule rule) {
    return switch (rule) {
      case TOUCHING -> mesh.vertexEnd();
      case FOLDED, JUMP, SHORT_EDGE, SHORT_EDGE_BESIDE -> mesh.edgeEnd();
      default -> mesh.faceEnd();
    };
  }

  private Subject subject(Thresholds thresholds) {
    return new Subject(
        mesh, Tolerance.of(mesh.bounds()), thresholds, List.of(), null, Asking.NOTHING);
  }

  private List<Finding> found(Rule rule, Thresholds thresholds) {
    Map<Rule, Severity> severities = new EnumMap<>(Rule.class);
    severities.put(rule, Severity.MUST);
    Profile profile = new Profile("one rule", severities, thresholds);
    return new Inspector(profile, Tolerance.of(mesh.bounds()))
        .inspect(mesh).findings().stream().map(Report.Assessed::finding).toList();
  }

  /**
   * A sheet of quads, triangles and n-gons, some turned, some without area, creased and folded,
   * with a finer sheet beside it that is not joined.
   */
  private static Mesh crumpled(Random random) {
    MeshBuilder builder = new MeshBuilder();
    Vec3[] at = new Vec3[(SIDE + 1) * (SIDE + 1)];
    double rough = random.nextInt(3) * 0.25;
    for (int i = 0; i < at.length; i++) {
      int x = i % (SIDE + 1);
      int y = i / (SIDE + 1);
      double crease = x > SIDE / 2 ? 3.0 * (x - SIDE / 2) : 0;
      Vec3 off =
          new Vec3(random.nextGaussian(), random.nextGaussian(), random.nextGaussian())
              .times(random.nextInt(3) == 0 ? rough : 0);
      at[i] = new Vec3(x * x * 0.2 + x, y, crease).plus(off);
      if (random.nextInt(12) == 0 && x > 0) {
        at[i] = at[i - 1].plus(new Vec3(random.nextInt(2) * 1e-9, 0, 0));
      }
    }
    for (Vec3 place : at) {
      builder.vertex(place);
    }
    for (int y = 0; y < SIDE; y++) {
      for (int x = 0; x < SIDE; x++) {
        addCell(builder, random, y * (SIDE + 1) + x);
      }
    }
    addFinerSheet(builder);
    return builder.build();
  }

  private static void addCell(MeshBuilder builder, Random random, int a) {
    int b = a + 1;
    int c = a + SIDE + 2;
    int d = a + SIDE + 1;
    switch (random.nextInt(8)) {
      case 0 -> {
        builder.face(a, b, c);
        builder.face(a, c, d);
      }
      case 1 -> builder.face(a, d, c, b);
      case 2 -> {
        int middle =
            builder.vertex(builder.position(a).towards(builder.position(c), random.nextDouble()));
        builder.face(a, b, c, middle);
        builder.face(a, middle, c, d);
      }
      case 3 -> {
        int middle = builder.vertex(builder.position(a).towards(builder.position(b), 0.5));
        builder.face(a, middle, b, c, d);
      }
      default -> builder.face(a, b, c, d);
    }
  }

  /** Along the first row, of cells half as long: every other vertex lies on an edge. */
  private static void addFinerSheet(MeshBuilder builder) {
    int first = builder.vertexCount();
    for (int x = 0; x <= 2 * SIDE; x++) {
      Vec3 low = builder.position(x / 2);
      Vec3 place = x % 2 == 0 ? low : low.towards(builder.position(x / 2 + 1), 0.5);
      builder.vertex(place);
      builder.vertex(place.minus(new Vec3(0, 1, 0)));
    }
    for (int x = 0; x < 2 * SIDE; x++) {
      int a = first + 2 * x;
      builder.face(a, a + 1, a + 3, a + 2);
    }
  }
}
