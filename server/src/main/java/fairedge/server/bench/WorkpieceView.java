package fairedge.server.bench;

import fairedge.json.CheckView;
import fairedge.server.bench.store.WorkpieceStore.Head;
import java.time.Instant;
import java.util.List;
import java.util.UUID;
import org.jspecify.annotations.Nullable;

/**
 * A workpiece as its owner sees it.
 *
 * @param task what it is cut for
 * @param revision what a request must name as the state it was aimed at
 * @param steps those in force, in order
 * @param others steps that were made and are not in force: taken back, or of another branch
 * @param keptAt when the last step was kept
 * @param check of the mesh as it is, or of an earlier one while {@code checked} is false
 * @param checked whether the check is of the mesh as it is; else ask for the state, which waits for
 *     it
 * @param chosen faces that the last step let be chosen
 * @param remark what of the steps that led here could not be made again, if something could not
 */
public record WorkpieceView(
    UUID id,
    TaskView task,
    long revision,
    List<StepView> steps,
    List<StepView> others,
    boolean canUndo,
    boolean canRedo,
    @Nullable Instant keptAt,
    CheckView check,
    boolean checked,
    List<Integer> chosen,
    @Nullable String remark)
    implements StandsView {

  /**
   * @param all its steps, in the order in which they were made
   */
  static WorkpieceView of(Task task, Head head, Held held, List<StepView> all) {
    Steps steps = Steps.seenFrom(head.headStep(), all);
    return new WorkpieceView(
        head.id(),
        task.view(),
        head.revision(),
        steps.inForce().stream().map(step -> step.told(task.told())).toList(),
        steps.beside().stream().map(step -> step.told(task.told())).toList(),
        !steps.inForce().isEmpty(),
        steps.canBeMadeAgain(),
        steps.keptAt(),
        task.told().of(held.check()),
        held.isChecked(),
        held.chosen,
        held.remark);
  }
}
