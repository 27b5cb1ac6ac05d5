@NullMarked
package fairedge.server.notice.http;

import org.jspecify.annotations.NullMarked;
