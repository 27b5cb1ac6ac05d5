/** The board over HTTP. */
@NullMarked
package fairedge.server.insight.http;

import org.jspecify.annotations.NullMarked;
