package fairedge.core.near;

import fairedge.core.geometry.Vec3;
import java.util.ArrayList;
import java.util.List;

/**
 * Segments, sorted along x: which lie near a place. Cost of a question: n log n once after adding,
 * then the segments whose extent in x holds the place.
 */
public final class SegmentGrid {
  private record Segment(Vec3 a, Vec3 b) {
    double low() {
      return Math.min(a.x(), b.x());
    }

    double distance(Vec3 p) {
      Vec3 along = b.minus(a);
      double whole = along.dot(along);
      double t = whole > 0 ? Math.clamp(p.minus(a).dot(along) / whole, 0, 1) : 0;
      return p.distance(a.plus(along.times(t)));
    }
  }

  private final double near;
  private final List<Segment> segments = new ArrayList<>();
  private double longest;
  private boolean sorted;

  /**
   * @param near positive; a distance equal to it counts as near
   */
  public SegmentGrid(double near) {
    this.near = near;
  }

  public void add(Vec3 a, Vec3 b) {
    segments.add(new Segment(a, b));
    longest = Math.max(longest, Math.abs(a.x() - b.x()));
    sorted = false;
  }

  /**
   * Whether a segment lies near to these along its whole length. The distance to one segment is
   * convex along another: near at both ends of a piece is near all along it, so pieces are halved
   * until one segment is near both ends, or an end is near none.
   */
  public boolean covers(Vec3 a, Vec3 b) {
    List<Segment> atA = nearTo(a);
    List<Segment> atB = nearTo(b);
    if (atA.isEmpty() || atB.isEmpty()) {
      return false;
    }
    if (atA.stream().anyMatch(atB::contains) || a.distance(b) <= near) {
      return true;
    }
    Vec3 middle = a.towards(b, 0.5);
    return covers(a, middle) && covers(middle, b);
  }

  private List<Segment> nearTo(Vec3 place) {
    sort();
    List<Segment> found = new ArrayList<>();
    for (int i = firstFrom(place.x() - near - longest); i < segments.size(); i++) {
      Segment segment = segments.get(i);
      if (segment.low() > place.x() + near) {
        break;
      }
      if (segment.distance(place) <= near) {
        found.add(segment);
      }
    }
    return found;
  }

  private void sort() {
    if (!sorted) {
      segments.sort((p, q) -> Double.compare(p.low(), q.low()));
      sorted = true;
    }
  }

  private int firstFrom(double low) {
    int from = 0;
    int to = segments.size();
    while (from < to) {
      int middle = (from + to) >>> 1;
      if (segments.get(middle).low() < low) {
        from = middle + 1;
      } else {
        to = middle;
      }
    }
    return from;
  }
}
