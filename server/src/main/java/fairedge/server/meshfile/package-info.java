/** Mesh bytes by their hash. */
@NullMarked
package fairedge.server.meshfile;

import org.jspecify.annotations.NullMarked;
