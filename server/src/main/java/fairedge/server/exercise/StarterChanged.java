package fairedge.server.exercise;

import java.util.UUID;

/** An exercise has another starter; told in the transaction of the change. */
public record StarterChanged(UUID exercise) {}
