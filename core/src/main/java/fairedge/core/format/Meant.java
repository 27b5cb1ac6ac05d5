package fairedge.core.format;

import fairedge.core.geometry.Bounds;
import fairedge.core.geometry.Vec3;
import fairedge.core.mesh.Mesh;
import java.util.ArrayList;
import java.util.List;

/**
 * How the numbers of a mesh file are meant. Most formats don't say; only whoever made the file
 * knows.
 *
 * @param unit of its lengths
 * @param up which of its axes points upwards; with us it is Z
 */
public record Meant(LengthUnit unit, Up up) {
  /** An axis that points upwards. */
  public enum Up {
    Y,
    Z
  }

  /** Sizes that differ by no more than this share count as the same. */
  public static final double SAME = 0.02;

  /** Sizes that differ by no more than this share may be of the same form, changed. */
  private static final double NEAR = 0.5;

  /** A form thinner than this share of its largest extent is flat: its thinness tells nothing. */
  private static final double FLAT = 1e-3;

  /** Every way in which a file may be meant. */
  public static List<Meant> all() {
    List<Meant> all = new ArrayList<>();
    for (LengthUnit unit : LengthUnit.values()) {
      for (Up up : Up.values()) {
        all.add(new Meant(unit, up));
      }
    }
    return all;
  }

  /** Where a place of the file lies in another unit, with Z upwards. */
  public Vec3 place(Vec3 p, LengthUnit in) {
    Vec3 turned = turned(p);
    double by = unit.in(in);
    return by == 1 ? turned : turned.times(by);
  }

  private Vec3 turned(Vec3 p) {
    // Adding nothing takes the sign from a negated nought.
    return up == Up.Z ? p : new Vec3(p.x(), -p.z() + 0.0, p.y());
  }

  /** The mesh of a file in another unit, with Z upwards. Cost: its vertices and normals. */
  public Mesh mesh(Mesh read, LengthUnit in) {
    return up == Up.Z && unit == in ? read : read.moved(p -> place(p, in), this::turned);
  }

  /** How large a file's box is in another unit, along our axes. */
  public Vec3 size(Bounds file, LengthUnit in) {
    Vec3 size = file.isEmpty() ? Vec3.ZERO : file.max().minus(file.min());
    Vec3 placed = place(size, in);
    return new Vec3(placed.x(), Math.abs(placed.y()), placed.z());
  }

  /**
   * How a file is most likely meant, from how large it would be: as nearly as large as the starter;
   * as the exercise has it where that is as good, or where nothing comes near.
   */
  public static Meant guess(Bounds file, Bounds starter, LengthUnit in) {
    Meant best = new Meant(in, Up.Z);
    double least = best.differs(file, starter, in);
    for (Meant other : all()) {
      double differs = other.differs(file, starter, in);
      if (differs < least - SAME && differs <= NEAR) {
        best = other;
        least = differs;
      }
    }
    return best;
  }

  /** Whether a file, meant so, is as large as the starter along every axis. */
  public boolean fits(Bounds file, Bounds starter, LengthUnit in) {
    return differs(file, starter, in) <= SAME;
  }

  /** The largest share by which a size differs from the starter's along one axis. */
  private double differs(Bounds file, Bounds starter, LengthUnit in) {
    Vec3 size = size(file, in);
    Vec3 wanted = new Meant(in, Up.Z).size(starter, in);
    double thin = FLAT * Math.max(wanted.x(), Math.max(wanted.y(), wanted.z()));
    return Math.max(
        share(size.x(), wanted.x(), thin),
        Math.max(share(size.y(), wanted.y(), thin), share(size.z(), wanted.z(), thin)));
  }

  private static double share(double size, double wanted, double thin) {
    double one = Math.max(size, thin);
    double other = Math.max(wanted, thin);
    return one == 0 && other == 0 ? 0 : Math.max(one, other) / Math.min(one, other) - 1;
  }
}
