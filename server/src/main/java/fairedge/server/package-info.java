/** The application. */
@NullMarked
package fairedge.server;

import org.jspecify.annotations.NullMarked;
