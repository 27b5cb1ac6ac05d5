/** Mail: sign-in slips at once, and once an hour what is new; each of it once, or not at all. */
@NullMarked
package fairedge.server.notice;

import org.jspecify.annotations.NullMarked;
