/** Draws meshes with their marks, without a browser; the same input gives the same bytes. */
@NullMarked
package fairedge.picture;

import org.jspecify.annotations.NullMarked;
