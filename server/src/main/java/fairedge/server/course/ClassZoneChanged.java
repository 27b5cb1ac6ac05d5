package fairedge.server.course;

import java.util.UUID;

/** A class has another clock on its wall; told in the transaction of the change. */
public record ClassZoneChanged(UUID course, String zone) {}
