package fairedge.server.live;

import java.time.Instant;

/**
 * Something that happened.
 *
 * @param number within its subject, without a gap
 * @param content as JSON
 */
public record LiveEvent(String subject, long number, String kind, String content, Instant at) {}
