@NullMarked
package fairedge.server.demo.store;

import org.jspecify.annotations.NullMarked;
