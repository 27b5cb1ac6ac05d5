package fairedge.server.submission;

import java.time.Instant;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A handed-in mesh.
 *
 * @param fileName the name of the file, where it came as one
 * @param stepId the last step, where it came from the bench
 * @param mesh hash of its bytes
 */
public record Submission(
    UUID id,
    UUID exerciseId,
    UUID studentId,
    int attempt,
    @Nullable String fileName,
    @Nullable Long stepId,
    byte[] mesh,
    Instant handedInAt) {}
