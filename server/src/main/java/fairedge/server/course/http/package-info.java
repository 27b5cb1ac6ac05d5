@NullMarked
package fairedge.server.course.http;

import org.jspecify.annotations.NullMarked;
