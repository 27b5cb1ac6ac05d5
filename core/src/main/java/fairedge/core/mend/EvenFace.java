package fairedge.core.mend;

import fairedge.core.fill.QuadParts;
import fairedge.core.geometry.Polygon;
import fairedge.core.mesh.Mesh;
import fairedge.core.step.Tidying;
import fairedge.core.tidy.Cap;
import java.util.List;
import java.util.stream.IntStream;

/** A face of 6, 8, 10 and more sides: divided without new vertices, or filled with a grid. */
final class EvenFace {
  /** What turns by no more, in degrees, is straight. */
  private static final double STRAIGHT = 1;

  private static final int MOST_WAYS = 14;
  private static final int MOST_GRIDS = 8;
  private static final int MOST_FILLED = 1000;

  private EvenFace() {}

  static void plan(Ground ground, int f, Plans plans) {
    Mesh mesh = ground.mesh();
    int sides = mesh.size(f);
    if (sides <= QuadParts.MOST_SIDES) {
      List<Divide.Parts> ways =
          Divide.all(mesh, f, Price.at(ground, f)).stream()
              .sorted(Divide.Parts.LEAST_FIRST)
              .toList();
      for (Divide.Parts way : ways.subList(0, Math.min(MOST_WAYS, ways.size()))) {
        int count = way.chords().size();
        plans.accept(
            Plan.of(
                "Connect %s: %d quads, no new vertex."
                    .formatted(
                        count == 1 ? "two corners" : "corners by %d edges".formatted(count),
                        count + 1),
                (now, made) -> way.changes()));
      }
    }
    if (sides <= MOST_FILLED) {
      grids(f, sides, plans);
      for (double inner : new double[] {0.5, 0.7}) {
        plans.accept(
            Plan.of(
                "Fill it with a ring of quads and a grid inside.",
                new Tidying.CapChange(new Cap.Plan(f, null, Cap.Form.RINGS, 0, 0, 1, inner))));
      }
    }
  }

  private static void grids(int f, int sides, Plans plans) {
    int tried = 0;
    for (int along = sides / 4; along >= 1 && sides >= 8 && tried < MOST_GRIDS; along--) {
      int across = sides / 2 - along;
      int starts = along == across ? Math.min(along, 4) : Math.min(sides / 2, 4);
      for (int start = 0; start < starts && tried < MOST_GRIDS; start++, tried++) {
        plans.accept(
            Plan.of(
                "Fill it with %d by %d quads.".formatted(along, across),
                new Tidying.CapChange(new Cap.Plan(f, null, Cap.Form.GRID, along, start, 0, 0))));
      }
    }
  }

  /** The corners of a face in which two edges only meet, on a straight run. */
  static List<Integer> idle(Mesh mesh, int f) {
    if (!mesh.isMeasurable(f)) {
      return List.of();
    }
    int[] ring = mesh.vertices(f);
    Polygon shape = mesh.polygon(f);
    return IntStream.range(0, ring.length)
        .filter(i -> mesh.edgesAt(ring[i]).length == 2 && shape.turnAt(i) <= STRAIGHT)
        .mapToObj(i -> ring[i])
        .toList();
  }
}
