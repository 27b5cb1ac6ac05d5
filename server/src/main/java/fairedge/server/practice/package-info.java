/** Free practice: meshes to cut without an exercise. */
@NullMarked
package fairedge.server.practice;

import org.jspecify.annotations.NullMarked;
