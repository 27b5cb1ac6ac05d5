package fairedge.picture;

import fairedge.core.geometry.Vec3;
import java.util.List;

/**
 * A note on a model.
 *
 * @param number that stands in its head
 * @param strokes lines on the surface, each by its places
 */
public record Pin(int number, PinForm form, Vec3 place, List<List<Vec3>> strokes) {}
