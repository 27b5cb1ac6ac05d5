/** The four cuts: each its own class with named stages. */
@NullMarked
package fairedge.core.cut;

import org.jspecify.annotations.NullMarked;
