/** The smooth surface that a mesh is the cage of. */
@NullMarked
package fairedge.core.subdivide;

import org.jspecify.annotations.NullMarked;
