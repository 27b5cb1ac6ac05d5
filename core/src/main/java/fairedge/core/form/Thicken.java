package fairedge.core.form;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.MeshEdit;
import fairedge.core.local.Pruning;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Chosen;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Makes a shell of a surface: a second skin at an even distance, turned, and along its borders
 * quads from one to the other. A flat sheet gets its area times the thickness as its volume,
 * exactly; a closed part gets the second skin alone. Cost: the faces.
 */
public final class Thicken {
  private static final int MOST_SEGMENTS = 1000;
  private static final long MOST_QUADS = 2_000_000;

  /** Where the shell lies. */
  public enum ShellSide {
    /** Behind the surface, which stays where it is. */
    INWARDS,
    /** In front of it. */
    OUTWARDS,
    /** Half in front, half behind. */
    MIDDLE
  }

  /**
   * How.
   *
   * @param thickness more than 0
   * @param segments quads across the rims
   */
  public record Shell(double thickness, ShellSide side, int segments) {
    public Shell {
      Objects.requireNonNull(side, "side");
    }

    /** What people leave out as what they mean most often. */
    public static Shell asked(
        double thickness, @Nullable ShellSide side, @Nullable Integer segments) {
      return new Shell(
          thickness, side == null ? ShellSide.INWARDS : side, segments == null ? 1 : segments);
    }

    private double front() {
      return switch (side) {
        case INWARDS -> 0;
        case OUTWARDS -> thickness;
        case MIDDLE -> thickness / 2;
      };
    }
  }

  private final MeshEdit edit;
  private final Mesh mesh;
  private final Region region;
  private final Shell shell;
  private final List<Vec3> moves = new ArrayList<>();
  private final List<Remark> remarks = new ArrayList<>();

  private Thicken(Site site, Region region, Shell shell) {
    this.edit = site.edit();
    this.mesh = site.mesh();
    this.region = region;
    this.shell = shell;
  }

  /**
   * @param faces of the parts that are meant; empty for all
   * @throws Refusal.Raised where a face would turn over, with the bound
   */
  public static Done thicken(Site site, Collection<Integer> faces, Shell shell) {
    Mesh mesh = site.mesh();
    TreeSet<Integer> chosen =
        Whole.of(mesh, faces.isEmpty() ? all(mesh) : Asked.faces(site, faces));
    requireSound(shell, chosen.size());
    List<Integer> laid = new ArrayList<>();
    List<Remark> remarks = new ArrayList<>();
    for (Region region : Region.of(mesh, chosen, false, Region.AtBorder.ENDS)) {
      Thicken one = new Thicken(site, region, shell);
      one.decide();
      laid.addAll(one.lay());
      remarks.addAll(one.remarks);
    }
    return new Done(List.of(), remarks, 0, Chosen.faces(laid));
  }

  private static Collection<Integer> all(Mesh mesh) {
    List<Integer> all = new ArrayList<>();
    for (int f = 0; f < mesh.faceEnd(); f++) {
      if (mesh.hasFace(f)) {
        all.add(f);
      }
    }
    if (all.isEmpty()) {
      throw Refusal.because("There is no face to make a shell of.");
    }
    return all;
  }

  private static void requireSound(Shell shell, int faces) {
    if (!(shell.thickness() > 0) || !Double.isFinite(shell.thickness())) {
      throw Refusal.because("The thickness is more than 0.");
    }
    if (shell.segments() < 1 || shell.segments() > MOST_SEGMENTS) {
      throw Refusal.because("There are 1 to %d quads across a rim.".formatted(MOST_SEGMENTS));
    }
    if ((long) faces * shell.segments() > MOST_QUADS) {
      throw Refusal.because("So many faces in so many segments are too many at once.");
    }
  }

