@NullMarked
package fairedge.server.demonstration.store;

import org.jspecify.annotations.NullMarked;
