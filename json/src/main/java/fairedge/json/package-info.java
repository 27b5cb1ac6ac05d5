/** The core's values as JSON: what the API, the store and the command line write alike. */
@NullMarked
package fairedge.json;

import org.jspecify.annotations.NullMarked;
