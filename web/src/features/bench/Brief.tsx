import type { Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { whenText } from '../../ui/time';

interface Props {
  exercise: Schemas['ExerciseView'];
  open: boolean;
  onClose: () => void;
}

/** What the exercise asks for. */
export function Brief({ exercise, open, onClose }: Props) {
  return (
    <Dialog title={exercise.title} open={open} onClose={onClose}>
      {exercise.brief.split('\n\n').map((p) => (
        <p key={p} className="mb-3">
          {p}
        </p>
      ))}
      <p className="mb-4 text-ink2">
        What counts: {exercise.profile}.{exercise.dueAt && ` Due ${whenText(exercise.dueAt)}.`}
      </p>
      <Button look="main" onClick={onClose}>
        To the bench
      </Button>
    </Dialog>
  );
}
