import { useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { api, asProblem, type Schemas, type View, type Workpiece } from '../../api/client';
import { queries } from '../../api/queries';
import { Button } from '../../ui/Button';
import { counted } from '../../ui/time';
import type { ChosenControl } from './useChosen';
import { NOTHING } from './useChosen';
import type { WorkpieceControl } from './useWorkpiece';

type Part = Schemas['PartView'];

interface Props {
  state: Workpiece;
  control: WorkpieceControl;
  chosen: ChosenControl;
  /** How the stage sees the model now; null while there is none. */
  view: () => View | null;
  onClose: () => void;
}

const LONGEST = 60;

/** What hangs together by itself: to be named, shown and hidden, chosen, deleted. */
export function PartsPanel({ state, control, chosen, view, onClose }: Props) {
  const parts = useQuery({
    ...queries.workpieceParts(state.id, state.revision),
    placeholderData: (before) => before,
  });
  const [open, setOpen] = useState<number | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const hidden = new Set(chosen.hidden);

  /** The faces of a part, for what is to be done with them. */
  const withFaces = async (part: Part, deed: (faces: number[]) => unknown) => {
    try {
      setProblem(null);
      const from = { ...NOTHING, faces: [part.first], edges: [], vertices: [] };
      const { faces } = await api.choose(state.id, state.revision, 'connected', from);
      await deed(faces);
    } catch (e) {
      setProblem(asProblem(e).message);
    }
  };
  const step = (change: Parameters<WorkpieceControl['step']>[0]) => {
    const now = view();
    return now ? control.step(change, now) : Promise.resolve(false);
  };
  const told = parts.data?.parts ?? [];
  return (
    <section
      aria-label="Parts"
      data-testid="parts-panel"
      className="over-stage absolute bottom-14 left-3 flex max-h-[60%] w-[252px] flex-col border border-ink bg-sheet"
    >
      <header className="flex items-center justify-between border-b border-rule px-3 py-2">
        <h2 className="text-[15px] font-semibold">
          {parts.data ? counted(told.length + parts.data.more, 'part') : 'Parts'}
        </h2>
        <Button size="small" className="px-2" onClick={onClose}>
          Close
        </Button>
      </header>
      {parts.error && (
        <p role="alert" className="px-3 py-2 text-[13px]">
          {asProblem(parts.error).message}
        </p>
      )}
      <ul className="thin-scroll overflow-y-auto">
        {told.map((part, i) => (
          <PartRow
            key={part.first}
            part={part}
            name={nameOf(part, i)}
            isHidden={hidden.has(part.first)}
            isOpen={open === part.first}
            busy={control.busy}
            onOpen={() => setOpen(open === part.first ? null : part.first)}
            onShow={(isShown) => void withFaces(part, (faces) => chosen.veil(faces, !isShown))}
            onOnly={() => void withFaces(part, chosen.showOnly)}
            onChoose={() => void withFaces(part, (faces) => chosen.choose({ ...NOTHING, faces }))}
            onName={(name) => void withFaces(part, (faces) => step({ tool: 'name', faces, name }))}
            onDelete={() =>
              void withFaces(part, (faces) =>
                step({ tool: 'delete', faces, edges: [], vertices: [] }),
              )
            }
          />
        ))}
      </ul>
      {parts.data && parts.data.more > 0 && (
        <p className="condensed px-3 py-1.5 text-[13px] text-ink2">
          And {counted(parts.data.more, 'smaller or later part')} more.
        </p>
      )}
      {problem && (
        <p role="alert" className="border-t border-rule px-3 py-2 text-[13px]">
          {problem}
        </p>
      )}
      {chosen.hidden.length > 0 && (
        <footer className="flex items-center justify-between gap-2 border-t border-rule px-3 py-2">
          <span className="condensed text-[13px] text-ink2">
            {counted(chosen.hidden.length, 'face')} hidden
          </span>
          <Button size="small" onClick={chosen.showAll}>
            Show all
          </Button>
        </footer>
      )}
    </section>
  );
}

function nameOf(part: Part, at: number): string {
  return part.name || `Part ${at + 1}`;
}

function PartRow(props: {
  part: Part;
  name: string;
  isHidden: boolean;
  isOpen: boolean;
  busy: boolean;
  onOpen: () => void;
  onShow: (isShown: boolean) => void;
  onOnly: () => void;
  onChoose: () => void;
  onName: (name: string) => void;
  onDelete: () => void;
}) {
  const { part, name, isHidden, isOpen } = props;
  const [typed, setTyped] = useState<string | null>(null);
  const commit = () => {
    if (typed !== null && typed.trim() !== part.name) props.onName(typed.trim());
    setTyped(null);
  };
  return (
    <li className={`border-l-[3px] ${isOpen ? 'border-ink bg-shoal1' : 'border-transparent'}`}>
      <div className="flex items-center gap-2 py-1 pr-3 pl-2">
        <input
          type="checkbox"
          aria-label={`Show ${name}`}
          checked={!isHidden}
          onChange={(e) => props.onShow(e.target.checked)}
          className="accent-ink"
        />
        <button
          type="button"
          aria-expanded={isOpen}
          className="flex min-w-0 flex-1 items-baseline gap-2 text-left"
          onClick={props.onOpen}
        >
          <span
            className={`min-w-0 flex-1 truncate ${isOpen ? 'font-semibold' : ''} ${isHidden ? 'text-ink2' : ''}`}
          >
            {name}
          </span>
          <span className="condensed shrink-0 text-[13px] text-ink2">
            {counted(part.faces, 'face')}
          </span>
        </button>
      </div>
      {isOpen && (
        <div className="space-y-1.5 pr-3 pb-2 pl-[31px]">
          <p className="condensed text-[13px] text-ink2">
            {part.isClosed ? 'Closed all round.' : 'Open: it has a border.'}
          </p>
          <input
            aria-label={`Name of ${name}`}
            className="h-[26px] w-full border border-ctl bg-sheet px-2"
            maxLength={LONGEST}
            placeholder="Name it"
            value={typed ?? part.name}
            onChange={(e) => setTyped(e.target.value)}
            onBlur={commit}
            onKeyDown={(e) => {
              if (e.key === 'Enter') e.currentTarget.blur();
              if (e.key === 'Escape') setTyped(null);
              e.stopPropagation();
            }}
          />
          <div className="condensed flex flex-wrap gap-1">
            <Button size="small" className="px-2" onClick={props.onChoose}>
              Choose
            </Button>
            <Button size="small" className="px-2" onClick={props.onOnly}>
              Only this
            </Button>
            <Button size="small" className="px-2" disabled={props.busy} onClick={props.onDelete}>
              Delete
            </Button>
          </div>
        </div>
      )}
    </li>
  );
}
