/** The OBJ file format. */
@NullMarked
package fairedge.core.format.obj;

import org.jspecify.annotations.NullMarked;
