import type { Schemas } from '../api/client';

export type State = Schemas['BoardState'];

/** How far a student is with an exercise, in words. */
export const STATE_NAMES: Record<State, string> = {
  notBegun: 'not begun',
  begun: 'begun',
  handedIn: 'handed in',
  late: 'late, nothing in',
  tryAgain: 'try again',
  accepted: 'accepted',
  excused: 'excused',
};

/** The same as a hull: empty, afloat, laden; what the instructor said is magenta. */
const SIGNS: Record<State, React.ReactNode> = {
  notBegun: (
    <path d="M3.400 10.200A6.200 6.200 0 0 0 12.600 10.200" stroke="var(--ctl)" strokeWidth={1.3} />
  ),
  begun: (
    <>
      <path d="M2.200 7.800H13.800A6.200 6.200 0 0 1 2.200 7.800Z" fill="var(--shoal3)" />
      <path d="M1.800 5.400A6.200 6.200 0 0 0 14.200 5.400" stroke="var(--ink)" strokeWidth={1.4} />
    </>
  ),
  handedIn: (
    <path
      d="M1.800 5.400H14.200A6.200 6.200 0 0 1 1.800 5.400Z"
      fill="var(--ink)"
      stroke="var(--ink)"
      strokeWidth={1.4}
      strokeLinejoin="round"
    />
  ),
  late: (
    <>
      <path d="M1.800 6.600A6.200 6.200 0 0 0 14.200 6.600" stroke="var(--ink)" strokeWidth={1.4} />
      <path d="M.800 3.600H15.200" stroke="var(--ink)" strokeWidth={2.4} />
    </>
  ),
  tryAgain: (
    <g stroke="var(--magenta)" strokeWidth={1.7}>
      <path d="M1.800 5.800A6.200 6.200 0 0 0 14.200 5.800" />
      <path d="M8 9.400V1.600M5.300 4.200 8 1.400 10.700 4.200" />
    </g>
  ),
  accepted: <circle cx={8} cy={8} r={6.3} fill="var(--magenta)" />,
  excused: <path d="M3 8H13" stroke="var(--ink2)" strokeWidth={1.6} />,
};

export function StateSign({ state, title }: { state: State; title?: string }) {
  const name = title ?? STATE_NAMES[state];
  return (
    <svg
      width={16}
      height={16}
      viewBox="0 0 16 16"
      fill="none"
      role="img"
      aria-label={name}
      className="shrink-0"
    >
      <title>{name}</title>
      {SIGNS[state]}
    </svg>
  );
}
