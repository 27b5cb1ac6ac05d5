/**
 * Demonstrations: changes shown one after the other, forth and back. Knows the engine of changes,
 * and nothing of how they are shown.
 */
@NullMarked
package fairedge.core.demonstration;

import org.jspecify.annotations.NullMarked;
