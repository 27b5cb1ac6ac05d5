@NullMarked
package fairedge.server.practice.http;

import org.jspecify.annotations.NullMarked;
