import type { ReactNode } from 'react';
import type { Workpiece } from '../../api/client';
import { Button } from '../../ui/Button';
import { WorkHead } from '../../ui/Head';
import { Key } from '../../ui/Key';
import { clockText, wallText } from '../../ui/time';

interface Props {
  state: Workpiece;
  back: { to: string; name: string };
  busy: boolean;
  /** Whether a change is pending: undo takes its last part back. */
  pending: boolean;
  onBrief: () => void;
  onUndo: () => void;
  onRedo: () => void;
  children: ReactNode;
}

/** What is cut here, until when, whether it is kept; undo and redo. */
export function BenchHead({ state, pending, ...props }: Props) {
  const { task } = state;
  const canUndo = pending || state.canUndo;
  return (
    <WorkHead
      back={props.back}
      title={task.title}
      about={
        <>
          <span className="truncate">
            {task.summary}
            {task.dueAt && task.zone && `. Due ${wallText(task.dueAt, task.zone)}`}
          </span>
          <button
            type="button"
            className="flex items-center gap-2 font-medium text-ink hover:underline"
            onClick={props.onBrief}
          >
            Brief <Key>B</Key>
          </button>
        </>
      }
    >
      <span className="text-ink2" data-testid="kept">
        {props.busy ? 'Keeping' : state.keptAt ? `Kept ${clockText(state.keptAt)}` : ''}
      </span>
      <Button
        size="small"
        shortcut="Ctrl Z"
        disabled={!canUndo}
        title={canUndo ? undefined : 'There is no step to take back'}
        onClick={props.onUndo}
      >
        Undo
      </Button>
      <Button
        size="small"
        shortcut="Ctrl Y"
        disabled={!state.canRedo}
        title={state.canRedo ? undefined : 'There is no step to make again'}
        onClick={props.onRedo}
      >
        Redo
      </Button>
      {props.children}
    </WorkHead>
  );
}
