/** Classes and who is what in them. */
@NullMarked
package fairedge.server.course;

import org.jspecify.annotations.NullMarked;
