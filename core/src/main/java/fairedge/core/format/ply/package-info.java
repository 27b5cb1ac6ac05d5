/** Reading and writing PLY. */
@NullMarked
package fairedge.core.format.ply;

import org.jspecify.annotations.NullMarked;
