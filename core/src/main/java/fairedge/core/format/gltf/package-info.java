/** Reading and writing glTF. */
@NullMarked
package fairedge.core.format.gltf;

import org.jspecify.annotations.NullMarked;
