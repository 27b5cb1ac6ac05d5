/**
 * Findings: a record for each kind with its numbers, by family; their kinds and rules; the words in
 * which they are told, all of them here; and what a finder is. Knows no finder.
 */
@NullMarked
package fairedge.core.inspect.finding;

import org.jspecify.annotations.NullMarked;
