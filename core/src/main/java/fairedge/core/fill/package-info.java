/** Filling rings of edges with faces: one face, a grid of quads, rings of quads, strips. */
@NullMarked
package fairedge.core.fill;

import org.jspecify.annotations.NullMarked;
