@NullMarked
package fairedge.server.room.store;

import org.jspecify.annotations.NullMarked;
