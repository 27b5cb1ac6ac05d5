/** The binary message that a browser receives. */
@NullMarked
package fairedge.core.format.wire;

import org.jspecify.annotations.NullMarked;
