package fairedge.core.step;

import fairedge.core.cut.Anchor;
import fairedge.core.cut.LoopPlaces;
import fairedge.core.cut.Loops;
import fairedge.core.cut.Outline;
import fairedge.core.cut.OutlineShape;
import fairedge.core.cut.PlaneBy;
import fairedge.core.cut.Reach;
import fairedge.core.cut.TracePoint;
import fairedge.core.cut.TraceRun;
import fairedge.core.flow.Ring;
import fairedge.core.form.Bend;
import fairedge.core.form.Extrude;
import fairedge.core.form.ExtrudeEdges;
import fairedge.core.form.Fold;
import fairedge.core.form.Groove;
import fairedge.core.form.Inset;
import fairedge.core.form.MirrorBy;
import fairedge.core.form.Support;
import fairedge.core.form.Thicken;
import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Bending;
import fairedge.core.geometry.BentBetween;
import fairedge.core.geometry.Vec3;
import fairedge.core.meet.Meet;
import fairedge.core.mesh.Mesh;
import fairedge.core.tidy.Cap;
import fairedge.core.tidy.Move;
import fairedge.core.tidy.Relax;
import fairedge.core.tidy.Slide;
import fairedge.core.tidy.Weld;
import fairedge.core.work.Scope;
import fairedge.core.work.View;
import java.util.ArrayList;
import java.util.Collections;
import java.util.List;
import java.util.Random;
import java.util.SplittableRandom;
import java.util.stream.IntStream;
import java.util.stream.Stream;

/** Changes of every kind, good and bad, of elements that may be there or not. */
public final class RandomChanges {
  private static final String WEDGE =
      """
      o Chock
      v 0 0 0
      v 1 0 0
      v 0 1 0
      v 0 0 1
      f 1 3 2
      f 1 2 4
      f 2 3 4
      f 3 1 4
      """;

  /** The kinds of change there are, those that shape twice. */
  private static final List<ChangeKind> TURNS =
      Stream.concat(
              Stream.of(ChangeKind.values()),
              Stream.of(ChangeKind.values())
                  .filter(kind -> kind.type().getEnclosingClass() == Forming.class))
          .toList();

  /** After so many turns every kind was asked for. */
  public static final int KINDS = TURNS.size();

  private RandomChanges() {}

