/** Runs the inspector and says what it found, as the API says it. */
@NullMarked
package fairedge.server.inspection;

import org.jspecify.annotations.NullMarked;
