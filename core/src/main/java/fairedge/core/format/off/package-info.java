/** Reading and writing OFF. */
@NullMarked
package fairedge.core.format.off;

import org.jspecify.annotations.NullMarked;
