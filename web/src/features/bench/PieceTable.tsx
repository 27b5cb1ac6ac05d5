import { useState, type ReactNode } from 'react';
import type { Preview } from '../../api/client';
import type { MeshBuffers, Point } from '../../mesh/MeshBuffers';
import { letterOf } from '../../stage/CutLine';
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
  mesh: MeshBuffers;
  /** Lets the end of a piece lie elsewhere on its edge. */
  onMove: (piece: number, t: number) => void;
}

const ROWS = 12;

/** The pieces of a trace: ends, length, angle to the last, angle to the edge it meets; to be typed. */
export function PieceTable({ preview, unit, ends, mesh, onMove }: Props) {
  const { pieces } = preview;
  const first = Math.max(0, pieces.length - ROWS);
  const move = (i: number, measure: (at: Point) => number, wanted: number) => {
    const anchor = ends[i]?.anchor;
    if (anchor?.on !== 'edge' || !mesh.hasEdge(anchor.edge)) return;
    const t = solve(mesh, anchor.edge, anchor.t, measure, wanted);
    if (t !== null) onMove(i, t);
  };
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
          const from = piece.points[0]?.at;
          const movable = ends[i]?.anchor.on === 'edge' && from !== undefined;
          const last = i > 0 ? directionOf(pieces[i - 1]!) : null;
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
                  onCommit={movable ? (v) => move(i, (at) => distance(from, at), v) : undefined}
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
                    onCommit={
                      movable && last
                        ? (v) => move(i, (at) => angle(last, minus(at, from)), v)
                        : undefined
                    }
                  />
                )}
              </td>
              <td className="text-right">
                {piece.toEdge == null ? '' : `${piece.toEdge.toFixed(1)}°`}
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

function minus(a: Point, b: Point): Point {
  return { x: a.x - b.x, y: a.y - b.y, z: a.z - b.z };
}

function distance(a: Point, b: Point): number {
  return Math.hypot(a.x - b.x, a.y - b.y, a.z - b.z);
}

function angle(a: Point, b: Point): number {
  const dot = a.x * b.x + a.y * b.y + a.z * b.z;
  const cross = Math.hypot(a.y * b.z - a.z * b.y, a.z * b.x - a.x * b.z, a.x * b.y - a.y * b.x);
  return (Math.atan2(cross, dot) * 180) / Math.PI;
}

function directionOf(piece: Preview['pieces'][number]): Point | null {
  const [a, b] = piece.points.slice(-2);
  return a && b ? minus(b.at, a.at) : null;
}

const SAMPLES = 200;

/** Where along an edge a measure has a value, nearest to where it is now; null if nowhere. */
export function solve(
  mesh: MeshBuffers,
  edge: number,
  now: number,
  measure: (at: Point) => number,
  wanted: number,
): number | null {
  const [a, b] = mesh.ends(edge).map((v) => mesh.local(v));
  const off = (t: number) =>
    measure(
      mesh.toWorld([0, 1, 2].map((i) => a![i]! * (1 - t) + b![i]! * t) as [number, number, number]),
    ) - wanted;
  let best: number | null = null;
  for (let i = 0; i < SAMPLES; i++) {
    let low = i / SAMPLES;
    let high = (i + 1) / SAMPLES;
    if (off(low) * off(high) > 0) continue;
    for (let k = 0; k < 50; k++) {
      const middle = (low + high) / 2;
      if (off(low) * off(middle) <= 0) high = middle;
      else low = middle;
    }
    const t = (low + high) / 2;
    if (best === null || Math.abs(t - now) < Math.abs(best - now)) best = t;
  }
  return best;
}
