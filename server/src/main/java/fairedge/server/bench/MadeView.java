package fairedge.server.bench;

import fairedge.json.CheckView;
import java.util.List;
import org.jspecify.annotations.Nullable;

/**
 * What a step that was just made changes of a {@link WorkpieceView} at the revision before: its
 * owner knows all the steps before it, and there may be hundreds.
 *
 * @param step now the last in force; none can be made again after it
 * @param check of the mesh as it is; null until it has come: ask for the state, which waits for it
 * @param chosen faces that the step let be chosen
 */
public record MadeView(
    long revision, StepView step, @Nullable CheckView check, List<Integer> chosen)
    implements StandsView {}
