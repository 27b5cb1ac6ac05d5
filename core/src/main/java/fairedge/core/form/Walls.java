package fairedge.core.form;

import fairedge.core.form.Region.Fan;
import fairedge.core.form.Region.Ring;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;
import java.util.Objects;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Lets the faces of a region lie elsewhere, and puts quads between where it ended and where it ends
 * now. The faces keep their ids, labels and what their corners carry; the quads get the label of
 * the face beside them. Cost: the faces of the region and what lies at its vertices.
 */
final class Walls {
  private final MeshEdit edit;
  private final Mesh mesh;
  private final int count;

  /** Of each fan the vertices from where it was to where it is, one for each level. */
  private final List<int[]> levels = new ArrayList<>();

  private Walls(MeshEdit edit, int count) {
    this.edit = edit;
    this.mesh = edit.mesh();
    this.count = count;
  }

  /**
   * Where a fan lies at a level: 0 is where it was, the last where it comes to lie; null for one
   * that stays where it is, and with what else is there.
   */
  interface Places {
    @Nullable Vec3 of(Fan fan, int level);
  }

  /**
   * @param count how many quads there are between, one above the other; at least 1
   */
  static void raise(MeshEdit edit, Region region, int count, Places places) {
    new Walls(edit, count).raise(region, places);
  }

  private void raise(Region region, Places places) {
    TreeSet<Integer> before = new TreeSet<>();
    for (int f : region.faces()) {
      for (int e : mesh.edges(f)) {
        before.add(e);
      }
    }
    region.fans().forEach(fan -> levels.add(vertices(fan, places)));
    region.rings().forEach(this::lay);
    for (Ring ring : region.rings()) {
      for (int i = 0; i < ring.fans().size(); i++) {
        if (ring.ends().get(i)) {
          Fan to = ring.fans().get((i + 1) % ring.fans().size());
          wall(ring.face(), ring.fans().get(i), to);
        }
      }
    }
    Pruning.removeBare(edit, before);
  }

  private int[] vertices(Fan fan, Places places) {
    int[] all = new int[count + 1];
    all[0] = fan.vertex();
    Vec3 end = places.of(fan, count);
    if (end == null || fan.isAlone()) {
      if (end != null && !end.equals(mesh.position(fan.vertex()))) {
        edit.moveVertex(fan.vertex(), end);
      }
      all[count] = fan.vertex();
      return all;
    }
    // A fan that is closed has no walls: it needs only where it comes to lie.
    for (int level = fan.isOpen() ? 1 : count; level <= count; level++) {
      all[level] = edit.makeVertex(Objects.requireNonNull(places.of(fan, level)));
    }
    return all;
  }

  private int vertex(Fan fan, int level) {
    return levels.get(fan.number())[level];
  }

  private void lay(Ring ring) {
    int size = ring.fans().size();
    int[] now = new int[size];
    int[] same = new int[size];
    for (int i = 0; i < size; i++) {
      now[i] = vertex(ring.fans().get(i), count);
      same[i] = i;
    }
    join(now);
    edit.reshapeFace(ring.face(), now, same);
  }

  private void join(int[] round) {
    for (int i = 0; i < round.length; i++) {
      Pruning.edgeBetween(edit, round[i], round[(i + 1) % round.length]);
    }
  }

  private void wall(int face, Fan from, Fan to) {
    for (int level = 1; level <= count; level++) {
      int[] quad = {
        vertex(from, level - 1), vertex(to, level - 1), vertex(to, level), vertex(from, level)
      };
      Pruning.layFace(edit, quad, face);
    }
  }
}
