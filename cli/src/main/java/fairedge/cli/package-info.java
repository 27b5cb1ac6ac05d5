/** The command line: inspect and apply. */
@NullMarked
package fairedge.cli;

import org.jspecify.annotations.NullMarked;