  /** A change of kind {@code round} modulo {@link #KINDS}. */
  public static Change of(int round, Mesh mesh, SplittableRandom random, double scale) {
    int v = random.nextInt(mesh.vertexEnd());
    int e = random.nextInt(mesh.edgeEnd());
    int f = random.nextInt(mesh.faceEnd());
    List<Integer> two = List.of(v, neighbour(mesh, v, random));
    return switch (TURNS.get(round % KINDS)) {
      case LOOPS -> loops(mesh, random);
      case STRAIGHT -> straight(mesh, random, view(random, scale));
      case OUTLINE -> outline(mesh, random, view(random, scale), scale);
      case TRACE -> trace(mesh, random, view(random, scale));
      case LIFT -> lift(mesh, random, v, e);
      case DELETE -> new Tidying.DeleteChange(List.of(f), List.of(), List.of());
      case LOOSE_PARTS -> new Tidying.LoosePartsChange();
      case WELD -> weld(mesh, random);
      case WELD_NEAR ->
          new Tidying.WeldNearChange(random.nextDouble(1e-6, 1e-3) * scale, Scope.WHOLE);
      case COLLAPSE -> collapse(mesh, random);
      case CONNECT ->
          new Tidying.ConnectChange(List.of(v, random.nextInt(mesh.vertexEnd())), Scope.WHOLE);
      case FACE -> new Tidying.FaceChange(borders(mesh, random));
      case CAP -> cap(mesh, random, f);
      case TURN -> new Tidying.TurnChange(List.of(e));
      case SPLIT -> new Tidying.SplitChange(List.of(e), random.nextDouble(0.05, 0.95));
      case FLIP -> new Tidying.FlipChange(List.of(f));
      case UNIFY -> new Tidying.UnifyChange(Scope.WHOLE);
      case SLIDE ->
          new Tidying.SlideChange(
              List.of(v), v, two.getLast(), 0.3, Slide.SlideBy.values()[random.nextInt(3)]);
      case RELAX ->
          new Tidying.RelaxChange(two, 2, 0.5, Relax.RelaxWay.values()[random.nextInt(2)]);
      case NAME -> new Tidying.NameChange(beside(mesh, random, f), "part " + random.nextInt(4));
      case MOVE -> move(two, random);
      case INSET ->
          new Forming.InsetChange(
              beside(mesh, random, f),
              random.nextBoolean(),
              new Inset.Margin(
                  random.nextDouble(1e-3, 0.1) * scale,
                  random.nextBoolean() ? 0 : random.nextDouble(-0.05, 0.05) * scale,
                  random.nextInt(3) == 0,
                  random.nextBoolean(),
                  random.nextBoolean()));
      case EXTRUDE -> extrude(mesh, random, f, scale);
      case EXTRUDE_EDGES ->
          new Forming.ExtrudeEdgesChange(
              borders(mesh, random),
              new ExtrudeEdges.Brim(
                  ExtrudeEdges.BrimWay.values()[random.nextInt(3)],
                  new Vec3(random.nextDouble(), random.nextDouble(), 1),
                  random.nextDouble(-0.1, 0.1) * scale,
                  1 + random.nextInt(2)));
      case SUPPORT -> support(mesh, random, v, scale);
      case GROOVE -> groove(mesh, random, v, scale);
      case MIRROR -> mirror(mesh, random, e, scale);
      case THICKEN ->
          new Forming.ThickenChange(
              List.of(f),
              new Thicken.Shell(
                  random.nextDouble(1e-3, 0.02) * scale,
                  Thicken.ShellSide.values()[random.nextInt(3)],
                  1 + random.nextInt(2)));
      case PART ->
          random.nextBoolean()
              ? new Forming.PartChange(beside(mesh, random, f), List.of())
              : new Forming.PartChange(List.of(), someEdges(mesh, random, v));
      case FOLD ->
          new Forming.FoldChange(
              someEdges(mesh, random, v).stream()
                  .distinct()
                  .map(edge ->
                      new Fold.Hinge(
                          List.of(edge), random.nextDouble(-170, 170), random.nextInt(3) == 0))
                  .toList(),
              random.nextBoolean() ? null : f);
      case EVEN -> even(mesh, random, scale);
      case BRING_IN ->
          new Forming.BringInChange(
              WEDGE,
              random.nextBoolean() ? "Wedge" : "",
              new Vec3(random.nextDouble(scale), random.nextDouble(scale), 0),
              0.1 * scale);
      case MEET ->
          new Forming.MeetChange(
              random.nextBoolean() ? List.of() : List.of(random.nextInt(mesh.faceEnd())),
              List.of(f),
              random.nextBoolean() ? null : placed(random, scale),
              Meet.MeetWay.values()[random.nextInt(6)],
              random.nextInt(2) * 0.01 * scale,
              random.nextBoolean()
                  ? null
                  : new Meet.CutMaterial(Meet.Whose.values()[random.nextInt(3)], "oak"),
              random.nextBoolean() ? null : random.nextInt(2) * 1e-3 * scale,
              random.nextInt(4) > 0 ? null : 0.01 * scale);
      case ROUTE ->
          new Mending.RouteChange(
              random.nextInt(8) == 0 ? v : null,
              random.nextInt(4) == 0 ? someEdges(mesh, random, v) : ring(mesh, e));
      case APART -> new Mending.ApartChange(List.of(v), 1e-3 * scale);
      case DRAW_OUT -> {
        int[] there = mesh.hasVertex(v) ? mesh.facesAt(v) : new int[0];
        int other = there.length == 0 ? f : there[there.length / 2];
        yield new Mending.DrawOutChange(
            v, there.length == 0 ? f : there[0], other, random.nextDouble(0.05, 0.5));
      }
      case MEND ->
          new Mending.MendChange(
              List.of(
                  new Tidying.SplitChange(List.of(e), random.nextDouble(0.2, 0.8)),
                  random.nextInt(4) == 0
                      ? new Tidying.TurnChange(List.of(random.nextInt(mesh.edgeEnd())))
                      : new Tidying.RelaxChange(two, 1, 0.5, Relax.RelaxWay.EVEN)),
              "split and more");
      case REJOIN ->
          new Forming.RejoinChange(random.nextBoolean() ? List.of() : borders(mesh, random));
      case BEND ->
          new Forming.BendChange(
              random.nextBoolean() ? List.of() : two,
              new Bend.Bow(
                  Bending.BendWay.values()[random.nextInt(3)],
                  Axis.values()[random.nextInt(3)],
                  Axis.values()[random.nextInt(3)],
                  random.nextBoolean() ? null : -0.1 * scale,
                  random.nextBoolean() ? null : 0.1 * scale,
                  BentBetween.HeldAt.values()[random.nextInt(3)],
                  random.nextDouble(-0.5, 0.5) * (random.nextBoolean() ? 1 : 60)));
    };
  }

