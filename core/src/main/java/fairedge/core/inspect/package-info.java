/**
 * What is wrong with a mesh, as data: {@code Inspector} asks the finders that count by a profile
 * and gives a report, again and again for what a step touched. A finder goes into the folder of its
 * family; what it knows of the mesh that others may want to know too belongs into {@code survey}.
 */
@NullMarked
package fairedge.core.inspect;

import org.jspecify.annotations.NullMarked;
