@NullMarked
package fairedge.server.course.store;

import org.jspecify.annotations.NullMarked;
