/** Prints as they are kept. */
@NullMarked
package fairedge.server.print.store;

import org.jspecify.annotations.NullMarked;
