/**
 * Pictures for looking: flow, poles, spacing, change of shape, the smooth surface, a bend. A lens
 * says where something is and how much; what counts as a fault it asks of the finders.
 */
@NullMarked
package fairedge.core.lens;

import org.jspecify.annotations.NullMarked;
