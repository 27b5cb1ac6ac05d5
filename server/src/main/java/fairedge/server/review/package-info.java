/** The desk, the review of a submission, and the answer. */
@NullMarked
package fairedge.server.review;

import org.jspecify.annotations.NullMarked;
