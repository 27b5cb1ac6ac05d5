package fairedge.core.mend;

import fairedge.core.flow.EdgeLoops;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Tidying;
import fairedge.core.tidy.Slide;
import java.util.List;
import java.util.TreeSet;

/** Edge loops slid over the surface. */
final class Slides {
  /** Shares of the way to the next loop. */
  private static final double[] SHARES = {0.1, 0.25, 0.5};

  private Slides() {}

  /** The loop of an edge with quads of unlike width on its sides, to the middle between. */
  static void between(Ground ground, int e, Plans plans) {
    Mesh mesh = ground.mesh();
    if (!mesh.isTwoSided(e)) {
      return;
    }
    int wide = mesh.firstSideOn(e);
    int narrow = mesh.nextOnEdge(wide);
    if (rung(mesh, wide) < rung(mesh, narrow)) {
      int other = wide;
      wide = narrow;
      narrow = other;
    }
    double share = (1 - rung(mesh, narrow) / rung(mesh, wide)) / 2;
    slid(ground, wide, share, "Slide this loop to the middle between the next ones.", plans);
  }

  /** Of strips along hard edges the loop on the other side, away from them. */
  static String wider(Ground ground, List<Integer> edges, Plans plans) {
    Mesh mesh = ground.mesh();
    for (int e : edges) {
      int side = mesh.firstSideOn(e);
      for (int i = 0; i < mesh.uses(e); i++, side = mesh.nextOnEdge(side)) {
        if (mesh.size(mesh.faceOf(side)) == 4) {
          int opposite = mesh.next(mesh.next(side));
          if (mesh.isTwoSided(mesh.edgeOf(opposite))) {
            for (double share : SHARES) {
              slid(ground, mesh.nextOnEdge(opposite), share, "Slide the strip wider.", plans);
            }
          }
        }
      }
    }
    return "The strip can't be slid wider without worse.";
  }

  /** How wide the face at a side is, at the end of the side. */
  private static double rung(Mesh mesh, int side) {
    return mesh.length(mesh.edgeOf(mesh.next(side)));
  }

  /** The whole loop of the edge at a side, over the face at it. */
  private static void slid(Ground ground, int side, double share, String does, Plans plans) {
    Mesh mesh = ground.mesh();
    EdgeLoops.Single loop = EdgeLoops.through(ground.facts().topology(), mesh.edgeOf(side));
    if (loop == null || mesh.size(mesh.faceOf(side)) != 4) {
      return;
    }
    TreeSet<Integer> vertices = new TreeSet<>();
    for (int e : loop.edges()) {
      vertices.add(mesh.first(e));
      vertices.add(mesh.second(e));
    }
    int end = mesh.next(side);
    plans.accept(
        Plan.of(
            does,
            new Tidying.SlideChange(
                List.copyOf(vertices),
                mesh.vertexOf(end),
                mesh.vertexOf(mesh.next(end)),
                share,
                Slide.SlideBy.FRACTION)));
  }
}
