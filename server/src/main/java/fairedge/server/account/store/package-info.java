@NullMarked
package fairedge.server.account.store;

import org.jspecify.annotations.NullMarked;
