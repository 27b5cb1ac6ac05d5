/** Workpieces and their steps. */
@NullMarked
package fairedge.server.bench;

import org.jspecify.annotations.NullMarked;
