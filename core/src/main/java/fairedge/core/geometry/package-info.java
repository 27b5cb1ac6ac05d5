/** Points, planes, boxes, polygons and the signs of determinants; knows no mesh. */
@NullMarked
package fairedge.core.geometry;

import org.jspecify.annotations.NullMarked;
