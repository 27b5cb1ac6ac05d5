package fairedge.core.demonstration;

import fairedge.core.cut.LoopPlaces;
import fairedge.core.cut.Loops;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import fairedge.core.props.Form;
import fairedge.core.step.Change;
import fairedge.core.step.Outcome;
import fairedge.core.step.Tidying;
import fairedge.core.step.Workpiece;
import fairedge.core.tidy.Cap;
import fairedge.core.work.Scope;
import fairedge.core.work.View;
import java.util.ArrayList;
import java.util.List;

/** The demonstrations that come with the application, each of real steps on a form of the shelf. */
public final class Samples {
  private Samples() {}

  public static List<Sample> all() {
    return List.of(loopStops(), roundLid(), supportLoops());
  }

  /** On the ring's flat top: corners 40 to 59 outside, 60 to 79 inside. */
  private static Sample loopStops() {
    Telling ring = new Telling(Form.PORTHOLE_RING, new Vec3(360, -620, 520));
    ring.make(
        loops(ring.edge(40, 60), 0.5),
        "One click on an edge, and the line runs right round the ring: twenty quads are halved.");
    ring.takeBack("Out again. Now one small thing goes wrong, as it does on any evening.");
    ring.make(
        new Tidying.ConnectChange(List.of(45, 66), Scope.WHOLE),
        "A cut across a single quad. It looks harmless: two triangles that lie flat.");
    ring.ask(
        "The same loop, from the same edge. What will happen now?",
        "It stops on both sides of the two triangles. A loop leaves a quad by the opposite side; a"
            + " triangle has no opposite side, so there is no way on.");
    ring.look("flow");
    ring.make(
        loops(ring.edge(40, 60), 0.5),
        "Nineteen quads instead of twenty, and at both ends a side with a corner too many.");
    ring.takeBack("Out again, before anything is built on it.");
    ring.make(
        new Tidying.LiftChange(List.of(ring.edge(45, 66)), List.of(), false),
        "One edge is lifted, and the two triangles are a quad again.");
    ring.ask(
        "And the loop now?",
        "It runs all the way round: every face that it meets is a quad, with a way in and a way"
            + " out.");
    ring.make(
        loops(ring.edge(40, 60), 0.5),
        "Twenty quads halved, a closed loop. Mend first, then cut: it is one edge against twenty.");
    return ring.sample(
        "loop-stops",
        "One triangle, and the loop stops",
        "Why an edge loop ends where a face is no quad, and what it takes to let it run.");
  }

  /** The lid's rim is corners 16 to 31, at the top of the wall. */
  private static Sample roundLid() {
    Telling lid = new Telling(Form.HATCH_LID, new Vec3(560, -1150, 900));
    lid.look("sides");
    lid.make(
        grid(lid.faceUp(1)),
        "Sixteen corners make a grid of four by four. All quads, with one cut. But look at the"
            + " corners of the grid.");
    lid.ask(
        "Four quads of the grid have their corner on the round rim. What is wrong with them?",
        "A corner of a grid wants a right angle, and the rim has none: two sides of those quads run"
            + " nearly straight on. Bent or subdivided, they pinch.");
    lid.takeBack("Out again.");
    lid.make(
        rings(lid.faceUp(1)),
        "A ring of quads first, and the grid inside it. Now the rim has quads that stand square to"
            + " it all the way round.");
    lid.make(
        rings(lid.faceUp(-1)), "The same below: the lid is quads throughout, and no hole is left.");
    lid.ask(
        "A loop goes up the wall and over the lid. Where does it come out?",
        "On the other side of the lid, opposite: in through the ring, straight over the grid, out"
            + " through the ring. That is what the grid is for.");
    lid.look("flow");
    lid.make(
        loops(lid.edge(0, 16), 0.85),
        "One more loop high on the wall, right round: it holds the rim when the lid is made"
            + " smooth.");
    lid.look("subdivided");
    lid.make(
        loops(lid.edge(1, 0), 0.5),
        "And one across: as it was said, up the wall, over the lid and down again, a closed loop.");
    return lid.sample(
        "round-lid",
        "A round lid into quads",
        "Why a round end takes a ring before it takes a grid.");
  }

