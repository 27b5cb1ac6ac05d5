@NullMarked
package fairedge.server.demonstration.http;

import org.jspecify.annotations.NullMarked;
