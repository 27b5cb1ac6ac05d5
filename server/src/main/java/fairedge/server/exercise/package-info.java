/** Exercises: starter, brief, profile. */
@NullMarked
package fairedge.server.exercise;

import org.jspecify.annotations.NullMarked;
