package fairedge.picture;

import fairedge.core.format.Limits;
import fairedge.core.format.MeshFormat;
import fairedge.core.format.ReadResult;
import fairedge.core.geometry.Tolerance;
import fairedge.core.geometry.Vec3;
import fairedge.core.inspect.Inspector;
import fairedge.core.inspect.Profile;
import fairedge.core.inspect.Report.Assessed;
import fairedge.core.inspect.finding.Kind;
import fairedge.core.mend.Mender;
import fairedge.core.mend.Offer;
import fairedge.core.mend.State;
import fairedge.core.mesh.Mesh;
import fairedge.core.mesh.Oddity;
import fairedge.core.step.Workpiece;
import fairedge.core.survey.Starter;
import fairedge.core.survey.Wanted;
import fairedge.core.survey.Wanted.Line;
import fairedge.core.survey.Wanted.Mirror;
import java.io.ByteArrayInputStream;
import java.nio.charset.StandardCharsets;
import java.util.ArrayList;
import java.util.List;
import java.util.Optional;
import org.jspecify.annotations.Nullable;

/**
 * What the card of each kind of finding shows: a piece of deck with the fault, and the same mended.
 * The marks are those that the engine puts.
 */
final class KindPlates {
  private static final double SIDE = 10;

  private KindPlates() {}

  /**
   * Two pictures of a kind.
   *
   * @param starter what the work began from; null where nothing counts as new
   */
  record KindPlate(
      Kind kind,
      Mesh before,
      Mesh after,
      Profile profile,
      @Nullable Mesh starter,
      Wanted wanted,
      List<Oddity> oddities) {
    static KindPlate of(Kind kind, Sheet before, Sheet after) {
      return new KindPlate(
          kind, before.mesh(), after.mesh(), Profile.SMOOTH_FORM, null, Wanted.NOTHING, List.of());
    }

    KindPlate from(Sheet began) {
      return new KindPlate(kind, before, after, profile, began.mesh(), wanted, oddities);
    }

    KindPlate asking(Wanted asked) {
      return new KindPlate(kind, before, after, profile, starter, asked, oddities);
    }

    Tolerance tolerance() {
      return Tolerance.of((starter == null ? after : starter).bounds());
    }

    private Inspector inspector() {
      Starter began = starter == null ? null : new Starter(starter, tolerance().flat());
      return new Inspector(profile, tolerance(), began).asking(wanted, List.of());
    }

    List<Mark> marks(Mesh mesh) {
      List<Oddity> odd = mesh == before ? oddities : List.of();
      return inspector().inspect(mesh, odd).findings().stream()
          .filter(a -> a.finding().kind() == kind)
          .map(KindPlates::mark)
          .toList();
    }

    /** What the engine offers for the fault; empty where it is one of reading a file. */
    Optional<Offer> offer() {
      Workpiece workpiece = new Workpiece(before.copy(), tolerance());
      State state = State.of(inspector(), workpiece);
      return state.report().findings().stream()
          .map(Assessed::finding)
          .filter(finding -> finding.kind() == kind)
          .findFirst()
          .map(new Mender(workpiece, state, List.of())::of);
    }

    @Override
    public String toString() {
      return kind.key();
    }
  }

  private static Mark mark(Assessed assessed) {
    return Mark.of(assessed.finding(), assessed.severity());
  }

  static List<KindPlate> all() {
    List<KindPlate> all = new ArrayList<>();
    all.addAll(sides());
    all.addAll(vertices());
    all.addAll(surface());
    all.addAll(flow());
    all.addAll(support());
    all.addAll(shape());
    return all;
  }

  private static Sheet grid() {
    return Sheet.grid(4, 3);
  }

  private static List<KindPlate> sides() {
    Sheet split = grid().without(5);
    split.face(6, 7, 12).face(6, 12, 11);
    Sheet six = grid().without(5, 6);
    six.face(6, 7, 8, 13, 12, 11);
    Sheet dressed = grid().move(6, new Vec3(15, 5, 0)).move(7, new Vec3(20, 10, 0));
    Sheet all = grid();
    all.faces.clear();
    for (int[] f : grid().faces) {
      all.face(f[0], f[1], f[2]).face(f[0], f[2], f[3]);
    }
    return List.of(
        KindPlate.of(Kind.NGON, six, grid()),
        KindPlate.of(Kind.TRIANGLE, split, grid()),
        KindPlate.of(Kind.FLAT_CORNER, dressed, grid()),
        KindPlate.of(Kind.ALL_TRIANGLES, all, grid()).from(grid()));
  }

