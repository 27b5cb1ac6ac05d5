import { memo, useState } from 'react';
import { api, type Schemas, type Workpiece } from '../../api/client';
import { Button } from '../../ui/Button';
import { FindingMark } from '../../trade/FindingMark';
import { Choice } from '../../ui/fields';
import { counted } from '../../ui/time';
import { useSteady } from '../../ui/useSteady';
import { nameOf } from '../../trade/WakeLine';
import type { WorkpieceControl } from './useWorkpiece';

type Step = Schemas['StepView'];

interface Props {
  state: Workpiece;
  control: WorkpieceControl;
  pending: string | null;
  onAgain: (() => void) | null;
}

const FORMATS = ['obj', 'ply', 'off', 'glb'].map((f) => [f, f.toUpperCase()] as const);

/** The steps in force, and those beside: a click goes to the state after one; none is ever lost. */
export function StepList({ state, control, pending, onAgain }: Props) {
  const { steps, others } = state;
  const [naming, setNaming] = useState<number | null>(null);
  const [format, setFormat] = useState('obj');
  const last = steps.at(-1);
  const goTo = useSteady((step: number | null) => void control.goTo(step));
  return (
    <div className="flex min-h-0 flex-1 flex-col">
      <h2 className="flex justify-between px-3 pt-2.5 pb-1 font-semibold">
        Steps <span className="font-normal text-ink2">{steps.length || ''}</span>
      </h2>
      <ol className="condensed min-h-0 flex-1 overflow-y-auto pb-2">
        {(steps.length > 0 || others.length > 0) && (
          <Row
            step={null}
            number=""
            name="Starter"
            title="Go back to the starter; the steps are kept"
            here={steps.length === 0}
            onGo={goTo}
          />
        )}
        {steps.map((step) => (
          <Row
            key={step.id}
            step={step.id}
            number={String(step.number)}
            name={step.name ?? nameOf(step)}
            title={step.did}
            here={step === last}
            brought={step.brought}
            onGo={goTo}
          />
        ))}
        {pending && (
          <li className="flex min-h-7 items-center gap-2 border-t border-dashed border-ink px-3 text-ink2">
            <span className="w-5">{steps.length + 1}</span>
            {pending}, pending
          </li>
        )}
        {steps.length === 0 && others.length === 0 && !pending && (
          <li className="px-3 py-1 text-ink2">None yet: this is the starter.</li>
        )}
        {others.length > 0 && (
          <li>
            <details>
              <summary className="cursor-pointer px-3 py-1 text-ink2">
                {counted(others.length, 'step')} beside
              </summary>
              <ol>
                {others.map((step) => (
                  <Row
                    key={step.id}
                    step={step.id}
                    number={String(step.number)}
                    name={step.name ?? nameOf(step)}
                    title={`${step.did} Taken back, or of another branch: click to go there.`}
                    here={false}
                    faint
                    brought={step.brought}
                    onGo={goTo}
                  />
                ))}
              </ol>
            </details>
          </li>
        )}
      </ol>
      <div className="condensed flex flex-wrap gap-1 border-t border-rule p-2">
        <Button
          size="small"
          className="px-2"
          shortcut="J"
          disabled={!onAgain}
          title={onAgain ? undefined : 'Nothing was made in this window yet'}
          onClick={() => onAgain?.()}
        >
          Again
        </Button>
        <Button
          size="small"
          className="px-2"
          disabled={!last}
          title={last ? undefined : 'The starter keeps its name'}
          onClick={() => setNaming(last?.id ?? null)}
        >
          Name it
        </Button>
        <a
          className="inline-flex h-[26px] items-center rounded-ctl border border-ctl bg-sheet px-2 text-[13px] font-medium hover:border-ink hover:bg-shoal1"
          href={api.workpieceFile(state.id, format)}
          download
        >
          Download
        </a>
        <Choice label="File format" value={format} options={FORMATS} onChange={setFormat} />
      </div>
      {naming !== null && (
        <NameField
          first={last?.name ?? ''}
          onDone={(name) => {
            if (name !== null) void control.nameStep(naming, name);
            setNaming(null);
          }}
        />
      )}
    </div>
  );
}

interface RowProps {
  /** To whose state a click goes; null for the starter. */
  step: number | null;
  number: string;
  name: string;
  title: string;
  here: boolean;
  faint?: boolean;
  brought?: Step['brought'];
  onGo: (step: number | null) => void;
}

const Row = memo(function Row({ step, number, name, title, here, faint, brought, onGo }: RowProps) {
  return (
    <li>
      <button
        type="button"
        title={title}
        aria-current={here ? 'step' : undefined}
        data-testid={here ? 'last-step' : undefined}
        className={`flex min-h-7 w-full items-center gap-2 border-l-[3px] px-2.5 text-left outline-offset-[-2px] ${here ? 'border-ink bg-shoal1 font-semibold' : 'border-transparent hover:bg-shoal1'} ${faint ? 'text-ink2' : ''}`}
        onClick={() => !here && onGo(step)}
      >
        <span className="w-5 text-ink2">{number}</span>
        <span className="min-w-0 flex-1 truncate">{name}</span>
        {brought?.slice(0, 2).map((b, k) => (
          <FindingMark key={k} kind={b.kind} severity={b.severity} title={b.title} size={14} />
        ))}
        {brought && brought.length > 2 && <span className="text-ink2">+{brought.length - 2}</span>}
      </button>
    </li>
  );
});

function NameField(props: { first: string; onDone: (name: string | null) => void }) {
  const [name, setName] = useState(props.first);
  return (
    <form
      className="flex gap-1 px-2 pb-2"
      onSubmit={(e) => {
        e.preventDefault();
        props.onDone(name);
      }}
    >
      <input
        autoFocus
        aria-label="Name of this state"
        maxLength={60}
        className="h-7 min-w-0 flex-1 rounded-ctl border border-ctl bg-sheet px-2"
        value={name}
        onChange={(e) => setName(e.target.value)}
        onKeyDown={(e) => e.key === 'Escape' && props.onDone(null)}
      />
      <Button size="small" type="submit">
        Keep
      </Button>
    </form>
  );
}
