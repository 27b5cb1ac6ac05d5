@NullMarked
package fairedge.server.live.store;

import org.jspecify.annotations.NullMarked;