  private static List<KindPlate> vertices() {
    Sheet idle = grid().without(5, 6);
    int m = idle.vertex(20, 15, 0);
    idle.face(6, 7, m, 12, 11).face(7, 8, 13, 12, m);
    Sheet bent = grid().without(5, 6);
    int n = bent.vertex(23, 15, 0);
    bent.face(6, 7, n, 12, 11).face(7, 8, 13, 12, n);
    Sheet parted = parted(0);
    Sheet gap = parted(0.3);
    Sheet junction = grid().without(6);
    int t = junction.vertex(20, 15, 0);
    int u = junction.vertex(30, 15, 0);
    junction.without(7).face(7, 8, u, t).face(t, u, 13, 12).face(8, 9, 14, 13, u);
    Sheet joined = grid().without(5, 6, 7);
    int a = joined.vertex(10, 15, 0);
    int b = joined.vertex(20, 15, 0);
    int c = joined.vertex(30, 15, 0);
    int d = joined.vertex(40, 15, 0);
    int e = joined.vertex(0, 15, 0);
    joined.without(4).face(5, 6, a, e).face(e, a, 11, 10);
    joined.face(6, 7, b, a).face(a, b, 12, 11).face(7, 8, c, b).face(b, c, 13, 12);
    joined.face(8, 9, d, c).face(c, d, 14, 13);
    Sheet little = grid().without(2, 6);
    int k = little.vertex(20.15, 10, 0);
    little.face(2, 3, 8, k, 7).face(7, k, 8, 13, 12);
    little.without(1).face(1, 2, 7, 6);
    Sheet slit = grid().without(2);
    slit.face(2, 3, 8, slit.vertex(23, 5, 0), 8, 7);
    Sheet loose = grid();
    loose.vertex(24, 16, 6);
    Sheet wire = grid();
    wire.loose(7, wire.vertex(26, 6, 8));
    return List.of(
        KindPlate.of(Kind.IDLE_VERTEX, idle, grid()),
        KindPlate.of(Kind.BENT_VERTEX, bent, grid()),
        KindPlate.of(Kind.DOUBLE, parted, grid()),
        KindPlate.of(Kind.SEAM, gap, grid()),
        KindPlate.of(Kind.TOUCHING, junction, joined),
        KindPlate.of(Kind.SHORT_EDGE, little, grid()),
        KindPlate.of(Kind.SLIT, slit, grid()),
        KindPlate.of(Kind.LOOSE_VERTEX, loose, grid()),
        KindPlate.of(Kind.LOOSE_EDGE, wire, grid()),
        KindPlate.of(Kind.IDLE_LOOP, tube(5), tube(4)).from(tube(4)));
  }

  /** A sheet in two halves, so far apart. */
  private static Sheet parted(double gap) {
    Sheet sheet = grid();
    int[] twin = new int[20];
    for (int row = 0; row <= 3; row++) {
      twin[5 * row + 2] = sheet.vertex(20 + gap, 10 * row, 0);
    }
    for (int[] face : sheet.faces) {
      if (face[0] % 5 >= 2) {
        for (int i = 0; i < 4; i++) {
          face[i] = face[i] % 5 == 2 ? twin[face[i]] : face[i];
        }
      }
    }
    return sheet;
  }

  /**
   * A square tube of so many sections, open at both ends, lying; the last but one section halved.
   */
  private static Sheet tube(int sections) {
    double[] x =
        sections == 4 ? new double[] {0, 10, 20, 30, 40} : new double[] {0, 10, 20, 25, 30, 40};
    Sheet tube = new Sheet();
    for (double at : x) {
      tube.vertex(at, 0, 0);
      tube.vertex(at, 12, 0);
      tube.vertex(at, 12, 12);
      tube.vertex(at, 0, 12);
    }
    for (int v = 0; v < 4 * (x.length - 1); v++) {
      int next = v % 4 == 3 ? v - 3 : v + 1;
      tube.face(v, v + 4, next + 4, next);
    }
    return tube;
  }

