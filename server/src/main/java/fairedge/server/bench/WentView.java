package fairedge.server.bench;

import fairedge.json.CheckView;
import org.jspecify.annotations.Nullable;

/**
 * What a step taken back or made again changes of a {@link WorkpieceView} at the revision before:
 * where it stands among the steps that its owner knows. Nothing is chosen then.
 *
 * @param head the last step in force now; null: the starter
 * @param check of the mesh as it is; null until it has come: ask for the state, which waits for it
 */
public record WentView(long revision, @Nullable Long head, @Nullable CheckView check)
    implements StandsView {}
