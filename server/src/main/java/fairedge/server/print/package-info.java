/** Answers on paper: one, all of an exercise, a student's term. Above the reviews. */
@NullMarked
package fairedge.server.print;

import org.jspecify.annotations.NullMarked;
