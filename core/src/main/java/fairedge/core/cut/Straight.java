package fairedge.core.cut;

import fairedge.core.fill.EndFill;
import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Mesh;
import fairedge.core.near.RayCast;
import fairedge.core.work.Done;
import fairedge.core.work.Remark;
import fairedge.core.work.Site;
import fairedge.core.work.View;
import java.util.ArrayList;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * The cut by a plane, or by several side by side.
 *
 * <p>Input: a plane, moved and turned by numbers; how many and how far apart; how deep, and whether
 * endless or only between the two points of the screen that it was drawn by; what happens to both
 * sides. Precondition: the plane crosses a face that may be cut, or parts the mesh along edges that
 * lie in it. Result: every face crossed is split along the plane, a concave one into as many parts
 * as there are; vertices within the merge distance of the plane are used; faces that lie in it or
 * only touch it are left alone. Old vertices stay. Nothing dies, unless one side is to go. Cost:
 * the faces along the planes; the mesh, where its sides are parted.
 *
 * <p>Stages: lay the planes; find their chords; limit them; cut; part the sides; tell.
 */
public final class Straight {
  /** Where along a chord it is looked whether it is seen. */
  private static final double[] PROBES = {0.04, 0.27, 0.5, 0.73, 0.96};

  private static final int MOST_PLANES = 200;

  private final Site site;
  private final Mesh mesh;
  private final Cut cut;
  private final List<Remark> remarks = new ArrayList<>();

  /** What becomes of the sides of the plane. */
  public enum After {
    /** They stay joined. */
    JOINED,
    /** Only the one to which the plane's normal points stays. */
    KEEP_AHEAD,
    /** Only the other one stays. */
    KEEP_BEHIND,
    /** Both stay, and each has edges of its own along the plane. */
    APART
  }

  /** What becomes of ends that are opened. */
  public enum Ends {
    OPEN,
    FACES,
    QUADS
  }

  /**
   * What is asked.
   *
   * @param turn about the plane's depth, degrees
   * @param tilt about its other direction, degrees
   * @param shift along its normal
   * @param count planes, each {@code spacing} further along the normal
   * @param between only between the two points of the screen; for a drawn plane
   * @param eye how the model is seen, needed where only the front is cut
   */
  public record Cut(
      PlaneBy plane,
      double turn,
      double tilt,
      double shift,
      int count,
      double spacing,
      Reach reach,
      boolean between,
      @Nullable View eye,
      After after,
      Ends ends) {}

  private Straight(Site site, Cut cut) {
    this.site = site;
    this.mesh = site.mesh();
    this.cut = cut;
  }

  /**
   * @throws Refusal.Raised with nothing lost if the caller takes the edit back
   */
  public static Done cut(Site site, Cut cut) {
    return new Straight(site, cut).cut();
  }

  private Done cut() {
    check();
    TraceLine line = new TraceLine(mesh, site.firstNewVertex());
    List<PlaneFrame> planes = planes();
    List<Chord> all = new ArrayList<>();
    for (PlaneFrame plane : planes) {
      List<Chord> chords = limited(chordsOf(plane.flat()), plane);
      if (!chords.isEmpty()) {
        line.section(chords);
      }
      all.addAll(chords);
    }
    if (all.isEmpty() && cut.after() == After.JOINED) {
      throw Refusal.because(nothingCrossed(planes));
    }
    new FaceCutter(site.edit(), site.merge()).cut(all);
    remarks.addAll(site.neighboursThatGained());
    if (cut.after() != After.JOINED) {
      part(planes.getFirst().flat());
    }
    return line.result(remarks);
  }

  private void check() {
    boolean numbers =
        Double.isFinite(cut.turn())
            && Double.isFinite(cut.tilt())
            && Double.isFinite(cut.shift())
            && Double.isFinite(cut.spacing());
    if (!numbers || cut.count() < 1 || cut.count() > MOST_PLANES) {
      throw Refusal.because("From 1 to %d planes can cut at once.".formatted(MOST_PLANES));
    }
    if (cut.count() > 1 && !(Math.abs(cut.spacing()) > site.merge())) {
      throw Refusal.because("The planes need a distance between them.");
    }
    if (cut.between() && !(cut.plane() instanceof PlaneBy.Drawn)) {
      throw Refusal.because("Only a drawn line has two ends to cut between.");
    }
    if (cut.reach() == Reach.FRONT && eye() == null) {
      throw Refusal.because("To cut only the front it must be known from where it is seen.");
    }
    if (cut.after() != After.JOINED) {
      boolean whole = cut.reach() == Reach.THROUGH && !cut.between() && cut.count() == 1;
      if (!whole || !site.isWhole()) {
        throw Refusal.because(
            "Sides can be parted by one plane only, endless, right through the whole mesh.");
      }
    }
  }

