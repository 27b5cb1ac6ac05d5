@NullMarked
package fairedge.server.exercise.http;

import org.jspecify.annotations.NullMarked;
