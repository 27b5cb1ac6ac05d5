package fairedge.server.submission;

import java.util.UUID;

/** A submission has a new report, because other terms hold; the one before is there still. */
public record Rechecked(UUID submission) {}
