/**
 * The mesh: connectivity on primitive arrays, stable ids, and nothing that changes it but the
 * links.
 */
@NullMarked
package fairedge.core.mesh;

import org.jspecify.annotations.NullMarked;
