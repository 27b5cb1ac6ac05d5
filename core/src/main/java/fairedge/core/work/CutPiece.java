package fairedge.core.work;

import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * One piece of a cut: of a trace, from one anchor to the next; of a loop, the loop.
 *
 * @param points along the piece; one polyline, but a jump where the surface in view jumps
 * @param stretches lengths of the polylines: how many points each unbroken stretch has
 * @param length along the surface
 * @param toLast angle to the piece before in degrees, 0 straight on; null for the first
 * @param toEdge smaller angle to the edge on which the piece ends, in degrees; null where it ends
 *     on none
 */
public record CutPiece(
    List<CutPoint> points,
    List<Integer> stretches,
    double length,
    @Nullable Double toLast,
    @Nullable Double toEdge) {}
