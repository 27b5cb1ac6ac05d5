/** Finders of rings and loops that do not run on, and of quads uneven along them. */
@NullMarked
package fairedge.core.inspect.flow;

import org.jspecify.annotations.NullMarked;
