@NullMarked
package fairedge.server.notice.store;

import org.jspecify.annotations.NullMarked;
