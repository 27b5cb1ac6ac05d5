/** What the engine finds in a mesh, as data. */
@NullMarked
package fairedge.core.inspect;

import org.jspecify.annotations.NullMarked;