  /** Edges about a vertex, of a face, along a walk; now and then all that turn. */
  private static Change support(Mesh mesh, SplittableRandom random, int v, double scale) {
    List<Integer> edges = someEdges(mesh, random, v);
    Support.Holding holding =
        new Support.Holding(
            Support.SupportWay.values()[random.nextInt(2)],
            random.nextDouble(1e-3, 0.05) * scale,
            Support.SupportSide.values()[random.nextInt(3)],
            random.nextInt(3) == 0,
            1 + random.nextInt(4),
            random.nextInt(5) / 4.0,
            random.nextInt(4) == 0,
            random.nextBoolean());
    Double over = edges.isEmpty() || random.nextInt(8) == 0 ? 60.0 : null;
    return new Forming.SupportChange(over == null ? edges : List.of(), over, holding);
  }

  private static Change even(Mesh mesh, SplittableRandom random, double scale) {
    int kind = random.nextInt(KINDS);
    Change change = of(kind, mesh, random, scale);
    MirrorBy plane = new MirrorBy.AtBox(Axis.values()[random.nextInt(3)], MirrorBy.InBox.MIDDLE);
    return change instanceof Forming.EvenChange ? change : new Forming.EvenChange(change, plane);
  }

  /** A ring of edges; only what is there where no quad is. */
  private static List<Integer> ring(Mesh mesh, int e) {
    return mesh.hasEdge(e) ? Ring.through(mesh, e).map(Ring::edges).orElse(List.of(e)) : List.of(e);
  }

  private static Change mirror(Mesh mesh, SplittableRandom random, int e, double scale) {
    Axis axis = Axis.values()[random.nextInt(3)];
    MirrorBy by =
        switch (random.nextInt(4)) {
          case 0 -> new MirrorBy.AtOffset(axis, random.nextDouble(-0.1, 0.1) * scale);
          case 1 -> new MirrorBy.AtBox(axis, MirrorBy.InBox.values()[random.nextInt(3)]);
          case 2 -> new MirrorBy.AlongEdges(List.of(e, random.nextInt(mesh.edgeEnd())));
          default ->
              new MirrorBy.ThroughAnchors(
                  List.of(anchor(mesh, random), anchor(mesh, random), anchor(mesh, random)));
        };
    double join = random.nextBoolean() ? 0 : random.nextDouble(1e-4, 1e-2) * scale;
    return new Forming.MirrorChange(by, random.nextBoolean(), join);
  }

