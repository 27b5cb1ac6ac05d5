package fairedge.server.exercise;

import java.util.UUID;

/** Told in the transaction in which the terms of an exercise changed. */
public record TermsChanged(UUID exercise) {}
