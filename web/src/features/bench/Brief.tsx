import type { ReactNode } from 'react';
import { api, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Dialog } from '../../ui/Dialog';
import { Markdown } from '../../ui/Markdown';
import { wallText } from '../../ui/time';

type Task = Schemas['TaskView'];

/** Where the brief lies: over the bench, beside the model, or nowhere. */
export type BriefPlace = 'over' | 'beside' | null;

interface Props {
  task: Task;
  place: BriefPlace;
  onPlace: (place: BriefPlace) => void;
  /** What else there is to read or see before one begins. */
  more?: ReactNode;
}

/** What is asked for, before one begins. */
export function Brief({ task, place, onPlace, more }: Props) {
  return (
    <Dialog title={task.title} open={place === 'over'} onClose={() => onPlace(null)}>
      <BriefText task={task} />
      {more}
      <div className="mt-4 flex gap-2">
        <Button look="main" onClick={() => onPlace(null)}>
          To the bench
        </Button>
        <Button onClick={() => onPlace('beside')}>Lay it beside the model</Button>
      </div>
    </Dialog>
  );
}

/** The same, to read while one cuts. */
export function BriefBeside({ task, place, onPlace, more }: Props) {
  if (place !== 'beside') return null;
  return (
    <section
      aria-label="Brief"
      tabIndex={0}
      className="condensed thin-scroll max-h-[40%] shrink-0 overflow-y-auto border-b border-rule bg-sheet px-3 py-2.5"
    >
      <h2 className="mb-1 flex items-center justify-between text-[15px] font-semibold">
        Brief
        <Button size="small" className="px-2" onClick={() => onPlace(null)}>
          Put away
        </Button>
      </h2>
      <BriefText task={task} />
      {more}
    </section>
  );
}

function BriefText({ task }: { task: Task }) {
  return (
    <>
      <Markdown text={task.brief} pictures={api.picturesOf(task.owner)} />
      <p className="mt-2 text-ink2">
        What counts: {task.profile}.
        {task.dueAt && task.zone && ` Due ${wallText(task.dueAt, task.zone)}.`}
      </p>
    </>
  );
}
