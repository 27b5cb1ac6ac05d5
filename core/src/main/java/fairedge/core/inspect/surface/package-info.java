/** Finders of places where a mesh is no sound surface. */
@NullMarked
package fairedge.core.inspect.surface;

import org.jspecify.annotations.NullMarked;
