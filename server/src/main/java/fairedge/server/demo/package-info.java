/** The Harbour Props class, made at the first start of a demonstration. */
@NullMarked
package fairedge.server.demo;

import org.jspecify.annotations.NullMarked;
