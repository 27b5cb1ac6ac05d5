/** Reading and writing meshes. */
@NullMarked
package fairedge.core.format;

import org.jspecify.annotations.NullMarked;
