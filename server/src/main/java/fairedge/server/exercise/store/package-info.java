@NullMarked
package fairedge.server.exercise.store;

import org.jspecify.annotations.NullMarked;
