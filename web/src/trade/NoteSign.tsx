import type { Note } from '../api/client';

export const NOTE_KINDS = [
  { kind: 'mend', name: 'mend this' },
  { kind: 'ask', name: 'ask' },
  { kind: 'praise', name: 'praise' },
] as const satisfies readonly { kind: Note['kind']; name: string }[];

/** The number of a note in the form of its pin: a disc mends, an open ring asks, a flag praises. */
export function NoteSign({ kind, number }: { kind: Note['kind']; number: number }) {
  const name = NOTE_KINDS.find((k) => k.kind === kind)!.name;
  return (
    <svg width={26} height={22} viewBox="-13 -11 26 22" className="shrink-0" role="img">
      <title>{`Note ${number}: ${name}`}</title>
      {kind === 'praise' ? (
        <path d="M-13 -9.500H13L8 0L13 9.500H-13Z" fill="var(--magenta)" />
      ) : (
        <circle
          r={10}
          fill={kind === 'ask' ? 'var(--sheet)' : 'var(--magenta)'}
          stroke="var(--magenta)"
          strokeWidth={2}
        />
      )}
      <text
        x={kind === 'praise' ? -2 : 0}
        y={4.5}
        textAnchor="middle"
        fontSize={12}
        fontWeight={600}
        fill={kind === 'ask' ? 'var(--magenta)' : 'var(--paper)'}
        aria-hidden
      >
        {number}
      </text>
    </svg>
  );
}
