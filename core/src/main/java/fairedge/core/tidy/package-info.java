/** Cleaning up: lifting, deleting, welding, connecting, filling, sliding, moving. */
@NullMarked
package fairedge.core.tidy;

import org.jspecify.annotations.NullMarked;
