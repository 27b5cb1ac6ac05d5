/** Walking edge rings and loops; never changing them. */
@NullMarked
package fairedge.core.flow;

import org.jspecify.annotations.NullMarked;