  private static List<KindPlate> surface() {
    List<KindPlate> plates = new ArrayList<>();
    plates.add(KindPlate.of(Kind.BORDER, box(1).without(5), box(1)));
    Sheet fin = grid();
    fin.face(7, 12, fin.vertex(20, 20, 9), fin.vertex(20, 10, 9));
    plates.add(KindPlate.of(Kind.CROWDED_EDGE, fin, grid()));
    plates.add(KindPlate.of(Kind.BOW_TIE, grid().without(1, 6), grid()));
    plates.add(KindPlate.of(Kind.FLIPPED, grid().turned(5), grid()));
    plates.add(KindPlate.of(Kind.INSIDE_OUT, box(1).turned(0, 1, 2, 3, 4, 5), box(1)));
    plates.add(read(Kind.REPEATED_CORNER, "f 7 8 13 13 12\n"));
    plates.add(read(Kind.UNREADABLE_FACE, "f 7 8 13 99\n"));
    plates.add(read(Kind.NO_PLACE, "v 1 nought 1\nf 7 8 21 12\n"));
    Sheet twin = grid();
    twin.face(6, 7, 12, 11);
    plates.add(KindPlate.of(Kind.TWIN_FACE, twin, grid()));
    Sheet wall = box(2);
    wall.face(4, 5, 6, 7);
    plates.add(KindPlate.of(Kind.INNER_FACE, wall, box(2)));
    Sheet flat = grid().without(6);
    int m = flat.vertex(20, 15, 0);
    flat.face(7, 8, 13, 12, m).face(7, m, 12);
    plates.add(KindPlate.of(Kind.NO_AREA, flat, grid()));
    Sheet thin = grid().without(6);
    int n = thin.vertex(20.05, 15, 0);
    thin.face(7, 8, 13, 12, n).face(7, n, 12);
    plates.add(KindPlate.of(Kind.SLIVER, thin, grid()));
    plates.add(KindPlate.of(Kind.CONCAVE, grid().move(7, new Vec3(26, 16, 0)), grid()));
    plates.add(KindPlate.of(Kind.WARPED, grid().move(7, new Vec3(20, 10, 9)), grid()));
    Sheet folded = grid();
    for (int row = 0; row <= 3; row++) {
      folded.move(5 * row + 4, new Vec3(22, 10 * row, 0.4));
    }
    plates.add(KindPlate.of(Kind.FOLDED, folded, grid()));
    plates.add(KindPlate.of(Kind.CROSSING, upright(-6), upright(4)));
    plates.add(
        KindPlate.of(Kind.PARTS, parted(6), grid())
            .asking(new Wanted(1, null, null, null, false, List.of(), List.of())));
    return plates;
  }

  /** A row of boxes, joined; the faces beside each other left out. */
  private static Sheet box(int count) {
    Sheet box = new Sheet();
    for (int i = 0; i <= count; i++) {
      box.vertex(18 * i, 0, 0);
      box.vertex(18 * i, 18, 0);
      box.vertex(18 * i, 18, 18);
      box.vertex(18 * i, 0, 18);
    }
    int end = 4 * count;
    box.face(0, 3, 2, 1).face(end, end + 1, end + 2, end + 3);
    for (int at = 0; at < end; at += 4) {
      box.face(at, at + 4, at + 7, at + 3).face(at + 1, at + 2, at + 6, at + 5);
      box.face(at, at + 1, at + 5, at + 4).face(at + 3, at + 7, at + 6, at + 2);
    }
    return box;
  }

  /** A sheet, and another that stands on edge from some height. */
  private static Sheet upright(double from) {
    Sheet sheet = grid();
    int first = sheet.vertex(5, 15, from);
    sheet.vertex(35, 15, from);
    sheet.vertex(35, 15, from + 14);
    sheet.vertex(5, 15, from + 14);
    sheet.face(first, first + 1, first + 2, first + 3);
    return sheet;
  }

  /** The grid as a file in which one face is not as it should be. */
  private static KindPlate read(Kind kind, String face) {
    StringBuilder obj = new StringBuilder();
    Sheet grid = grid();
    for (Vec3 p : grid.places) {
      obj.append("v ")
          .append(p.x())
          .append(' ')
          .append(p.y())
          .append(' ')
          .append(p.z())
          .append('\n');
    }
    for (int f = 0; f < grid.faces.size(); f++) {
      int[] v = grid.faces.get(f);
      obj.append(
          f == 5 ? face : "f %d %d %d %d\n".formatted(v[0] + 1, v[1] + 1, v[2] + 1, v[3] + 1));
    }
    byte[] bytes = obj.toString().getBytes(StandardCharsets.UTF_8);
    try {
      ReadResult read = MeshFormat.read(new ByteArrayInputStream(bytes), Limits.ofFaces(1000));
      return new KindPlate(
          kind,
          read.mesh(),
          grid.mesh(),
          Profile.OPEN_SHEET,
          null,
          Wanted.NOTHING,
          read.oddities());
    } catch (Exception e) {
      throw new IllegalStateException(e);
    }
  }

