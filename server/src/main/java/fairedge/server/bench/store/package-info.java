@NullMarked
package fairedge.server.bench.store;

import org.jspecify.annotations.NullMarked;
