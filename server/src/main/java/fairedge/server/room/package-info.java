/** Who is at which bench of a class now: looked on, helped, shown to. */
@NullMarked
package fairedge.server.room;

import org.jspecify.annotations.NullMarked;
