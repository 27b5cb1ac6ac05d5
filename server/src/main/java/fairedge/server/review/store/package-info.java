@NullMarked
package fairedge.server.review.store;

import org.jspecify.annotations.NullMarked;
