package fairedge.server.bench;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What a workpiece is cut for.
 *
 * @param exercise null in free practice
 * @param practice null in an exercise
 * @param summary one line of what is asked
 */
public record TaskView(
    @Nullable UUID exercise,
    @Nullable UUID practice,
    String title,
    String summary,
    String brief,
    String unit,
    String profile,
    @Nullable Instant dueAt) {}