  private static Change groove(Mesh mesh, SplittableRandom random, int v, double scale) {
    List<Integer> edges = someEdges(mesh, random, v);
    double width = random.nextDouble(1e-3, 0.05) * scale;
    Groove.Channel channel =
        new Groove.Channel(
            width,
            random.nextBoolean() ? width : random.nextDouble(0.2, 1) * width,
            random.nextDouble(-0.02, 0.02) * scale,
            1 + random.nextInt(2),
            Groove.GrooveEnd.values()[random.nextInt(2)],
            random.nextBoolean(),
            random.nextInt(4) == 0,
            random.nextBoolean());
    return new Forming.GrooveChange(edges.isEmpty() ? List.of(0) : edges, channel);
  }

  private static List<Integer> someEdges(Mesh mesh, SplittableRandom random, int v) {
    List<Integer> edges = new ArrayList<>();
    if (!mesh.hasVertex(v)) {
      return edges;
    }
    if (random.nextInt(3) == 0) {
      IntStream.of(mesh.edgesAt(v)).filter(e -> random.nextBoolean()).forEach(edges::add);
    }
    int at = v;
    for (int i = random.nextInt(1, 6); i > 0 && mesh.edgesAt(at).length > 0; i--) {
      int[] next = mesh.edgesAt(at);
      int e = next[random.nextInt(next.length)];
      edges.add(e);
      at = mesh.otherEnd(e, at);
    }
    return edges;
  }

  /** A face, or it with some of those beside it. */
  private static List<Integer> beside(Mesh mesh, SplittableRandom random, int f) {
    List<Integer> faces = new ArrayList<>(List.of(f));
    if (mesh.hasFace(f) && random.nextBoolean()) {
      for (int e : mesh.edges(f)) {
        for (int other : mesh.facesOn(e)) {
          if (random.nextBoolean() && !faces.contains(other)) {
            faces.add(other);
          }
        }
      }
    }
    return faces;
  }

  private static Change extrude(Mesh mesh, SplittableRandom random, int f, double scale) {
    Extrude.Heading way = Extrude.Heading.values()[random.nextInt(3)];
    double d = random.nextDouble(-0.1, 0.1) * scale;
    boolean isPlain = random.nextBoolean();
    Extrude.Extrusion plan =
        new Extrude.Extrusion(
            way,
            new Vec3(random.nextDouble(), random.nextDouble(), 1),
            d,
            1 + random.nextInt(2),
            isPlain ? 1 : random.nextDouble(0.5, 1.5),
            isPlain ? 0 : random.nextDouble(-40, 40));
    return new Forming.ExtrudeChange(beside(mesh, random, f), random.nextBoolean(), plan);
  }

  /** Two and more vertices: of an edge, a walk, a face, all about a vertex, anywhere. */
  public static Change weld(Mesh mesh, SplittableRandom random) {
    List<Integer> chosen = new ArrayList<>();
    int v = random.nextInt(mesh.vertexEnd());
    int f = random.nextInt(mesh.faceEnd());
    switch (random.nextInt(5)) {
      case 0 -> chosen.addAll(List.of(v, neighbour(mesh, v, random)));
      case 1 -> {
        int at = v;
        for (int i = random.nextInt(2, 7); i > 0; i--) {
          chosen.add(at);
          at = neighbour(mesh, at, random);
        }
      }
      case 2 -> {
        if (mesh.hasFace(f)) {
          IntStream.of(mesh.vertices(f)).forEach(chosen::add);
        }
        if (random.nextBoolean() && !chosen.isEmpty()) {
          chosen.remove(random.nextInt(chosen.size()));
        }
      }
      case 3 -> {
        chosen.add(v);
        if (mesh.hasVertex(v)) {
          IntStream.of(mesh.edgesAt(v)).map(e -> mesh.otherEnd(e, v)).forEach(chosen::add);
        }
      }
      default -> {
        for (int i = random.nextInt(2, 6); i > 0; i--) {
          chosen.add(random.nextInt(mesh.vertexEnd()));
        }
      }
    }
    Collections.shuffle(chosen, new Random(random.nextLong()));
    return new Tidying.WeldChange(chosen, Weld.At.values()[random.nextInt(3)]);
  }

