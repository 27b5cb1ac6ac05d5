package fairedge.server.bench;

import java.time.Instant;
import org.jspecify.annotations.Nullable;

/**
 * What a workpiece is cut for.
 *
 * @param summary one line of what is asked
 * @param zone of the clock by which it is due; null where nothing is
 */
public record TaskView(
    Owner owner,
    String title,
    String summary,
    String brief,
    String unit,
    String profile,
    @Nullable Instant dueAt,
    @Nullable String zone) {}
