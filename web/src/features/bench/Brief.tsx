import type { Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { whenText } from '../../ui/time';

interface Props {
  task: Schemas['TaskView'];
  open: boolean;
  onClose: () => void;
}

/** What is asked for. */
export function Brief({ task, open, onClose }: Props) {
  return (
    <Dialog title={task.title} open={open} onClose={onClose}>
      {task.brief.split('\n\n').map((p) => (
        <p key={p} className="mb-3">
          {p}
        </p>
      ))}
      <p className="mb-4 text-ink2">
        What counts: {task.profile}.{task.dueAt && ` Due ${whenText(task.dueAt)}.`}
      </p>
      <Button look="main" onClick={onClose}>
        To the bench
      </Button>
    </Dialog>
  );
}
