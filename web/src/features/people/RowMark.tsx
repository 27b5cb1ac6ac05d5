import type { Schemas } from '../../api/client';

type State = Schemas['RowView']['state'];

export const STATE_NAMES: Record<State, string> = {
  fresh: 'new',
  here: 'already here',
  unclear: 'unclear',
  wrong: 'wrong',
  out: 'left out',
};

/** Full: new; ring: here; dashed ring: wants an answer; bar: wrong; dash: left out. */
export function RowMark({ state }: { state: State }) {
  return (
    <svg width={12} height={12} viewBox="0 0 12 12" aria-hidden className="shrink-0">
      {state === 'fresh' && <circle cx={6} cy={6} r={4.6} fill="currentColor" />}
      {(state === 'here' || state === 'unclear') && (
        <circle
          cx={6}
          cy={6}
          r={4.6}
          fill="none"
          stroke="currentColor"
          strokeWidth={1.6}
          strokeDasharray={state === 'unclear' ? '2.200 1.800' : undefined}
        />
      )}
      {state === 'wrong' && <path d="M6 1v10" stroke="currentColor" strokeWidth={3.4} />}
      {state === 'out' && <path d="M2 6h8" stroke="currentColor" strokeWidth={1.6} />}
    </svg>
  );
}
