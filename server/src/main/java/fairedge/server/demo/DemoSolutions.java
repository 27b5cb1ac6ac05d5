package fairedge.server.demo;

import fairedge.core.cut.LoopPlaces;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.MeshBuilder;
import fairedge.core.props.HarbourProps;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Wanted;
import fairedge.core.survey.Wanted.Line;
import fairedge.core.survey.Wanted.Pardon;
import fairedge.core.tidy.Cap;
import java.util.ArrayList;
import java.util.Arrays;
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
