package fairedge.server.bench;

import java.util.UUID;

/**
 * A workpiece was moved: told on the hand's own thread, on this node alone, so whoever hears of it
 * has nothing more to do there than to note it down.
 */
public record WorkMoved(UUID workpiece) {}
