/** How long work may go on. */
@NullMarked
package fairedge.core.effort;

import org.jspecify.annotations.NullMarked;
