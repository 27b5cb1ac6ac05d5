@NullMarked
package fairedge.server.bench.http;

import org.jspecify.annotations.NullMarked;
