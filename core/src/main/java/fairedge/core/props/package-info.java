/** Starter meshes of the Harbour Props class, made by code. */
@NullMarked
package fairedge.core.props;

import org.jspecify.annotations.NullMarked;
