package fairedge.core.form;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Remark;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * How wide a line beside edges can be, before a side of a face loses its length, two of its sides
 * touch, or it turns over. Corners move along straight lines, as far as the width times their way.
 * Cost: the faces; where a width does not fit, fifty times that.
 */
final class Room {
  private static final int HALVINGS = 48;

  /** As far as there is room is this share of the bound. */
  private static final double ROOMY = 0.9;

  /** A face of more sides is not asked whether its sides cross. */
  private static final int MOST_SIDES = 1000;

  /**
   * A corner on its way.
   *
   * @param way how far it goes for a width of 1
   */
  record Moving(int vertex, Vec3 from, Vec3 way) {
    static Moving still(Mesh mesh, int vertex) {
      return new Moving(vertex, mesh.position(vertex), Vec3.ZERO);
    }

    Vec3 at(double width) {
      return from.plus(way.times(width));
    }
  }

  /** A face as it will run; a corner that becomes several stands there as often. */
  record Round(int face, List<Moving> corners) {}

  /** An edge that points from its ends move on towards each other, so far for a width of 1. */
  record Span(int edge, double perWidth) {}

  /** Where a width is the first that does not fit. */
  private record Tight(double width, Element element) {}

  private final Mesh mesh;
  private final List<Round> rounds;
  private final List<Span> spans;

  Room(Mesh mesh, List<Round> rounds) {
    this(mesh, rounds, List.of());
  }

  Room(Mesh mesh, List<Round> rounds, List<Span> spans) {
    this.mesh = mesh;
    this.rounds = rounds;
    this.spans = spans;
  }

  /**
   * The width that is asked, or nine tenths of the bound where that is too wide.
   *
   * @param roomy whether it may be less than is asked
   * @param what is so wide, to begin a sentence with
   * @throws Refusal.Raised if it may not, with the element and the bound
   */
  double fitting(double asked, boolean roomy, String what, List<Remark> remarks) {
    Tight tight = firstTight(asked);
    if (tight == null) {
      return asked;
    }
    String room = String.format(Locale.ROOT, "There is room for less than %.4g here.", tight.width);
    if (!roomy) {
      throw Refusal.because(room, tight.element());
    }
    double fits = ROOMY * tight.width();
    remarks.add(
        Remark.of(
            room + String.format(Locale.ROOT, " %s is %.4g wide.", what, fits), tight.element()));
    return fits;
  }

  private @Nullable Tight firstTight(double asked) {
    Tight first = null;
    for (Span span : spans) {
      double met = mesh.length(span.edge()) / span.perWidth();
      if (met <= asked && (first == null || met < first.width())) {
        first = new Tight(met, Element.edge(span.edge()));
      }
    }
    for (Round round : rounds) {
      Tight side = sideLost(round);
      if (side != null
          && side.width() <= asked
          && (first == null || side.width() < first.width())) {
        first = side;
      }
    }
    double upTo = first == null ? asked : first.width();
    for (Round round : rounds) {
      // Just below a side that is lost all faces must stand.
      double most = first == null ? upTo : upTo * (1 - 1e-9);
      if (!stands(round, most)) {
        upTo = bound(round, most);
        first = new Tight(upTo, Element.face(round.face()));
      }
    }
    return first;
  }

  /** The width at which a side of a face is no longer there: ends move along straight lines. */
  private @Nullable Tight sideLost(Round round) {
    Tight first = null;
    int size = round.corners().size();
    for (int i = 0; i < size; i++) {
      Moving a = round.corners().get(i);
      Moving b = round.corners().get((i + 1) % size);
      Vec3 side = b.from().minus(a.from());
      double shrinks = -b.way().minus(a.way()).dot(side);
      if (shrinks > 0) {
        double lost = side.dot(side) / shrinks;
        if (first == null || lost < first.width()) {
          first = new Tight(lost, Element.edge(mesh.findEdge(a.vertex(), b.vertex())));
        }
      }
    }
    return first;
  }

  private static double bound(Round round, double tooWide) {
    double fits = 0;
    double wide = tooWide;
    for (int i = 0; i < HALVINGS; i++) {
      double half = 0.5 * (fits + wide);
      if (stands(round, half)) {
        fits = half;
      } else {
        wide = half;
      }
    }
    return wide;
  }

  /** Whether a face looks where it did, and no two of its sides touch that did not before. */
  private static boolean stands(Round round, double w) {
    Vec3[] now = places(round, w);
    Vec3[] before = places(round, 0);
    Vec3 normal = newell(before);
    if (!(newell(now).dot(normal) > 0)) {
      return false;
    }
    Vec3 sight = normal.unit();
    return now.length == 3
        || now.length > MOST_SIDES
        || !Touching.any(now, sight)
        || Touching.any(places(round, w * 1e-9), sight);
  }

  private static Vec3 newell(Vec3[] round) {
    Vec3 sum = Vec3.ZERO;
    for (int i = 1; i + 1 < round.length; i++) {
      sum = sum.plus(round[i].minus(round[0]).cross(round[i + 1].minus(round[0])));
    }
    return sum;
  }

  private static Vec3[] places(Round round, double w) {
    return round.corners().stream().map(corner -> corner.at(w)).toArray(Vec3[]::new);
  }
}
