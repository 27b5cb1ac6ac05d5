/** How long the core takes, by JMH. */
@NullMarked
package fairedge.benchmark;

import org.jspecify.annotations.NullMarked;
