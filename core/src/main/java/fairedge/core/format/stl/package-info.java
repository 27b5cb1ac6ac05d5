/** Reading STL. */
@NullMarked
package fairedge.core.format.stl;

import org.jspecify.annotations.NullMarked;
