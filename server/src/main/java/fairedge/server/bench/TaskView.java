package fairedge.server.bench;

import fairedge.server.exercise.Exercise.Tells;
import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * What a workpiece is cut for.
 *
 * @param summary one line of what is asked
 * @param zone of the clock by which it is due; null where nothing is
 * @param tells how much of the check is told now
 */
public record TaskView(
    Owner owner,
    String title,
    String summary,
    String brief,
    String unit,
    String profile,
    @Nullable Instant dueAt,
    @Nullable String zone,
    Tells tells) {}
