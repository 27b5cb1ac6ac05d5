import { memo, useEffect, useRef } from 'react';
import type { Schemas } from '../api/client';
import { FindingMark } from './FindingMark';
import { useSteady } from '../ui/useSteady';

type Step = Schemas['StepView'];

/** "Loops, 16 quads, 50 %". */
export function nameOf(step: Pick<Step, 'tool' | 'brief'>): string {
  return step.brief ? `${step.tool}, ${step.brief}` : step.tool;
}

/** Room for what a step did, "16 quads, 50 %", in the condensed face. */
const WIDTH = 92;

interface Props {
  steps: readonly Step[];
  /** Steps that were taken back and can be made again: the line goes on fainter. */
  ahead?: readonly Step[];
  /** Which step is shown, by its id; null for the starter, and without it no one is marked. */
  at?: number | null;
  /** Goes to the state after a step; null: to the starter. */
  onGo?: (step: number | null) => void;
  /** Draws below how many must be mended after each step; a drag along the dots goes to each. */
  depth?: boolean;
}

/** The recorded steps as a line of marks, with the findings that each brought above it. */
export function WakeLine({ steps, ahead = [], at, onGo, depth = false }: Props) {
  const here = useRef<HTMLLIElement>(null);
  useEffect(() => {
    here.current?.scrollIntoView({ block: 'nearest', inline: 'nearest' });
  }, [at]);
  const all = [...steps, ...ahead];
  const goTo = useSteady((step: number | null) => onGo?.(step));
  const begins = onGo ? 1 : 0;
  return (
    <div className="condensed overflow-x-auto">
      <ol className="relative flex" style={{ width: (all.length + begins) * WIDTH }}>
        <span
          aria-hidden
          className="absolute top-[30px] border-t-[1.5px] border-dashed border-ink"
          style={{ left: WIDTH / 2, right: WIDTH / 2 }}
        />
        {onGo && (
          <li ref={at === null ? here : undefined} style={{ width: WIDTH }}>
            <Dot
              step={null}
              name="Starter"
              title="Go back to the starter; the steps are kept"
              here={at === null}
              drags={depth}
              onGo={goTo}
            />
          </li>
        )}
        {all.map((step, i) => (
          <li
            key={step.id}
            ref={step.id === at ? here : undefined}
            className={i < steps.length ? '' : 'opacity-60'}
            style={{ width: WIDTH }}
          >
            <Dot
              step={step.id}
              name={step.name ?? step.tool}
              brief={step.name ? nameOf(step) : step.brief}
              title={step.did}
              here={step.id === at}
              brought={step.brought}
              drags={depth}
              onGo={onGo && goTo}
            />
          </li>
        ))}
      </ol>
      {depth && <Depth steps={steps} from={begins} width={(all.length + begins) * WIDTH} />}
    </div>
  );
}

const FATHOM = 9;
const DEEPEST = 5;

/** How many must be mended after each step, as the depth of the water; the figure where it changes. */
function Depth(props: { steps: readonly Step[]; from: number; width: number }) {
  const { steps, from } = props;
  const most = Math.max(DEEPEST, ...steps.map((step) => step.depth ?? 0));
  const unit = (FATHOM * DEEPEST) / most;
  return (
    <svg
      width={props.width}
      height={DEEPEST * FATHOM + 3}
      role="img"
      aria-label={`Must-mends after each step: ${steps.map((step) => step.depth ?? '?').join(', ')}`}
      className="block"
    >
      <path d={`M0 .5H${props.width}`} stroke="var(--shoal3)" />
      {steps.map((step, i) => {
        const deep = step.depth ?? 0;
        const x = (i + from) * WIDTH;
        const changed = i === 0 || deep !== (steps[i - 1]!.depth ?? 0);
        return (
          <g key={step.id}>
            <rect x={x} y={1} width={WIDTH} height={deep * unit} fill="var(--shoal2)" />
            {changed && (
              <text
                x={x + WIDTH / 2}
                y={Math.min(deep * unit + 13, DEEPEST * FATHOM + 1)}
                textAnchor="middle"
                fontSize={12}
                fill="var(--ink)"
              >
                {deep}
              </text>
            )}
          </g>
        );
      })}
    </svg>
  );
}

const Dot = memo(function Dot(props: {
  step: number | null;
  name: string;
  brief?: string | null | undefined;
  title: string;
  here: boolean;
  brought?: Step['brought'];
  drags: boolean;
  onGo?: ((step: number | null) => void) | undefined;
}) {
  const { brought = [], onGo } = props;
  const inside = (
    <>
      <span className="flex h-[22px] items-center gap-0.5">
        {brought.slice(0, brought.length > 3 ? 2 : 3).map((b, i) => (
          <FindingMark key={i} kind={b.kind} severity={b.severity} title={b.title} size={14} />
        ))}
        {brought.length > 3 && `+${brought.length - 2}`}
      </span>
      <span
        className={`my-1 h-[9px] w-[9px] rounded-full border-[1.5px] border-ink bg-sheet ${props.here ? 'outline-[1.5px] outline-offset-2 outline-ink' : ''}`}
      />
      <span className={`max-w-full truncate px-0.5 ${props.here ? 'font-semibold' : ''}`}>
        {props.name}
      </span>
      {props.brief && (
        <span className="max-w-full truncate px-0.5 text-[12px] leading-4 text-ink2">
          {props.brief}
        </span>
      )}
    </>
  );
  const look = 'relative flex w-full flex-col items-center';
  if (!onGo) {
    return (
      <span className={look} title={props.title}>
        {inside}
      </span>
    );
  }
  return (
    <button
      type="button"
      className={`${look} outline-offset-[-2px] hover:underline`}
      title={props.title}
      aria-current={props.here ? 'step' : undefined}
      onClick={() => !props.here && onGo(props.step)}
      onPointerEnter={(e) => props.drags && e.buttons === 1 && !props.here && onGo(props.step)}
    >
      {inside}
    </button>
  );
});