  /** One and more edges: of a face, about a vertex, anywhere. */
  public static Change collapse(Mesh mesh, SplittableRandom random) {
    List<Integer> chosen = new ArrayList<>();
    int v = random.nextInt(mesh.vertexEnd());
    int f = random.nextInt(mesh.faceEnd());
    switch (random.nextInt(4)) {
      case 0 -> chosen.add(random.nextInt(mesh.edgeEnd()));
      case 1 -> {
        if (mesh.hasFace(f)) {
          IntStream.of(mesh.edges(f)).forEach(chosen::add);
        }
        while (!chosen.isEmpty() && random.nextInt(3) > 0) {
          chosen.remove(random.nextInt(chosen.size()));
        }
      }
      case 2 -> {
        if (mesh.hasVertex(v)) {
          IntStream.of(mesh.edgesAt(v)).forEach(chosen::add);
        }
      }
      default -> {
        for (int i = random.nextInt(1, 5); i > 0; i--) {
          chosen.add(random.nextInt(mesh.edgeEnd()));
        }
      }
    }
    return new Tidying.CollapseChange(chosen);
  }

  /** A cut. */
  public static Change cut(Mesh mesh, SplittableRandom random, double scale) {
    int kind = random.nextInt(10);
    if (kind < 3) {
      return loops(mesh, random);
    }
    View view = view(random, scale);
    if (kind < 5) {
      return straight(mesh, random, view);
    }
    return kind < 7 ? outline(mesh, random, view, scale) : trace(mesh, random, view);
  }

  private static Change lift(Mesh mesh, SplittableRandom random, int v, int e) {
    return switch (random.nextInt(3)) {
      case 0 -> new Tidying.LiftChange(List.of(e, random.nextInt(mesh.edgeEnd())), List.of(), true);
      case 1 -> new Tidying.LiftChange(List.of(), List.of(v), random.nextBoolean());
      default -> new Tidying.LiftChange(List.of(e), List.of(), true);
    };
  }

  private static Change cap(Mesh mesh, SplittableRandom random, int f) {
    Cap.Plan hole = new Cap.Plan(null, borders(mesh, random).getFirst(), Cap.Form.GRID, 0, 0, 0, 0);
    Cap.Form form = Cap.Form.values()[random.nextInt(2)];
    return new Tidying.CapChange(
        random.nextBoolean() ? hole : new Cap.Plan(f, null, form, 0, 0, 1, 0.5));
  }

  private static Change move(List<Integer> vertices, SplittableRandom random) {
    Vec3 one = new Vec3(1, 1, 1);
    Vec3 by = new Vec3(random.nextDouble(-0.01, 0.01), 0, 0);
    Move.Pull pull =
        random.nextInt(3) == 0 ? new Move.Pull(by.length() * 20, random.nextBoolean()) : null;
    return new Tidying.MoveChange(vertices, new Move.Motion(by, 0.01, one, 5, one, null), pull);
  }

  /** As a whole, through whatever else is there. */
  private static Move.Motion placed(SplittableRandom random, double scale) {
    double reach = 0.3 * scale;
    Vec3 by =
        new Vec3(random.nextDouble(-reach, reach), random.nextDouble(-reach, reach), 0.01 * scale);
    double size = random.nextDouble(0.5, 2);
    return new Move.Motion(
        by, 0, new Vec3(0.2, 0.3, 1), random.nextInt(4) * 22.5, new Vec3(size, size, size), null);
  }

  private static Change loops(Mesh mesh, SplittableRandom random) {
    int edge = random.nextInt(mesh.edgeEnd() + 1);
    if (random.nextBoolean()) {
      double fraction = random.nextInt(6) == 0 ? 1.5 : random.nextDouble(0.1, 0.9);
      return Change.LoopsChange.of(edge, fraction);
    }
    LoopPlaces even =
        new LoopPlaces.Even(
            1 + random.nextInt(2), random.nextDouble(0.5, 1), 0, LoopPlaces.Measure.FRACTION);
    return new Change.LoopsChange(
        edge, even, Loops.Shape.STRAIGHT, random.nextBoolean(), Scope.WHOLE);
  }

