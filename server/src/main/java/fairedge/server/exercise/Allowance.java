package fairedge.server.exercise;

import java.time.Instant;
import java.time.LocalDateTime;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * What somebody has beyond what is set: of a student, or of all in a group.
 *
 * @param account whose it is; null: a group's
 * @param due until when, on the wall of the class; null: as it is set
 * @param attempts so many more; null: none. After an accepted answer it opens the exercise again
 * @param excused whether nothing is asked of them
 */
public record Allowance(
    UUID id,
    @Nullable UUID account,
    @Nullable UUID group,
    @Nullable LocalDateTime due,
    @Nullable Instant dueAt,
    @Nullable Integer attempts,
    boolean excused) {}
