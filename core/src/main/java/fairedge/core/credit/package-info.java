/**
 * What a hand-in gets by the rule of its exercise, and why. Knows the findings and figures of an
 * inspection, and nothing of people or times but how many days something is late.
 */
@NullMarked
package fairedge.core.credit;

import org.jspecify.annotations.NullMarked;