  private static View view(SplittableRandom random, double scale) {
    Vec3 eye =
        new Vec3(random.nextDouble(-1, 1), random.nextDouble(-1, 1), random.nextDouble(-1, 1))
            .unit()
            .times(3 * scale);
    return random.nextBoolean() ? new View.Perspective(eye) : new View.Parallel(eye);
  }

  private static Reach reach(SplittableRandom random) {
    return random.nextBoolean() ? Reach.FRONT : Reach.THROUGH;
  }

  /** Now and then of every second face only. */
  private static Scope scope(Mesh mesh, SplittableRandom random) {
    return random.nextInt(3) > 0
        ? Scope.WHOLE
        : Scope.of(IntStream.range(0, mesh.faceEnd()).filter(f -> f % 2 == 0).boxed().toList());
  }

  private static Change straight(Mesh mesh, SplittableRandom random, View view) {
    Anchor[] three = {anchor(mesh, random), anchor(mesh, random), anchor(mesh, random)};
    return Change.StraightChange.asked(
        new PlaneBy.Through(List.of(three)),
        null,
        null,
        null,
        null,
        null,
        reach(random),
        null,
        view,
        null,
        null,
        scope(mesh, random));
  }

  private static Change outline(Mesh mesh, SplittableRandom random, View view, double scale) {
    Vec3 centre = mesh.position(random.nextInt(mesh.vertexEnd()));
    Vec3 sight = view.sightTo(centre).unit();
    Vec3 right = sight.cross(new Vec3(0.3, 0.5, 0.8)).unit();
    double size = scale * random.nextDouble(0.02, 0.3);
    OutlineShape shape =
        random.nextBoolean()
            ? new OutlineShape.Regular(3 + random.nextInt(6))
            : new OutlineShape.Rectangle();
    Outline.Placement placement =
        new Outline.Placement(centre, right.times(size), right.cross(sight).times(size), view);
    return new Change.OutlineChange(shape, placement, reach(random), scope(mesh, random));
  }

  private static Change trace(Mesh mesh, SplittableRandom random, View view) {
    List<TraceRun> runs = new ArrayList<>();
    for (int r = 1 + random.nextInt(2); r > 0; r--) {
      List<TracePoint> points = new ArrayList<>();
      for (int i = 2 + random.nextInt(2); i > 0; i--) {
        points.add(new TracePoint(anchor(mesh, random), view));
      }
      runs.add(TraceRun.of(points));
    }
    return new Change.TraceChange(runs, reach(random), scope(mesh, random));
  }

  private static Anchor anchor(Mesh mesh, SplittableRandom random) {
    if (random.nextBoolean()) {
      return new Anchor.OnVertex(random.nextInt(mesh.vertexEnd()));
    }
    return new Anchor.OnEdge(random.nextInt(mesh.edgeEnd()), random.nextInt(1, 8) / 8.0);
  }

  private static int neighbour(Mesh mesh, int v, SplittableRandom random) {
    if (!mesh.hasVertex(v) || mesh.edgesAt(v).length == 0) {
      return 0;
    }
    int[] edges = mesh.edgesAt(v);
    return mesh.otherEnd(edges[random.nextInt(edges.length)], v);
  }

  private static List<Integer> borders(Mesh mesh, SplittableRandom random) {
    List<Integer> found = new ArrayList<>();
    for (int e = 0; e < mesh.edgeEnd(); e++) {
      if (mesh.hasEdge(e) && mesh.uses(e) == 1) {
        found.add(e);
      }
    }
    if (found.isEmpty()) {
      return List.of(0);
    }
    int from = random.nextInt(found.size());
    return found.subList(from, Math.min(found.size(), from + 1 + random.nextInt(4)));
  }
}
