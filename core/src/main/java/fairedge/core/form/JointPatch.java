package fairedge.core.form;

import fairedge.core.geometry.Vec3;
import fairedge.core.local.Refusal;
import fairedge.core.mesh.Element;
import org.jspecify.annotations.Nullable;

/**
 * Where the vertices lie that fill the room between three and more strips. Each fan has a grid of
 * its own, from where its lines meet towards the middle. Of the three forms of a section a patch
 * has: flat, between the chords; on the ball that touches all faces where the lines meet, where
 * there is one, else spanned between the arcs (Coons, "Surfaces for computer-aided design of space
 * forms", 1967); in the faces, with its middle in the vertex. Cost: its points.
 */
final class JointPatch {
  /** Faces that one ball touches: within this share of its radius. */
  private static final double BALL = 1e-9;

  /**
   * What is known of the joint.
   *
   * @param ends by fan where its lines meet
   * @param onEdges by the edge after each fan where lines cross it
   * @param normals by fan
   * @param angles by the edge after each fan, between its faces in degrees
   */
  record Frame(int vertex, Vec3 at, Vec3[] ends, Vec3[] onEdges, Vec3[] normals, double[] angles) {
    int count() {
      return ends.length;
    }
  }

  /** A ball. */
  private record Ball(Vec3 middle, double radius) {
    Vec3 onto(Vec3 p) {
      return middle.plus(p.minus(middle).unit().times(radius));
    }
  }

  private final Frame frame;
  private final BevelProfile profile;
  private final int half;
  private final int count;

  JointPatch(Frame frame, BevelProfile profile) {
    this.frame = frame;
    this.profile = profile;
    this.half = profile.segments() / 2;
    this.count = frame.count();
  }

  /**
   * By fan: so many steps along the section of the edge after it, so many along that of the edge
   * before it.
   *
   * @throws Refusal.Raised where it would fold
   */
  Vec3[][][] places() {
    double form = profile.form();
    Vec3[][][] low = form < 0.5 ? flat() : arched();
    Vec3[][][] high = form < 0.5 ? arched() : cornered();
    double share = form < 0.5 ? 2 * form : 2 * form - 1;
    Vec3[][][] grids = new Vec3[count][half + 1][half + 1];
    for (int i = 0; i < count; i++) {
      for (int u = 0; u <= half; u++) {
        for (int t = 0; t <= half; t++) {
          Vec3 from = low[i][u][t];
          grids[i][u][t] = from.plus(high[i][u][t].minus(from).times(share));
        }
      }
    }
    requireUnfolded(grids);
    return grids;
  }

  private double share(int steps) {
    return 2.0 * steps / profile.segments();
  }

  /** Within four places, each as far along the sides as the steps of a half section. */
  private Vec3[][] within(Vec3 end, Vec3 after, Vec3 middle, Vec3 before) {
    Vec3[][] grid = new Vec3[half + 1][half + 1];
    for (int u = 0; u <= half; u++) {
      for (int t = 0; t <= half; t++) {
        Vec3 near = end.towards(after, share(u));
        Vec3 far = before.towards(middle, share(u));
        grid[u][t] = near.towards(far, share(t));
      }
    }
    return grid;
  }

  private Vec3[][][] flat() {
    Vec3 sum = Vec3.ZERO;
    for (Vec3 end : frame.ends()) {
      sum = sum.plus(end.minus(frame.at()));
    }
    Vec3 middle = frame.at().plus(sum.times(1.0 / count));
    Vec3[][][] grids = new Vec3[count][][];
    for (int i = 0; i < count; i++) {
      Vec3 end = frame.ends()[i];
      Vec3 after = end.towards(frame.ends()[(i + 1) % count], 0.5);
      Vec3 before = end.towards(frame.ends()[(i + count - 1) % count], 0.5);
      grids[i] = within(end, after, middle, before);
    }
    return grids;
  }

  private Vec3[][][] cornered() {
    Vec3[][][] grids = new Vec3[count][][];
    for (int i = 0; i < count; i++) {
      Vec3 before = frame.onEdges()[(i + count - 1) % count];
      grids[i] = within(frame.ends()[i], frame.onEdges()[i], frame.at(), before);
    }
    return grids;
  }

  private Vec3[][][] arched() {
    Ball ball = ball();
    Vec3 middle = middle(ball);
    Vec3[][][] grids = new Vec3[count][][];
    for (int i = 0; i < count; i++) {
      grids[i] = spanned(i, middle);
      for (int u = 1; u <= half && ball != null; u++) {
        for (int t = 1; t <= half; t++) {
          grids[i][u][t] = ball.onto(grids[i][u][t]);
        }
      }
    }
    return grids;
  }

