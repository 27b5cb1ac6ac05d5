package fairedge.server.demo;

import fairedge.core.cut.LoopPlaces;
import fairedge.core.cut.PlaneBy;
import fairedge.core.cut.Straight;
import fairedge.core.form.Bend;
import fairedge.core.form.Fold;
import fairedge.core.form.Groove;
import fairedge.core.form.Inset;
import fairedge.core.form.MirrorBy;
import fairedge.core.form.Support;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Forming;
import fairedge.core.step.Outcome;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Wanted;
import fairedge.core.survey.Wanted.Line;
import fairedge.core.survey.Wanted.Pardon;
import fairedge.core.tidy.Cap;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.Comparator;
import java.util.List;
import java.util.function.Function;

/** The references of the sample exercises, made step by step, and what they ask of a line. */
final class DemoSolutions {
  private static final int[][] LOCKER = {
    {1, 2, 6, 5},
    {3, 0, 4, 7},
    {0, 1, 9, 8},
    {1, 5, 10, 9},
    {5, 4, 11, 10},
    {4, 0, 8, 11},
    {8, 9, 13, 12},
    {9, 10, 14, 13},
    {10, 11, 15, 14},
    {11, 8, 12, 15},
    {4, 5, 6, 7}
  };

  private DemoSolutions() {}

  static Mesh lid() {
    List<Function<Mesh, Change>> steps = new ArrayList<>();
    for (int k = 1; k <= 3; k++) {
      for (int side : new int[] {0, 4}) {
        int at = k;
        steps.add(mesh -> DemoWork.lidLine(side, at));
        steps.add(mesh -> DemoWork.groundLine(side, at));
      }
    }
    return made(HarbourProps.hatchLid(), steps);
  }

  static Mesh bollard() {
    return made(HarbourProps.mooringBollard(), List.of(loops(36, 48, 0.5)));
  }

  static Mesh block() {
    return made(HarbourProps.fairleadBlock(), List.of(mesh -> DemoWork.blockLine()));
  }

  static Mesh rim() {
    return made(HarbourProps.portholeRing(), rimSteps());
  }

  static List<Function<Mesh, Change>> rimSteps() {
    return List.of(loops(0, 20, 0.04), loops(80, 100, 0.96), loops(100, 0, 0.02, 0.98));
  }

  /** Both ends of the buoy: the fan's middle goes, and the grids lie over each other. */
  static Mesh end() {
    Change lift = new Tidying.LiftChange(List.of(), List.of(50), false);
    return made(HarbourProps.channelBuoy(), List.of(m -> lift, cap(40), cap(2)));
  }

  static Mesh sections() {
    return made(HarbourProps.pontoon(), sectionSteps());
  }

  static List<Function<Mesh, Change>> sectionSteps() {
    return List.of(loops(0, 1, 1 / 6.0, 2 / 6.0, 3 / 6.0, 4 / 6.0, 5 / 6.0));
  }

  static Mesh line() {
    return made(HarbourProps.channelBuoy(), lineSteps());
  }

  static List<Function<Mesh, Change>> lineSteps() {
    return List.of(loops(10, 20, 0.5));
  }

  static Mesh budget() {
    return made(HarbourProps.capstan(), budgetSteps());
  }

  static List<Function<Mesh, Change>> budgetSteps() {
    return List.of(cap(80), loops(32, 48, 0.5));
  }

  /** Round the widest part of the buoy, half-way up; its ends may stay as they are. */
  static Wanted waterline() {
    Mesh buoy = HarbourProps.channelBuoy();
    List<Vec3> points = new ArrayList<>();
    for (int column = 0; column <= 10; column++) {
      int at = column % 10;
      points.add(buoy.position(10 + at).towards(buoy.position(20 + at), 0.5));
    }
    List<Pardon> ends =
        List.of(
            new Pardon("ngon", null),
            new Pardon("triangle", null),
            new Pardon("pole", null),
            new Pardon("ring-stop", null));
    return new Wanted(null, null, null, null, true, List.of(new Line(points)), List.of())
        .pardoning(ends);
  }

