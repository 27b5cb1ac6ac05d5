package fairedge.core.form;

import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Bending;
import fairedge.core.geometry.BentBetween;
import fairedge.core.geometry.Bounds;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Asked;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import java.util.ArrayList;
import java.util.Collection;
import java.util.HashMap;
import java.util.List;
import java.util.Locale;
import java.util.Map;
import java.util.Objects;
import java.util.TreeSet;
import org.jspecify.annotations.Nullable;

/**
 * Bends, twists or tapers along an axis, by the formulas with which a bend is tried on a form;
 * between two limits, beyond which all goes straight on. On the middle line distances of vertices
 * become lengths of arc; edges stay chords. Cost: the vertices and the faces at them.
 */
public final class Bend {
  /** More than this many degrees at once: the form cuts a corner that it ought to go round. */
  private static final double MOST_AT_ONCE = 15;

  private static final double CLOSED = 1e-9;

  /**
   * How.
   *
   * @param way what is done
   * @param axis along which, through the middle of the box round what is bent
   * @param towards to where a bend turns; another axis
   * @param low the lower limit along the axis, null for where the box begins
   * @param high the higher limit, null for where the box ends
   * @param held what stays where it is
   * @param amount of a bend or a twist in degrees from limit to limit, at most 360; of a taper the
   *     share of its width that one limit loses or, if negative, the other, under 1
   */
  public record Bow(
      Bending.BendWay way,
      Axis axis,
      Axis towards,
      @Nullable Double low,
      @Nullable Double high,
      BentBetween.HeldAt held,
      double amount) {
    public Bow {
      Objects.requireNonNull(way, "way");
      Objects.requireNonNull(axis, "axis");
      Objects.requireNonNull(towards, "towards");
      Objects.requireNonNull(held, "held");
    }

    /** What people leave out as what they mean most often. */
    public static Bow asked(
        Bending.@Nullable BendWay way,
        Axis axis,
        @Nullable Axis towards,
        @Nullable Double low,
        @Nullable Double high,
        BentBetween.@Nullable HeldAt held,
        double amount) {
      return new Bow(
          way == null ? Bending.BendWay.BEND : way,
          axis,
          towards == null ? axis.next() : towards,
          low,
          high,
          held == null ? BentBetween.HeldAt.MIDDLE : held,
          amount);
    }
  }

  private final Site site;
  private final Mesh mesh;
  private final Bow bow;
  private final TreeSet<Integer> vertices;
  private final List<Remark> remarks = new ArrayList<>();

  private Bend(Site site, TreeSet<Integer> vertices, Bow bow) {
    this.site = site;
    this.mesh = site.mesh();
    this.vertices = vertices;
    this.bow = bow;
  }

  /**
   * @param asked which vertices; empty for all
   * @throws Refusal.Raised where the numbers tell no bend
   */
  public static Done bend(Site site, Collection<Integer> asked, Bow bow) {
    Mesh mesh = site.mesh();
    TreeSet<Integer> vertices = new TreeSet<>();
    if (asked.isEmpty()) {
      for (int v = 0; v < mesh.vertexEnd(); v++) {
        if (mesh.hasVertex(v) && mesh.hasPlace(v)) {
          vertices.add(v);
        }
      }
    } else {
      vertices = Asked.placed(site, asked);
    }
    return new Bend(site, vertices, bow).bend();
  }

  private Done bend() {
    BentBetween bent = bent();
    Map<Integer, Vec3> before = new HashMap<>();
    for (int v : vertices) {
      before.put(v, mesh.position(v));
    }
    tellSections(bent);
    for (int v : vertices) {
      Vec3 to = bent.place(mesh.position(v));
      if (!to.isFinite()) {
        throw Refusal.because("This would move a vertex out of all bounds.", Element.vertex(v));
      }
      if (!to.equals(mesh.position(v))) {
        site.edit().moveVertex(v, to);
      }
    }
    tellClosed(bent, before);
    return new Done(List.of(), remarks, 0);
  }

