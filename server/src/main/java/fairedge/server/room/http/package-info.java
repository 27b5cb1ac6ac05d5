@NullMarked
package fairedge.server.room.http;

import org.jspecify.annotations.NullMarked;
