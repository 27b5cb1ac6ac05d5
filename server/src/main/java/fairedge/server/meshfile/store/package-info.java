@NullMarked
package fairedge.server.meshfile.store;

import org.jspecify.annotations.NullMarked;