  /**
   * The rope locker as a file from elsewhere would have it: the back wall hangs on three edges, the
   * left one is turned inside out, the front sill has a vertex that shapes nothing, another lies in
   * no face, and the door is two triangles.
   */
  static Mesh lockerAsItCame() {
    Mesh sound = HarbourProps.ropeLocker();
    MeshBuilder mesh = new MeshBuilder();
    for (int v = 0; v < sound.vertexEnd(); v++) {
      mesh.vertex(sound.position(v));
    }
    int doubled = mesh.vertex(sound.position(3));
    int doubledAbove = mesh.vertex(sound.position(7));
    int idle = mesh.vertex(sound.position(0).towards(sound.position(1), 0.4));
    mesh.vertex(new Vec3(90, -400, 260));
    for (int[] face : LOCKER) {
      boolean isLeft = Arrays.equals(face, LOCKER[1]);
      boolean isFront = Arrays.equals(face, LOCKER[2]);
      mesh.face(isLeft ? turned(face) : isFront ? new int[] {0, idle, 1, 9, 8} : face);
    }
    mesh.face(2, doubled, doubledAbove, 6);
    mesh.face(3, 2, 1, idle, 0);
    mesh.face(12, 13, 14);
    mesh.face(12, 14, 15);
    return mesh.build();
  }

  /** The right half of the cleat, open where it was cut. */
  static Mesh halfCleat() {
    Change half =
        Change.StraightChange.of(
            new PlaneBy.Along(Axis.X, 0), Straight.After.KEEP_AHEAD, Straight.Ends.OPEN);
    return made(HarbourProps.cleat(), List.of(mesh -> half));
  }

  /** A loop round the horn, then the other half. */
  static Mesh mirrored() {
    Change mirror = new Forming.MirrorChange(new MirrorBy.AtOffset(Axis.X, 0), true, 0.1);
    return made(halfCleat(), List.of(loops(24, 28, 0.5), mesh -> mirror));
  }

  /** The card laid flat. */
  static Mesh flatCard() {
    return made(HarbourProps.foldedSailCard(), List.of(mesh -> fold(mesh, 0)));
  }

  static Mesh foldedCard() {
    return made(flatCard(), List.of(mesh -> fold(mesh, 100)));
  }

  /** Along all five lines of the card, up and down by turns; the first panel stays. */
  private static Change fold(Mesh card, double degrees) {
    List<Fold.Hinge> hinges = new ArrayList<>();
    for (int i = 1; i < 6; i++) {
      List<Integer> line = new ArrayList<>();
      for (int j = 0; j < 3; j++) {
        line.add(card.findEdge(4 * i + j, 4 * i + j + 1));
      }
      hinges.add(new Fold.Hinge(line, i % 2 == 0 ? degrees : -degrees, false));
    }
    return new Forming.FoldChange(hinges, 0);
  }

  /** Where the folds of the card are to come to lie. */
  static Wanted folds() {
    Mesh card = foldedCard();
    List<Line> lines = new ArrayList<>();
    for (int i = 1; i < 6; i++) {
      lines.add(new Line(List.of(card.position(4 * i), card.position(4 * i + 3))));
    }
    return new Wanted(null, null, null, null, false, lines, List.of());
  }

  /** Sections every 25 mm, bent right round, its ends joined. */
  static Mesh grommet() {
    Change stack =
        Change.StraightChange.asked(
            new PlaneBy.Along(Axis.X, -275),
            null,
            null,
            null,
            23,
            25.0,
            null,
            null,
            null,
            null,
            null,
            null);
    Change bend =
        new Forming.BendChange(
            List.of(), Bend.Bow.asked(null, Axis.X, Axis.Y, null, null, null, 360));
    Change join = new Forming.RejoinChange(List.of());
    return made(HarbourProps.ropeTube(), List.of(mesh -> stack, mesh -> bend, mesh -> join));
  }

  /** A ring inside the border of the lid's top, a channel made of it, and both ends capped. */
  static Mesh grooved() {
    return made(
        HarbourProps.hatchLid(),
        List.of(
            mesh ->
                new Forming.InsetChange(
                    List.of(top(mesh)), false, new Inset.Margin(60, 0, false, true, false)),
            mesh -> {
              List<Integer> ring = Arrays.stream(mesh.edges(top(mesh))).boxed().toList();
              return new Forming.GrooveChange(
                  ring, Groove.Channel.asked(30, null, 12, null, null, null, null, null));
            },
            mesh -> grid(top(mesh)),
            mesh -> grid(largest(mesh))));
  }

  private static Change grid(int face) {
    return new Tidying.CapChange(new Cap.Plan(face, null, Cap.Form.GRID, 0, 0, 0, 0));
  }

  private static int largest(Mesh mesh) {
    int best = 0;
    for (int f = 0; f < mesh.faceEnd(); f++) {
      best = mesh.hasFace(f) && mesh.size(f) > mesh.size(best) ? f : best;
    }
    return best;
  }

  private static int top(Mesh lid) {
    int best = 0;
    for (int f = 0; f < lid.faceEnd(); f++) {
      boolean isTop = lid.hasFace(f) && lid.size(f) == 16 && lid.polygon(f).normal().z() > 0.5;
      best = isTop ? f : best;
    }
    return best;
  }

