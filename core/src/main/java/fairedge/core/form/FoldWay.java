package fairedge.core.form;

import java.util.ArrayList;
import java.util.List;

/**
 * The way from flat to given angles, all turning evenly: what the angles are at stops two degrees
 * apart at most. Cost: for each stop, the angles of hinges that follow.
 *
 * @param stops the first flat, the last where the way ends
 * @param most the largest angle at the end, in degrees
 */
record FoldWay(List<double[]> stops, double most) {
  private static final double EVERY = 2;

  static FoldWay to(double[] angles, FoldSolver solver) {
    double most = 0;
    for (double angle : angles) {
      most = Math.max(most, Math.abs(angle));
    }
    int steps = (int) Math.ceil(most / EVERY);
    List<double[]> back = new ArrayList<>();
    double[] last = angles;
    // From the end back to flat: near flat alone there would be two ways.
    for (int step = steps; step >= 1; step--) {
      double[] guess = new double[angles.length];
      for (int i = 0; i < guess.length; i++) {
        double own = step == steps ? angles[i] : last[i] * step / (step + 1);
        guess[i] = solver.isFree(i) ? own : angles[i] * step / steps;
      }
      last = solver.solved(guess);
      back.add(last);
    }
    back.add(new double[angles.length]);
    return new FoldWay(back.reversed(), most);
  }

  /** The largest angle at a stop, in degrees. */
  double at(int stop) {
    return most * stop / (stops.size() - 1);
  }
}
