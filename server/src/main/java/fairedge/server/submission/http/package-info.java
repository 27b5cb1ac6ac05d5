@NullMarked
package fairedge.server.submission.http;

import org.jspecify.annotations.NullMarked;
