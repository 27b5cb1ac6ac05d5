/** Finders of what becomes of the form when it is made smooth. */
@NullMarked
package fairedge.core.inspect.support;

import org.jspecify.annotations.NullMarked;
