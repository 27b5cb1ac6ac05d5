/** What was handed in, and its report. */
@NullMarked
package fairedge.server.submission;

import org.jspecify.annotations.NullMarked;
