package fairedge.server.course;

import java.util.UUID;

/** Someone in a class. */
public record Member(UUID id, String signIn, String name) {}
