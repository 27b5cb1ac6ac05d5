/**
 * What is the smallest change that cures a finding: planners make candidates, one trial tries them.
 * Nothing is offered that was not tried, and nothing that was tried leaves a trace.
 */
@NullMarked
package fairedge.core.mend;

import org.jspecify.annotations.NullMarked;
