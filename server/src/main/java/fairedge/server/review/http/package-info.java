@NullMarked
package fairedge.server.review.http;

import org.jspecify.annotations.NullMarked;