  private BentBetween bent() {
    Bounds box = Bounds.EMPTY;
    for (int v : vertices) {
      box = box.with(mesh.position(v));
    }
    if (box.isEmpty()) {
      throw Refusal.because("There is nothing to bend.");
    }
    int along = bow.axis().ordinal();
    double low = bow.low() == null ? box.min().along(along) : bow.low();
    double high = bow.high() == null ? box.max().along(along) : bow.high();
    if (!(low < high) || !Double.isFinite(low) || !Double.isFinite(high)) {
      throw Refusal.because("The lower limit lies below the higher one.");
    }
    if (bow.way() == Bending.BendWay.BEND && bow.axis() == bow.towards()) {
      throw Refusal.because("A bend goes towards another axis than its own.");
    }
    double most = bow.way() == Bending.BendWay.TAPER ? Bending.MOST_TAPER : Bending.MOST_DEGREES;
    if (!(Math.abs(bow.amount()) <= most)) {
      throw Refusal.because(
          bow.way() == Bending.BendWay.TAPER
              ? "A taper takes up to %.0f %% of the width.".formatted(100 * most)
              : "A bend or a twist goes up to %.0f degrees.".formatted(most));
    }
    if (bow.amount() == 0) {
      throw Refusal.because("By an amount of 0 nothing is bent.");
    }
    return BentBetween.of(
        box.centre(), bow.way(), bow.axis(), bow.towards(), low, high, bow.held(), bow.amount());
  }

  /** How many faces turn by too much at once, and how many sections there ought to be. */
  private void tellSections(BentBetween bent) {
    if (bow.way() == Bending.BendWay.TAPER) {
      return;
    }
    TreeSet<Integer> faces = new TreeSet<>();
    for (int v : vertices) {
      for (int f : mesh.facesAt(v)) {
        faces.add(f);
      }
    }
    int coarse = 0;
    double most = 0;
    int worst = Mesh.NONE;
    for (int f : faces) {
      double low = Double.POSITIVE_INFINITY;
      double high = Double.NEGATIVE_INFINITY;
      for (int v : mesh.vertices(f)) {
        double turn = vertices.contains(v) ? bent.turn(mesh.position(v)) : Double.NaN;
        low = Math.min(low, turn);
        high = Math.max(high, turn);
      }
      if (high - low > MOST_AT_ONCE + CLOSED) {
        coarse++;
        worst = high - low > most ? f : worst;
        most = Math.max(most, high - low);
      }
    }
    if (coarse > 0) {
      double whole = Math.abs(bow.amount());
      int wanted = (int) Math.ceil(whole / MOST_AT_ONCE - CLOSED);
      int into = (int) Math.ceil(most / MOST_AT_ONCE - CLOSED);
      remarks.add(
          Remark.of(
              String.format(
                  Locale.ROOT,
                  "%d faces turn by up to %.0f° at once; for %.0f° it wants %d sections. Straight"
                      + " cuts %.4g apart before the bend part each section into %d.",
                  coarse,
                  most,
                  MOST_AT_ONCE,
                  wanted,
                  bent.length() * most / whole / into,
                  into),
              Element.face(worst)));
    }
  }

  /** After a full turn both ends lie on one another. */
  private void tellClosed(BentBetween bent, Map<Integer, Vec3> before) {
    if (bow.way() != Bending.BendWay.BEND || Math.abs(bow.amount()) != Bending.MOST_DEGREES) {
      return;
    }
    int ends = 0;
    for (Vec3 p : before.values()) {
      ends += Math.abs(bent.along(p) - bent.low()) <= site.merge() ? 1 : 0;
    }
    if (ends > 0) {
      remarks.add(
          Remark.of(
              "A full turn: the two ends lie on one another now. Rejoin, or Weld by distance, joins"
                  + " them.",
              null));
    }
  }
}
