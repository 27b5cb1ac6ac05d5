package fairedge.server.exercise;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/** An exercise that is set in a class: what students do hangs on it. */
public record Assignment(UUID id, UUID courseId, Exercise exercise, @Nullable Instant dueAt) {}
