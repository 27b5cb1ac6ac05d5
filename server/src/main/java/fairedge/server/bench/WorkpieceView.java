package fairedge.server.bench;

import fairedge.json.CheckView;
import fairedge.server.exercise.ExerciseView;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A workpiece as its student sees it.
 *
 * @param revision what a request must name as the state it was aimed at
 * @param steps those in force, in order
 * @param others steps that were made and are not in force: taken back, or of another branch
 * @param keptAt when the last step was kept
 * @param check of the mesh as it is
 * @param chosen faces that the last step let be chosen
 */
public record WorkpieceView(
    UUID id,
    ExerciseView exercise,
    long revision,
    List<StepView> steps,
    List<StepView> others,
    boolean canUndo,
    boolean canRedo,
    @Nullable Instant keptAt,
    CheckView check,
    List<Integer> chosen) {}