  /** Outside corners from below: 0, 20, 40; the top from 40 to 60; inside 60, 80, 100. */
  private static Sample supportLoops() {
    Telling ring = new Telling(Form.PORTHOLE_RING, new Vec3(420, -680, 430));
    ring.look("subdivided");
    ring.make(
        loops(ring.edge(0, 20), 0.04),
        "Seen smooth, the ring has melted like soap. The first loop lies close to the foot: the"
            + " outer foot stands sharp at once, the rest is soft still.");
    ring.ask(
        "The next loop goes to the other end of the same wall. What will the bevel do?",
        "It keeps its own shape: the wall is held at both ends, and the bend is left to the bevel"
            + " alone.");
    ring.make(
        loops(ring.edgeBelow(20), 0.1), "The wall is straight now, and turns over at its end.");
    ring.make(loops(ring.edge(80, 100), 0.96), "Inside the same: a loop close to the inner foot.");
    ring.ask(
        "What is soft still?",
        "The floor. Two edges bound it, and it has no loop beside either of them.");
    ring.make(
        new Change.LoopsChange(
            ring.edge(100, 0),
            new LoopPlaces.At(List.of(0.02, 0.98), LoopPlaces.Measure.FRACTION),
            Loops.Shape.STRAIGHT,
            false,
            Scope.WHOLE),
        "Two loops at once, one beside each edge: the ring stands flat on its floor.");
    ring.look("stripes");
    ring.make(
        loops(ring.edge(40, 60), 0.5),
        "The top takes one in the middle. In stripes a good surface shows lines that run on over"
            + " the loops without a kink.");
    return ring.sample(
        "support-loops",
        "Support loops and the smooth surface",
        "What a loop beside an edge does to the smooth surface, and where it belongs.");
  }

  private static Change loops(int edge, double place) {
    return new Change.LoopsChange(
        edge,
        new LoopPlaces.At(List.of(place), LoopPlaces.Measure.FRACTION),
        Loops.Shape.STRAIGHT,
        false,
        Scope.WHOLE);
  }

  private static Change grid(int face) {
    return new Tidying.CapChange(new Cap.Plan(face, null, Cap.Form.GRID, 0, 0, 0, 0));
  }

  private static Change rings(int face) {
    return new Tidying.CapChange(new Cap.Plan(face, null, Cap.Form.RINGS, 0, 0, 1, 0.7));
  }

  /** Tells a demonstration, on the mesh as it comes to be. */
  private static final class Telling {
    private final Form form;
    private final View view;
    private final Workpiece workpiece;
    private final List<Sample.Scene> scenes = new ArrayList<>();
    private String question = "";
    private String answer = "";
    private String lens = "";

    Telling(Form form, Vec3 eye) {
      this.form = form;
      this.view = new View.Perspective(eye);
      Mesh mesh = form.mesh();
      this.workpiece = new Workpiece(mesh, Tolerance.of(mesh.bounds()));
    }

    int edge(int a, int b) {
      return workpiece.mesh().findEdge(a, b);
    }

    /** The edge at a vertex that goes down from it. */
    int edgeBelow(int v) {
      Mesh mesh = workpiece.mesh();
      int lowest = Mesh.NONE;
      for (int e : mesh.edgesAt(v)) {
        if (lowest == Mesh.NONE || z(mesh, e, v) < z(mesh, lowest, v)) {
          lowest = e;
        }
      }
      return lowest;
    }

    private static double z(Mesh mesh, int e, int v) {
      return mesh.position(mesh.otherEnd(e, v)).z();
    }

    /** The largest face that looks up or down. */
    int faceUp(int sign) {
      Mesh mesh = workpiece.mesh();
      int best = Mesh.NONE;
      for (int f = 0; f < mesh.faceEnd(); f++) {
        if (mesh.hasFace(f)
            && sign * mesh.polygon(f).normal().z() > 0.5
            && (best == Mesh.NONE || mesh.size(f) > mesh.size(best))) {
          best = f;
        }
      }
      return best;
    }

    void ask(String asked, String answered) {
      question = asked;
      answer = answered;
    }

    /** From the next scene on through another lens. */
    void look(String through) {
      lens = through;
    }

    void make(Change change, String caption) {
      if (workpiece.apply(change) instanceof Outcome.Refused refused) {
        throw new IllegalStateException(caption + ": " + refused.refusal().reason());
      }
      add(new Deed.Made(change, view), caption);
    }

    void takeBack(String caption) {
      workpiece.undo();
      add(new Deed.TakenBack(), caption);
    }

    private void add(Deed deed, String caption) {
      scenes.add(new Sample.Scene(deed, caption, question, answer, lens));
      question = "";
      answer = "";
      lens = "";
    }

    Sample sample(String key, String title, String about) {
      return new Sample(key, title, about, form, "All quads", scenes);
    }
  }
}
