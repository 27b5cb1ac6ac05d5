/** Attempt against attempt: which findings are gone, still there, new. */
@NullMarked
package fairedge.core.compare;

import org.jspecify.annotations.NullMarked;
