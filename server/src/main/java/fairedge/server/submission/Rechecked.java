package fairedge.server.submission;

import java.util.Map;
import java.util.UUID;

/**
 * Told in the transaction in which a submission got a new report, because other terms hold.
 *
 * @param findings the numbers of findings in the report before, and in this; those that are gone
 *     are not named
 */
public record Rechecked(UUID submission, Map<Integer, Integer> findings) {}
