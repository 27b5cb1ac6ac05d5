package fairedge.server.exercise;

import java.util.UUID;

/** Other terms hold in an exercise from a version on. */
public record TermsChanged(UUID exercise, int version) {}
