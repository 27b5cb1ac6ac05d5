/** Finders of what is not as the starter, the reference or the exercise wants it. */
@NullMarked
package fairedge.core.inspect.shape;

import org.jspecify.annotations.NullMarked;
