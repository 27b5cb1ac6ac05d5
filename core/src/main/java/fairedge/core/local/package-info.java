/**
 * The local operators in inverse pairs. Every change of a mesh goes through them and is journalled.
 */
@NullMarked
package fairedge.core.local;

import org.jspecify.annotations.NullMarked;