  /** The tongue fitted into its chock with 2 mm of play, and the line cleaned. */
  static Mesh fitted() {
    return made(
        HarbourProps.chockAndTongue(),
        List.of(mesh -> Forming.MeetChange.fit(List.of(0), List.of(6), 2, 0.1)));
  }

  /** The plate bored, its line cleaned and collared, both rims held. */
  static Mesh porthole() {
    Mesh starter = HarbourProps.plateAndBore();
    int bore = 0;
    while (starter.size(bore) != 12) {
      bore++;
    }
    List<Integer> second = List.of(bore);
    return made(
        starter,
        List.of(
            mesh -> Forming.MeetChange.bore(List.of(), second, 0.1, 14),
            mesh ->
                new Forming.SupportChange(
                    rims(mesh),
                    null,
                    Support.Holding.asked(null, 5, null, null, null, null, null, null))));
  }

  /** The edges of a hole along z, above and below. */
  private static List<Integer> rims(Mesh mesh) {
    List<Integer> rims = new ArrayList<>();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e)
          && isNear(mesh.position(mesh.first(e)))
          && isNear(mesh.position(mesh.second(e)))) {
        double bend =
            Math.abs(
                mesh.polygon(mesh.facesOn(e)[0])
                    .normal()
                    .dot(mesh.polygon(mesh.facesOn(e)[1]).normal()));
        if (bend < 0.5) {
          rims.add(e);
        }
      }
    }
    return rims;
  }

  private static boolean isNear(Vec3 p) {
    return Math.abs(Math.hypot(p.x(), p.y()) - 70) < 1;
  }

  /** Along the inner foot of the channel. */
  static Wanted seat() {
    Mesh lid = grooved();
    List<Vec3> points = new ArrayList<>();
    double low = lid.bounds().max().z() - 12;
    double least = Double.POSITIVE_INFINITY;
    List<Integer> floor = new ArrayList<>();
    for (int v = 0; v < lid.vertexEnd(); v++) {
      if (lid.hasVertex(v) && Math.abs(lid.z(v) - low) < 1e-6) {
        floor.add(v);
        least = Math.min(least, Math.hypot(lid.x(v), lid.y(v)));
      }
    }
    double inner = least;
    floor.stream()
        .filter(v -> Math.hypot(lid.x(v), lid.y(v)) < inner + 1)
        .sorted(Comparator.comparingDouble(v -> Math.atan2(lid.y(v), lid.x(v))))
        .map(lid::position)
        .forEach(points::add);
    points.add(points.getFirst());
    return new Wanted(null, null, null, null, false, List.of(new Line(points)), List.of());
  }

  private static int[] turned(int[] face) {
    int[] turned = new int[face.length];
    for (int i = 0; i < face.length; i++) {
      turned[i] = face[face.length - 1 - i];
    }
    return turned;
  }

  private static Function<Mesh, Change> loops(int a, int b, Double... at) {
    LoopPlaces places = new LoopPlaces.At(List.of(at), LoopPlaces.Measure.FRACTION);
    return mesh -> Change.LoopsChange.asked(mesh.findEdge(a, b), places, null, null, null, null);
  }

  /** Fills the face of many sides at a vertex with a grid that has a corner there. */
  private static Function<Mesh, Change> cap(int corner) {
    return mesh -> {
      int face =
          Arrays.stream(mesh.facesAt(corner))
              .filter(f -> mesh.size(f) > 4)
              .findFirst()
              .orElseThrow();
      return new Tidying.CapChange(new Cap.Plan(face, null, Cap.Form.GRID, 0, 0, 0, 0, corner));
    };
  }

  private static Mesh made(Mesh starter, List<Function<Mesh, Change>> steps) {
    Workpiece workpiece = new Workpiece(starter, Tolerance.of(starter.bounds()));
    steps.forEach(step -> apply(workpiece, step));
    return workpiece.mesh();
  }

  private static Change apply(Workpiece workpiece, Function<Mesh, Change> step) {
    Change change = step.apply(workpiece.mesh());
    if (workpiece.apply(change) instanceof Outcome.Refused refused) {
      throw new IllegalStateException(refused.refusal().reason());
    }
    return change;
  }

  /** What steps are on a starter, one after the other. */
  static List<Change> changes(Mesh starter, List<Function<Mesh, Change>> steps) {
    Workpiece workpiece = new Workpiece(starter, Tolerance.of(starter.bounds()));
    return steps.stream().map(step -> apply(workpiece, step)).toList();
  }
}
