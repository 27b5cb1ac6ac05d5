@NullMarked
package fairedge.server.submission.store;

import org.jspecify.annotations.NullMarked;