  private @Nullable View eye() {
    return cut.plane() instanceof PlaneBy.Drawn d ? d.view() : cut.eye();
  }

  /**
   * The first of the planes, as it is moved and turned.
   *
   * @throws Refusal.Raised where what it is laid by is gone or does not tell a plane
   */
  public static PlaneFrame frame(Mesh mesh, Cut cut) {
    return PlaneFrame.of(cut.plane(), mesh).turned(cut.turn(), cut.tilt()).shifted(cut.shift());
  }

  private List<PlaneFrame> planes() {
    PlaneFrame first = frame(mesh, cut);
    List<PlaneFrame> planes = new ArrayList<>();
    for (int k = 0; k < cut.count(); k++) {
      planes.add(first.shifted(k * cut.spacing()));
    }
    return planes;
  }

  private List<Chord> chordsOf(FlatPlane plane) {
    int[] faces = site.facesMeeting(plane.region(site.merge()));
    return new Section(mesh, plane, site.merge()).chords(faces);
  }

  private List<Chord> limited(List<Chord> chords, PlaneFrame plane) {
    List<Chord> left = new ArrayList<>(chords);
    if (cut.between() && cut.plane() instanceof PlaneBy.Drawn d) {
      SightPlane drawn = SightPlane.through(d.view(), d.from(), d.to());
      PlaneFrame asDrawn = PlaneFrame.of(d, mesh);
      left.removeIf(c -> !isBetween(c, drawn, plane, asDrawn));
    }
    View eye = eye();
    if (cut.reach() == Reach.FRONT && eye != null) {
      RayCast rays = site.rays();
      left.removeIf(c -> !isSeen(c, eye, rays));
    }
    left.removeIf(c -> !site.allows(c.face()));
    return left;
  }

  /**
   * The two ends go with the plane: places on it are measured where they were when it was drawn.
   */
  private static boolean isBetween(
      Chord chord, SightPlane drawn, PlaneFrame plane, PlaneFrame asDrawn) {
    Vec3 from = plane.carried(chord.from().at(), asDrawn);
    Vec3 to = plane.carried(chord.to().at(), asDrawn);
    if (!drawn.isAhead(from) || !drawn.isAhead(to)) {
      return false;
    }
    double a = drawn.across(from);
    double b = drawn.across(to);
    return Math.max(a, b) > 1e-9 && Math.min(a, b) < 1 - 1e-9;
  }

  private boolean isSeen(Chord chord, View eye, RayCast rays) {
    for (double t : PROBES) {
      Vec3 at = chord.from().at().towards(chord.to().at(), t);
      if (Eyesight.sees(eye, at, rays, site)) {
        return true;
      }
    }
    return false;
  }

  private String nothingCrossed(List<PlaneFrame> planes) {
    boolean meets = false;
    for (PlaneFrame plane : planes) {
      meets |= site.facesMeeting(plane.flat().region(site.merge())).length > 0;
    }
    return meets
        ? "The plane crosses no face that may be cut: it only touches, or runs along edges."
        : "The plane misses the model.";
  }

  private void part(FlatPlane plane) {
    Parting parting = new Parting(site.edit(), plane, site.merge());
    parting.requireTwoSides();
    EndFill.With with =
        switch (cut.ends()) {
          case OPEN -> null;
          case FACES -> EndFill.With.FACES;
          case QUADS -> EndFill.With.QUADS;
        };
    switch (cut.after()) {
      case KEEP_AHEAD -> parting.keep(true, with);
      case KEEP_BEHIND -> parting.keep(false, with);
      case APART -> parting.takeApart(with);
      case JOINED -> throw new IllegalStateException("joined sides are not parted");
    }
    if (with != null && parting.closed() == 0) {
      remarks.add(Remark.of("No end is open all round in the plane, so nothing is closed.", null));
    }
  }
}