  /** How far every fan goes for a thickness of 1, to the front. */
  private void decide() {
    Map<Integer, Integer> fans = new HashMap<>();
    for (Region.Fan fan : region.fans()) {
      if (fans.merge(fan.vertex(), 1, Integer::sum) > 1 && shell.front() != 0) {
        throw Refusal.because(
            "Sheets touch in this vertex alone: it can't move for both. Let the shell lie inwards.",
            Element.vertex(fan.vertex()));
      }
      Even even = new Even();
      fan.corners().forEach(c -> even.corner(mesh, c, 1));
      moves.add(limited(fan.vertex(), even.move()));
    }
    requireRoom(shell.front());
    requireRoom(shell.front() - shell.thickness());
  }

  private Vec3 limited(int vertex, Vec3 move) {
    if (move.length() <= Even.FARTHEST) {
      return move;
    }
    remarks.add(
        new Remark(
            "The faces meet so sharply here that it goes %.0f thicknesses only."
                .formatted(Even.FARTHEST),
            Element.vertex(vertex),
            mesh.position(vertex),
            null));
    return move.unit().times(Even.FARTHEST);
  }

  /** No side of a face may lose its length, and no face turn over, on the way to a skin. */
  private void requireRoom(double by) {
    if (by != 0) {
      List<Room.Round> rounds =
          region.rings().stream().map(ring -> round(ring, Math.signum(by))).toList();
      new Room(mesh, rounds).fitting(Math.abs(by), false, "The shell", remarks);
    }
  }

  private Room.Round round(Region.Ring ring, double toward) {
    return new Room.Round(
        ring.face(),
        ring.fans().stream()
            .map(fan ->
                new Room.Moving(
                    fan.vertex(),
                    mesh.position(fan.vertex()),
                    moves.get(fan.number()).times(toward)))
            .toList());
  }

  private Vec3 at(Region.Fan fan, double by) {
    return mesh.position(fan.vertex()).plus(moves.get(fan.number()).times(by));
  }

  private List<Integer> lay() {
    double front = shell.front();
    int count = shell.segments();
    List<int[]> levels = new ArrayList<>();
    List<Vec3> fronts = new ArrayList<>();
    for (Region.Fan fan : region.fans()) {
      int[] own = new int[count + 1];
      own[0] = fan.vertex();
      // A fan inside the surface has no rim: it needs only where the second skin lies.
      for (int level = fan.isOpen() ? 1 : count; level <= count; level++) {
        own[level] = edit.makeVertex(at(fan, front - shell.thickness() * level / count));
      }
      levels.add(own);
      fronts.add(at(fan, front));
    }
    List<Integer> laid = new ArrayList<>();
    for (Region.Ring ring : region.rings()) {
      int n = ring.fans().size();
      int[] turned = new int[n];
      for (int i = 0; i < n; i++) {
        turned[i] = levels.get(ring.fans().get((n - i) % n).number())[count];
      }
      laid.add(Pruning.layFace(edit, turned, ring.face()));
    }
    if (region.hasEnd()) {
      region.rings().forEach(ring -> rim(ring, levels, laid));
    } else {
      remarks.add(Remark.of("The part is closed: it gets a second skin, and no rim.", null));
    }
    for (Region.Fan fan : region.fans()) {
      Vec3 to = fronts.get(fan.number());
      if (!to.equals(mesh.position(fan.vertex()))) {
        edit.moveVertex(fan.vertex(), to);
      }
    }
    return laid;
  }

  private void rim(Region.Ring ring, List<int[]> levels, List<Integer> laid) {
    for (int i = 0; i < ring.fans().size(); i++) {
      if (ring.ends().get(i)) {
        int[] from = levels.get(ring.fans().get(i).number());
        int[] to = levels.get(ring.fans().get((i + 1) % ring.fans().size()).number());
        for (int level = 1; level < from.length; level++) {
          int[] quad = {from[level - 1], from[level], to[level], to[level - 1]};
          laid.add(Pruning.layFace(edit, quad, ring.face()));
        }
      }
    }
  }
}
