package fairedge.server.inspection;

import fairedge.core.geometry.Axis;
import fairedge.core.geometry.Bending.BendWay;
import fairedge.core.geometry.Bounds;
import fairedge.core.lens.BendTrial;
import org.jspecify.annotations.Nullable;

/**
 * A bend, twist or taper to be tried, as a request asks for it; whatever it does not name is as
 * usual.
 *
 * @param along by itself the axis along which the mesh is longest
 * @param towards by itself the axis after it
 * @param amount in degrees from end to end; of a taper the share that one end loses
 * @param stretch the share by which an edge's length may change
 * @param turn how many degrees a face may turn at once
 */
public record BendAsked(
    @Nullable BendWay way,
    @Nullable Axis along,
    @Nullable Axis towards,
    @Nullable Double amount,
    @Nullable Double stretch,
    @Nullable Double turn) {
  private static final double QUARTER_TURN = 90;
  private static final double HALF = 0.5;

  /**
   * @throws IllegalArgumentException if a limit is not above 0
   */
  BendTrial trial(Bounds box) {
    BendWay done = way == null ? BendWay.BEND : way;
    Axis axis = along == null ? Axis.longest(box) : along;
    double usual = done == BendWay.TAPER ? HALF : QUARTER_TURN;
    return new BendTrial(
        done,
        axis,
        towards == null ? axis.next() : towards,
        amount == null ? usual : amount,
        stretch == null ? BendTrial.STRETCH : stretch,
        turn == null ? BendTrial.TURN : turn);
  }
}
