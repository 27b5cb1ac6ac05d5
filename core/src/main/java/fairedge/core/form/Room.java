package fairedge.core.form;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import fairedge.core.mesh.Mesh;
import fairedge.core.work.Remark;
import java.util.ArrayList;
import java.util.List;
import java.util.Locale;
import org.jspecify.annotations.Nullable;

/**
 * How wide a line beside edges can be, before a side of a face loses its length, two of its sides
 * touch, or it turns over. Corners move along straight lines, as far as the width at their vertex
 * times their way. Cost: the faces; where a width does not fit, fifty times that.
 */
final class Room {
  private static final int HALVINGS = 48;

  /** As far as there is room is this share of the bound. */
  private static final double ROOMY = 0.9;

  /** Places that narrow each other are settled in so many passes, or all get one width. */
  private static final int MOST_PASSES = 64;

  /** So many places are named each. */
  private static final int MOST_TOLD = 6;

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

    boolean isStill() {
      return way.equals(Vec3.ZERO);
    }

    Vec3 at(double width) {
      return from.plus(way.times(width));
    }

    Vec3 at(Widths widths) {
      return at(widths.at(vertex));
    }
  }

  /** A face as it will run; a corner that becomes several stands there as often. */
  record Round(int face, List<Moving> corners) {}

  /**
   * An edge on which points move from its ends towards each other.
   *
   * @param first how far that from its first end goes for a width of 1 there; 0 where none does
   * @param second the same of the other end
   */
  record Span(int edge, double first, double second) {
    /** The same with more from one end. */
    Span plus(boolean atFirst, double more) {
      return new Span(edge, atFirst ? first + more : first, atFirst ? second : second + more);
    }
  }

  /**
   * Where a width is the first that does not fit.
   *
   * @param at the vertices beside which it is too wide
   */
  private record Tight(double width, Element element, List<Integer> at) {}

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
   * The width that is asked, or at each place that has no room for it nine tenths of the bound
   * there.
   *
   * @param roomy whether it may be less than is asked
   * @param what is so wide, to begin a sentence with
   * @throws Refusal.Raised if it may not, with the element and the bound
   */
  Widths fitting(double asked, boolean roomy, String what, List<Remark> remarks) {
    Tight tight = firstTight(asked);
    Widths widths = new Widths(asked);
    if (tight == null) {
      return widths;
    }
    if (!roomy) {
      throw Refusal.because(room(tight), tight.element());
    }
    List<Tight> narrowed = new ArrayList<>();
    for (int pass = 0; pass < MOST_PASSES; pass++) {
      boolean isDone = narrowSpans(widths, narrowed) & narrowRounds(asked, widths, narrowed);
      if (isDone) {
        tell(narrowed, what, remarks);
        return widths;
      }
    }
    // Places that narrow each other on and on: all as wide as the tightest.
    tell(List.of(tight), what, remarks);
    return new Widths(ROOMY * tight.width());
  }

  private static String room(Tight tight) {
    return String.format(Locale.ROOT, "There is room for less than %.4g here.", tight.width);
  }

  private void tell(List<Tight> narrowed, String what, List<Remark> remarks) {
    for (Tight tight : narrowed.subList(0, Math.min(MOST_TOLD, narrowed.size()))) {
      String width = String.format(Locale.ROOT, " %s is %.4g wide.", what, ROOMY * tight.width());
      remarks.add(Remark.of(room(tight) + width, tight.element()));
    }
    if (narrowed.size() > MOST_TOLD) {
      remarks.add(
          Remark.of(
              "%s is narrower at %d more places.".formatted(what, narrowed.size() - MOST_TOLD),
              null));
    }
  }

  /** Whether all edges have room. */
  private boolean narrowSpans(Widths widths, List<Tight> narrowed) {
    boolean isDone = true;
    for (Span span : spans) {
      int a = mesh.first(span.edge());
      int b = mesh.second(span.edge());
      double length = mesh.length(span.edge());
      if (span.first() * widths.at(a) + span.second() * widths.at(b) >= length) {
        double bound = length / (span.first() + span.second());
        widths.narrow(a, ROOMY * bound);
        widths.narrow(b, ROOMY * bound);
        narrowed.add(new Tight(bound, Element.edge(span.edge()), List.of(a, b)));
        isDone = false;
      }
    }
    return isDone;
  }

  /** Whether all faces have room. */
  private boolean narrowRounds(double asked, Widths widths, List<Tight> narrowed) {
    boolean isDone = true;
    for (Round round : rounds) {
      if (hasRoom(round, widths)) {
        continue;
      }
      isDone = false;
      Tight tight = tight(round, asked);
      boolean isNew = tight != null && narrow(widths, tight.at(), ROOMY * tight.width());
      if (isNew) {
        narrowed.add(tight);
      } else {
        // What its corners lack is evenness: so wide as at its narrowest a face has room.
        List<Integer> moving = moving(round);
        narrow(widths, moving, moving.stream().mapToDouble(widths::at).min().orElse(asked));
      }
    }
    return isDone;
  }

  private static List<Integer> moving(Round round) {
    return round.corners().stream().filter(c -> !c.isStill()).map(Moving::vertex).toList();
  }

  private static boolean narrow(Widths widths, List<Integer> vertices, double width) {
    boolean isNew = false;
    for (int v : vertices) {
      isNew |= widths.narrow(v, width);
    }
    return isNew;
  }

  private boolean hasRoom(Round round, Widths widths) {
    int size = round.corners().size();
    for (int i = 0; i < size; i++) {
      Moving a = round.corners().get(i);
      Moving b = round.corners().get((i + 1) % size);
      Vec3 side = b.from().minus(a.from());
      if (side.dot(side) > 0 && !(b.at(widths).minus(a.at(widths)).dot(side) > 0)) {
        return false;
      }
    }
    return stands(round, widths);
  }

  /** Where a face has no room for an even width, if it has none. */
  private @Nullable Tight tight(Round round, double asked) {
    Tight side = sideLost(round);
    Tight lost = side != null && side.width() <= asked ? side : null;
    double most = lost == null ? asked : lost.width() * (1 - 1e-9);
    return stands(round, new Widths(most))
        ? lost
        : new Tight(bound(round, most), Element.face(round.face()), moving(round));
  }

  private @Nullable Tight firstTight(double asked) {
    Tight first = null;
    for (Span span : spans) {
      double met = mesh.length(span.edge()) / (span.first() + span.second());
      if (met <= asked && (first == null || met < first.width())) {
        first = new Tight(met, Element.edge(span.edge()), List.of());
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
      if (!stands(round, new Widths(most))) {
        upTo = bound(round, most);
        first = new Tight(upTo, Element.face(round.face()), List.of());
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
          first =
              new Tight(
                  lost,
                  Element.edge(mesh.findEdge(a.vertex(), b.vertex())),
                  List.of(a.vertex(), b.vertex()));
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
      if (stands(round, new Widths(half))) {
        fits = half;
      } else {
        wide = half;
      }
    }
    return wide;
  }

  /** Whether a face looks where it did, and no two of its sides touch that did not before. */
  private static boolean stands(Round round, Widths widths) {
    Vec3[] now = places(round, widths, 1);
    Vec3[] before = places(round, widths, 0);
    Vec3 normal = newell(before);
    if (!(newell(now).dot(normal) > 0)) {
      return false;
    }
    Vec3 sight = normal.unit();
    return now.length == 3
        || now.length > MOST_SIDES
        || !Touching.any(now, sight)
        || Touching.any(places(round, widths, 1e-9), sight);
  }

  private static Vec3 newell(Vec3[] round) {
    Vec3 sum = Vec3.ZERO;
    for (int i = 1; i + 1 < round.length; i++) {
      sum = sum.plus(round[i].minus(round[0]).cross(round[i + 1].minus(round[0])));
    }
    return sum;
  }

  /** With a share of each width. */
  private static Vec3[] places(Round round, Widths widths, double share) {
    return round.corners().stream()
        .map(corner -> corner.at(share * widths.at(corner.vertex())))
        .toArray(Vec3[]::new);
  }
}
