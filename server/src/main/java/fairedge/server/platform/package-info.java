/** What every module stands on: errors, JSON, security, the front end's files. */
@NullMarked
package fairedge.server.platform;

import org.jspecify.annotations.NullMarked;
