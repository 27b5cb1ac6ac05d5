/**
 * Shaping: what moves regions and holds edges. Every change works on a {@code Site}, through the
 * local operators alone; what it needs to know of the surface it asks of the mesh.
 */
@NullMarked
package fairedge.core.form;

import org.jspecify.annotations.NullMarked;
