import { useState, type ReactNode } from 'react';
import type { Preview } from '../../api/client';
import { letterOf } from '../../stage/CutLine';
import type { Measure } from './hands/measure';
import type { PendingPoint } from './pending';

const ENDS: Record<string, ReactNode> = {
  used: <circle cx={7} cy={7} r={4.5} fill="none" stroke="currentColor" strokeWidth={2} />,
  fresh: <path d="M2.500 11.500l9-9M7 1v12" fill="none" stroke="currentColor" strokeWidth={2} />,
  crossing: <path d="M2 7h10" stroke="currentColor" strokeWidth={4} />,
  runOn: <circle cx={7} cy={7} r={2} fill="currentColor" />,
};

const END_NAMES: Record<string, string> = {
  used: 'uses a vertex',
  fresh: 'a new vertex',
  crossing: 'crosses an edge',
  runOn: 'runs on to the border of the face',
};

interface Props {
  preview: Preview;
  unit: string;
  /** The placed point at the end of each piece. */
  ends: readonly PendingPoint[];
  /** Lets the end of a piece lie where the piece measures what was typed. */
  onTyped: (piece: number, measure: Measure, wanted: number) => void;
}

/** The last ones: the fields of a slip are never longer than the stage. */
const ROWS = 6;

/** The pieces of a trace: ends, length, angle to the last, angle to the edge it meets; to be typed. */
export function PieceTable({ preview, unit, ends, onTyped }: Props) {
  const { pieces } = preview;
  const first = Math.max(0, pieces.length - ROWS);
  return (
    <table className="condensed w-full text-left">
      <thead className="text-[12px] text-ink2">
        <tr>
          <th className="font-normal">piece</th>
          <th className="text-right font-normal">length, {unit}</th>
          <th className="text-right font-normal">to last</th>
          <th className="text-right font-normal">to edge</th>
        </tr>
      </thead>
      <tbody>
        {pieces.slice(first).map((piece, k) => {
          const i = first + k;
          const on = ends[i]?.anchor.on;
          const movable = on === 'edge' || on === 'face';
          const typed = (measure: Measure) =>
            movable ? (value: number) => onTyped(i, measure, value) : undefined;
          return (
            <tr key={i} className="h-7">
              <td>
                <span className="flex items-center gap-1.5">
                  <b className="w-3 font-semibold">{letterOf(i)}</b>
                  <End use={piece.points[0]?.use} />
                  <End use={piece.points.at(-1)?.use} />
                </span>
              </td>
              <td className="text-right">
                <Typed
                  label={`Length of piece ${letterOf(i)} in ${unit}`}
                  value={piece.length}
                  onCommit={typed('length')}
                />
              </td>
              <td className="text-right">
                {piece.toLast == null ? (
                  ''
                ) : (
                  <Typed
                    label={`Angle of piece ${letterOf(i)} to the last in degrees`}
                    value={piece.toLast}
                    suffix="°"
                    onCommit={typed('toLast')}
                  />
                )}
              </td>
              <td className="text-right">
                {piece.toEdge == null ? (
                  ''
                ) : (
                  <Typed
                    label={`Angle of piece ${letterOf(i)} to its edge in degrees`}
                    value={piece.toEdge}
                    suffix="°"
                    onCommit={on === 'edge' ? typed('toEdge') : undefined}
                  />
                )}
              </td>
            </tr>
          );
        })}
      </tbody>
    </table>
  );
}

/** A number that can be typed over, where what it measures can be moved. */
function Typed(props: {
  label: string;
  value: number;
  suffix?: string;
  onCommit?: (value: number) => void;
}) {
  const [draft, setDraft] = useState<string | null>(null);
  const shown = `${props.value.toFixed(1)}${props.suffix ?? ''}`;
  if (!props.onCommit) return <>{shown}</>;
  const commit = () => {
    const typed = Number(draft?.replace(',', '.').replace('°', ''));
    if (draft !== null && draft.trim() !== '' && Number.isFinite(typed)) props.onCommit!(typed);
    setDraft(null);
  };
  return (
    <input
      aria-label={props.label}
      inputMode="decimal"
      className="w-[56px] rounded-ctl border border-ctl bg-sheet px-1 text-right"
      value={draft ?? shown}
      onFocus={(e) => e.target.select()}
      onChange={(e) => setDraft(e.target.value)}
      onBlur={commit}
      onKeyDown={(e) => e.key === 'Enter' && commit()}
    />
  );
}

function End({ use }: { use: string | undefined }) {
  if (!use || !ENDS[use]) return <span className="w-[14px]" />;
  return (
    <svg width={14} height={14} viewBox="0 0 14 14" role="img" aria-label={END_NAMES[use]}>
      <title>{END_NAMES[use]}</title>
      {ENDS[use]}
    </svg>
  );
}