  private static List<KindPlate> flow() {
    Sheet split = grid().without(5);
    split.face(6, 7, 12).face(6, 12, 11);
    Sheet inset = grid().without(5);
    int a = inset.vertex(13, 13, 0);
    int b = inset.vertex(17, 13, 0);
    int c = inset.vertex(17, 17, 0);
    int d = inset.vertex(13, 17, 0);
    inset.face(a, b, c, d).face(6, 7, b, a).face(7, 12, c, b).face(12, 11, d, c).face(11, 6, a, d);
    Sheet stops = grid().without(4, 5, 6);
    int p = stops.vertex(0, 15, 0);
    int q = stops.vertex(10, 15, 0);
    int r = stops.vertex(20, 15, 0);
    stops.face(5, 6, q, p).face(p, q, 11, 10).face(6, 7, r, q).face(q, r, 12, 11);
    stops.face(7, 8, 13, 12, r);
    Sheet through = grid().without(4, 5, 6, 7);
    int e = through.vertex(0, 15, 0);
    int f = through.vertex(10, 15, 0);
    int g = through.vertex(20, 15, 0);
    int h = through.vertex(30, 15, 0);
    int i = through.vertex(40, 15, 0);
    through.face(5, 6, f, e).face(e, f, 11, 10).face(6, 7, g, f).face(f, g, 12, 11);
    through.face(7, 8, h, g).face(g, h, 13, 12).face(8, 9, i, h).face(h, i, 14, 13);
    return List.of(
        KindPlate.of(Kind.RING_STOP, split, grid()),
        KindPlate.of(Kind.LOOP_END, inset, grid()).from(grid()),
        KindPlate.of(Kind.DEAD_END, stops, through).from(grid()),
        KindPlate.of(Kind.POLE, star(6), star(4)),
        KindPlate.of(Kind.SPIRAL, torus(1), torus(0)),
        KindPlate.of(Kind.JUMP, Sheet.grid(0, 9, 18, 20, 29, 38), Sheet.grid(0, 9, 16, 22, 29, 38)),
        KindPlate.of(
            Kind.STRETCHED, Sheet.grid(0, 90, 180), Sheet.grid(0, 30, 60, 90, 120, 150, 180)),
        KindPlate.of(Kind.ASKEW, arch(40), arch(0)).from(roof()));
  }

  /** Quads round one vertex, so many. */
  private static Sheet star(int quads) {
    Sheet star = new Sheet();
    star.vertex(0, 0, 0);
    int n = 2 * quads;
    for (int i = 0; i < n; i++) {
      double angle = 2 * Math.PI * i / n;
      star.vertex(20 * Math.cos(angle), 20 * Math.sin(angle), 0);
    }
    for (int i = 0; i < n; i += 2) {
      star.face(0, 1 + i, 2 + i, 1 + (i + 2) % n);
    }
    return star;
  }

  /** A ring of a lifebuoy, whose last row is joined so many on. */
  private static Sheet torus(int shift) {
    int n = 14;
    int m = 8;
    Sheet torus = new Sheet();
    for (int i = 0; i < n; i++) {
      for (int k = 0; k < m; k++) {
        double u = 2 * Math.PI * i / n;
        double v = 2 * Math.PI * k / m;
        double r = 20 + 7 * Math.cos(v);
        torus.vertex(r * Math.cos(u), r * Math.sin(u), 7 * Math.sin(v));
      }
    }
    for (int i = 0; i < n; i++) {
      for (int k = 0; k < m; k++) {
        int j = (i + 1) % n;
        int by = j == 0 ? shift : 0;
        int l = (k + 1) % m;
        torus.face(i * m + k, j * m + (k + by) % m, j * m + (l + by) % m, i * m + l);
      }
    }
    return torus;
  }

  /** A sheet bent over a round, turned by some degrees on it. */
  private static Sheet arch(double degrees) {
    Sheet arch = Sheet.grid(8, 8);
    for (int v = 0; v < arch.places.size(); v++) {
      Vec3 q = arch.places.get(v).minus(new Vec3(40, 40, 0)).turned(new Vec3(0, 0, 1), degrees);
      arch.move(v, new Vec3(q.x(), q.y(), Math.sqrt(80 * 80 - q.x() * q.x())));
    }
    return arch;
  }

  private static Sheet roof() {
    Sheet roof = Sheet.grid(1, 1);
    for (int v = 0; v < 4; v++) {
      Vec3 p = roof.places.get(v);
      roof.move(v, new Vec3(8 * p.x() - 40, 8 * p.y() - 40, 500));
    }
    return roof;
  }

