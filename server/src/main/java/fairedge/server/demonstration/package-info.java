/** Demonstrations: steps recorded on a bench, told of and played; and the ones that come along. */
@NullMarked
package fairedge.server.demonstration;

import org.jspecify.annotations.NullMarked;
