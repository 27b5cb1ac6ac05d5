/** Who signs in. */
@NullMarked
package fairedge.server.account;

import org.jspecify.annotations.NullMarked;
