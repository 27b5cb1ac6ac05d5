/**
 * Parts that pass through one another: the line in which they meet, and what is made of them along
 * it. What crosses, lies on or inside is decided by exact signs on the coordinates given; only the
 * places of new vertices are rounded.
 */
@NullMarked
package fairedge.core.meet;

import org.jspecify.annotations.NullMarked;
