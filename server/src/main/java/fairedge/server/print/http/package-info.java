/** Prints over HTTP. */
@NullMarked
package fairedge.server.print.http;

import org.jspecify.annotations.NullMarked;
