/** What a class has learnt: the board, skills over a term, tables. Above the reviews. */
@NullMarked
package fairedge.server.insight;

import org.jspecify.annotations.NullMarked;
