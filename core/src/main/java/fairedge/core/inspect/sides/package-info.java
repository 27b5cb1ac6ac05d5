/** Finders of faces that are no quads. */
@NullMarked
package fairedge.core.inspect.sides;

import org.jspecify.annotations.NullMarked;
