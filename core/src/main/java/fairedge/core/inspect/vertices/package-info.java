/** Finders of vertices and edges too many, or not joined. */
@NullMarked
package fairedge.core.inspect.vertices;

import org.jspecify.annotations.NullMarked;
