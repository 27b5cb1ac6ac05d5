/** Reading the lines of SVG files. */
@NullMarked
package fairedge.core.format.svg;

import org.jspecify.annotations.NullMarked;