  /** Half way round the arc at the edge after a fan. */
  private Vec3 crest(int fan) {
    return new BevelProfile(2, 0.5)
        .at(
            1,
            frame.onEdges()[fan],
            frame.ends()[fan],
            frame.ends()[(fan + 1) % count],
            frame.angles()[fan]);
  }

  /** Between the two half arcs of a fan and straight lines from their crests to the middle. */
  private Vec3[][] spanned(int fan, Vec3 middle) {
    int last = (fan + count - 1) % count;
    Vec3 end = frame.ends()[fan];
    Vec3 after = crest(fan);
    Vec3 before = crest(last);
    Vec3[][] grid = within(end, after, middle, before);
    BevelProfile arc = new BevelProfile(profile.segments(), 0.5);
    Vec3[] bowAfter = new Vec3[half + 1];
    Vec3[] bowBefore = new Vec3[half + 1];
    for (int t = 0; t <= half; t++) {
      Vec3 onAfter =
          arc.at(
              t, frame.onEdges()[fan], end, frame.ends()[(fan + 1) % count], frame.angles()[fan]);
      Vec3 onBefore =
          arc.at(
              profile.segments() - t,
              frame.onEdges()[last],
              frame.ends()[last],
              end,
              frame.angles()[last]);
      bowAfter[t] = onAfter.minus(end.towards(after, share(t)));
      bowBefore[t] = onBefore.minus(end.towards(before, share(t)));
    }
    for (int u = 0; u <= half; u++) {
      for (int t = 0; t <= half; t++) {
        grid[u][t] =
            grid[u][t].plus(bowAfter[u].times(1 - share(t))).plus(bowBefore[t].times(1 - share(u)));
      }
    }
    return grid;
  }

  /** Which way from the vertex the middle of a ball lies that touches all faces, for 1. */
  private Vec3 inwards() {
    Even even = new Even();
    for (Vec3 normal : frame.normals()) {
      even.plane(normal, -1, 1);
    }
    return even.move();
  }

  private double radius(Vec3 inwards, int fan) {
    Vec3 foot = inwards.plus(frame.normals()[fan]);
    return frame.ends()[fan].minus(frame.at()).dot(foot) / foot.dot(foot);
  }

  private double radius(Vec3 inwards) {
    double sum = 0;
    for (int i = 0; i < count; i++) {
      sum += radius(inwards, i);
    }
    return sum / count;
  }

  private @Nullable Ball ball() {
    Vec3 inwards = inwards();
    double radius = radius(inwards);
    Vec3 middle = frame.at().plus(inwards.times(radius));
    for (int i = 0; i < count; i++) {
      Vec3 touched = middle.plus(frame.normals()[i].times(radius));
      if (!(touched.distance(frame.ends()[i]) <= BALL * Math.abs(radius))) {
        return null;
      }
    }
    return new Ball(middle, Math.abs(radius));
  }

  /**
   * Of the arched form: on the ball, or as far from the vertex as the crests are from the edges.
   */
  private Vec3 middle(@Nullable Ball ball) {
    if (ball != null) {
      return ball.onto(frame.at());
    }
    Vec3 sum = Vec3.ZERO;
    for (Vec3 end : frame.ends()) {
      sum = sum.plus(end.minus(frame.at()));
    }
    double rise = 0;
    for (double angle : frame.angles()) {
      double h = Math.cos(Math.toRadians(180 - angle) / 2);
      rise += h / (1 + h) / count;
    }
    return frame.at().plus(sum.times((1 - rise) / count));
  }

  /** A patch of which a quad looks back would hide a part of another. */
  private void requireUnfolded(Vec3[][][] grids) {
    Vec3 whole = Vec3.ZERO;
    for (Vec3[][] grid : grids) {
      for (int u = 0; u < half; u++) {
        for (int t = 0; t < half; t++) {
          whole = whole.plus(twiceArea(grid, u, t));
        }
      }
    }
    for (Vec3[][] grid : grids) {
      for (int u = 0; u < half; u++) {
        for (int t = 0; t < half; t++) {
          Vec3 own = twiceArea(grid, u, t);
          if (own.dot(whole) < -BALL * own.length() * whole.length()) {
            throw Refusal.because(
                "What fills the room between the strips would fold here. Choose fewer of the edges"
                    + " that meet.",
                Element.vertex(frame.vertex()));
          }
        }
      }
    }
  }

  private static Vec3 twiceArea(Vec3[][] grid, int u, int t) {
    Vec3 one = grid[u + 1][t + 1].minus(grid[u][t]);
    Vec3 other = grid[u][t + 1].minus(grid[u + 1][t]);
    return one.cross(other);
  }
}
