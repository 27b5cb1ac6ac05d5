@NullMarked
package fairedge.server.practice.store;

import org.jspecify.annotations.NullMarked;
