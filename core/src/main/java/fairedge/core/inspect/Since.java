package fairedge.core.inspect;

import fairedge.core.mesh.ElementSet;
import java.util.BitSet;

/**
 * What is known of a mesh from before, and what was touched since.
 *
 * @param recall from an inspection of the same mesh
 * @param touched every element that was made, freed or altered since; every face whose corner moved
 * @param near the faces that lie near to what is touched, by {@link Inspector#room}
 */
public record Since(Recall recall, ElementSet touched, BitSet near) {}
