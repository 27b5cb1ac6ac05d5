/** Changes as values, their receipts, and the workpiece that applies them. */
@NullMarked
package fairedge.core.step;

import org.jspecify.annotations.NullMarked;