  private static List<KindPlate> support() {
    Sheet over = Sheet.grid(6, 6).move(24, new Vec3(50, 44, 10));
    Sheet hill = Sheet.grid(6, 6).move(24, new Vec3(30, 30, 6));
    return List.of(
        KindPlate.of(Kind.SOFT_EDGE, block(0, 0.3, 0.7, 1), block(0, 0.05, 0.95, 1)),
        KindPlate.of(Kind.PINCH, over, hill),
        KindPlate.of(Kind.TIGHT, block(0, 0.0008, 0.9992, 1), block(0, 0.05, 0.95, 1)),
        KindPlate.of(Kind.NO_COLLAR, hole(false), hole(true)));
  }

  private static Sheet block(double... cuts) {
    Sheet block = new Sheet();
    int n = cuts.length - 1;
    for (int axis = 0; axis < 3; axis++) {
      for (int end = 0; end < 2; end++) {
        for (int i = 0; i < n; i++) {
          for (int k = 0; k < n; k++) {
            int[] face = new int[4];
            for (int c = 0; c < 4; c++) {
              int turn = end == 1 ? c : 3 - c;
              double[] p = new double[3];
              p[axis] = end == 1 ? cuts[n] : cuts[0];
              p[(axis + 1) % 3] = cuts[i + (turn == 1 || turn == 2 ? 1 : 0)];
              p[(axis + 2) % 3] = cuts[k + (turn > 1 ? 1 : 0)];
              face[c] = block.known(new Vec3(30 * p[0], 30 * p[1], 30 * p[2]));
            }
            block.face(face);
          }
        }
      }
    }
    return block;
  }

  /** A plate with a round hole and its wall; round it one ring of quads, or nearly one. */
  private static Sheet hole(boolean collar) {
    Sheet hole = new Sheet();
    int n = 16;
    double[][] rings = {{8, -12}, {8, 0}, {16, 0}, {30, 0}};
    for (double[] ring : rings) {
      for (int i = 0; i < n; i++) {
        double a = 2 * Math.PI * i / n;
        hole.vertex(ring[0] * Math.cos(a), ring[0] * Math.sin(a), ring[1]);
      }
    }
    for (int ring = 0; ring < 3; ring++) {
      for (int i = 0; i < n; i++) {
        int at = ring * n + i;
        int next = ring * n + (i + 1) % n;
        if (ring == 1 && !collar && i == 11) {
          hole.face(at, at + n, next).face(at + n, next + n, next);
        } else {
          hole.face(at, at + n, next + n, next);
        }
      }
    }
    return hole;
  }

  private static List<KindPlate> shape() {
    Sheet shifted = grid();
    for (int v = 0; v < shifted.places.size(); v++) {
      shifted.move(v, shifted.places.get(v).plus(new Vec3(0, 0, 25)));
    }
    Sheet moved = grid().move(7, new Vec3(20, 10, 4));
    Wanted near = new Wanted(null, null, 1.0, null, false, List.of(), List.of());
    Sheet cut = grid().without(5);
    cut.face(6, 7, 12).face(6, 12, 11);
    Wanted round = new Wanted(null, null, null, null, true, List.of(), List.of());
    Sheet aside = row(13);
    Sheet on = row(15);
    Line line = new Line(List.of(new Vec3(0, 15, 0), new Vec3(40, 15, 0)));
    Wanted lines = new Wanted(null, null, null, null, false, List.of(line), List.of());
    Wanted few = new Wanted(null, 12, null, null, false, List.of(), List.of());
    Mirror middle = new Mirror(new Vec3(20, 15, 0), new Vec3(1, 0, 0), 1e-3);
    Wanted alike = new Wanted(null, null, null, middle, false, List.of(), List.of());
    return List.of(
        KindPlate.of(Kind.PLACED, shifted, grid()).from(grid()),
        KindPlate.of(Kind.MOVED, moved, grid()).from(grid()).asking(near),
        KindPlate.of(Kind.ONE_SIDED, cut, on).from(grid()).asking(round),
        KindPlate.of(Kind.OFF_LINE, aside, on).from(grid()).asking(lines),
        KindPlate.of(Kind.TOO_MANY, Sheet.grid(8, 6), grid()).from(grid()).asking(few),
        KindPlate.of(Kind.LOPSIDED, Sheet.grid(0, 10, 16, 30, 40), grid())
            .from(grid())
            .asking(alike));
  }

  /** The grid with one more row of vertices at some depth. */
  private static Sheet row(double y) {
    Sheet row = grid().without(4, 5, 6, 7);
    int first = row.vertex(0, y, 0);
    for (int i = 1; i <= 4; i++) {
      row.vertex(10 * i, y, 0);
    }
    for (int i = 0; i < 4; i++) {
      row.face(5 + i, 6 + i, first + i + 1, first + i);
      row.face(first + i, first + i + 1, 11 + i, 10 + i);
    }
    return row;
  }
}
