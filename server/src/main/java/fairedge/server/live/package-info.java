/** What happens now, told to whoever looks on: numbered, kept for a while, over all nodes. */
@NullMarked
package fairedge.server.live;

import org.jspecify.annotations.NullMarked;
