/** Grids over points and segments: what lies near a place. */
@NullMarked
package fairedge.core.near;

import org.jspecify.annotations.NullMarked;
