@NullMarked
package fairedge.server.account.http;

import org.jspecify.annotations.NullMarked;
