package fairedge.core.cut;

import fairedge.core.effort.Effort;
import java.util.ArrayList;
import java.util.Arrays;
import java.util.BitSet;
import java.util.List;

/**
 * Which chords of a section the eye sees between the two sight-lines: the upper envelope of
 * segments in the sight plane, stretch by stretch between neighbouring ends. Surfaces that coincide
 * are seen together. Cost: n log n for n chords, and the depth of the model along each stretch.
 */
final class Sight {
  /** Stretches narrower than this part of the whole segment show nothing. */
  private static final double NARROW = 1e-9;

  private static final double SAME_DEPTH = 1e-7;

  /** Where in a stretch depths are compared: surfaces may pass through each other inside it. */
  private static final double[] PROBES = {0.03, 0.5, 0.97};

  /** A chord as seen: from where to where across, and how near at both ends. */
  private record Seen(Chord chord, double start, double end, double nearStart, double nearEnd) {
    double nearnessAt(double across) {
      return nearStart + (nearEnd - nearStart) * (across - start) / (end - start);
    }
  }

  private Sight() {}

  /** The chords seen, each running from the first sight-line's side to the second's, in order. */
  static List<Chord> visible(List<Chord> chords, SightPlane plane) {
    return visible(chords, plane, 0, 1);
  }

  /** The same with other ends than the two sight-lines. */
  static List<Chord> visible(List<Chord> chords, SightPlane plane, double from, double to) {
    List<Seen> seen = ahead(chords, plane, from, to);
    BitSet visible = sweep(seen, stretches(seen, from, to));
    return visible.stream().mapToObj(i -> seen.get(i).chord()).toList();
  }

  /**
   * All chords between the sight-lines, seen or not, each running from the first to the second;
   * those too that lie along a sight-line, of faces seen edge-on.
   */
  static List<Chord> between(List<Chord> chords, SightPlane plane) {
    List<Chord> found =
        new ArrayList<>(ahead(chords, plane, 0, 1).stream().map(Seen::chord).toList());
    for (Chord chord : chords) {
      if (plane.isAhead(chord.from().at()) && plane.isAhead(chord.to().at())) {
        Seen s = seenFrom(chord, plane);
        if (s.end() - s.start() <= NARROW && s.end() >= -NARROW && s.start() <= 1 + NARROW) {
          found.add(s.chord());
        }
      }
    }
    return found;
  }

  /** Whether a place across lies clearly outside the two sight-lines. */
  static boolean isPastEnds(double across) {
    return across < -NARROW || across > 1 + NARROW;
  }

  /** Whether a chord runs clearly from one side of a sight-line to the other. */
  static boolean passes(SightPlane plane, Chord chord, boolean second) {
    double line = second ? 1 : 0;
    double from = plane.across(chord.from().at());
    double to = plane.across(chord.to().at());
    return Math.min(from, to) < line - NARROW && Math.max(from, to) > line + NARROW;
  }

  private static List<Seen> ahead(List<Chord> chords, SightPlane plane, double from, double to) {
    List<Seen> seen = new ArrayList<>();
    for (Chord chord : chords) {
      if (plane.isAhead(chord.from().at()) && plane.isAhead(chord.to().at())) {
        Seen s = seenFrom(chord, plane);
        if (s.end() - s.start() > NARROW && s.end() > from + NARROW && s.start() < to - NARROW) {
          seen.add(s);
        }
      }
    }
    seen.sort((p, q) -> Double.compare(p.start(), q.start()));
    return seen;
  }

  private static Seen seenFrom(Chord chord, SightPlane plane) {
    double from = plane.across(chord.from().at());
    double to = plane.across(chord.to().at());
    double nearFrom = plane.nearness(chord.from().at());
    double nearTo = plane.nearness(chord.to().at());
    return from <= to
        ? new Seen(chord, from, to, nearFrom, nearTo)
        : new Seen(chord.reversed(), to, from, nearTo, nearFrom);
  }

  private static double[] stretches(List<Seen> seen, double from, double to) {
    double[] ends = new double[2 * seen.size() + 2];
    int count = 0;
    ends[count++] = from;
    ends[count++] = to;
    for (Seen s : seen) {
      ends[count++] = Math.clamp(s.start(), from, to);
      ends[count++] = Math.clamp(s.end(), from, to);
    }
    Arrays.sort(ends);
    return ends;
  }

  private static BitSet sweep(List<Seen> seen, double[] ends) {
    BitSet visible = new BitSet();
    List<Integer> active = new ArrayList<>();
    int entering = 0;
    for (int i = 0; i + 1 < ends.length; i++) {
      Effort.check();
      double from = ends[i];
      double to = ends[i + 1];
      if (to - from <= NARROW) {
        continue;
      }
      while (entering < seen.size() && seen.get(entering).start() <= from + NARROW) {
        active.add(entering++);
      }
      active.removeIf(s -> seen.get(s).end() < to - NARROW);
      for (double probe : PROBES) {
        markNearest(seen, active, from + (to - from) * probe, visible);
      }
    }
    return visible;
  }

  private static void markNearest(
      List<Seen> seen, List<Integer> active, double across, BitSet visible) {
    double nearest = Double.NEGATIVE_INFINITY;
    for (int s : active) {
      nearest = Math.max(nearest, seen.get(s).nearnessAt(across));
    }
    double floor = nearest - SAME_DEPTH * Math.max(Math.abs(nearest), Double.MIN_NORMAL);
    for (int s : active) {
      if (seen.get(s).nearnessAt(across) >= floor) {
        visible.set(s);
      }
    }
  }
}
