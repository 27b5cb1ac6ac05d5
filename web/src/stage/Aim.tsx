import type { Point } from '../mesh/MeshBuffers';
import type { Picked } from './pick';
import { useStage } from './stageContext';

/** What is under the pointer: an edge heavy over a casing, a vertex as a disc, a face outlined. */
export function Aim({ picked, division }: { picked: Picked; division: number }) {
  const stage = useStage();
  const buffers = stage.buffers;
  if (!buffers) return null;
  const xy = (p: Point) => stage.project(p);
  const at = xy(picked.at);
  if (picked.on === 'vertex') {
    return (
      <g data-testid="aim" data-aim="vertex">
        <circle cx={at.x} cy={at.y} r={7} fill="var(--sheet)" />
        <circle cx={at.x} cy={at.y} r={4} fill="var(--ink)" />
      </g>
    );
  }
  if (picked.on === 'edge') {
    if (!buffers.hasEdge(picked.id)) return null;
    const [a, b] = buffers.ends(picked.id).map((v) => xy(buffers.toWorld(buffers.local(v))));
    const d = `M${a!.x} ${a!.y}L${b!.x} ${b!.y}`;
    const turn = (Math.atan2(b!.y - a!.y, b!.x - a!.x) * 180) / Math.PI;
    return (
      <g fill="none" strokeLinecap="round" data-testid="aim" data-aim="edge">
        <path d={d} stroke="var(--sheet)" strokeWidth={7} />
        <path d={d} stroke="var(--ink)" strokeWidth={3.5} />
        {divisions(division).map((t) => (
          <path
            key={t}
            d="M0 -3.5V3.5"
            stroke="var(--sheet)"
            strokeWidth={1.5}
            transform={`translate(${a!.x + (b!.x - a!.x) * t} ${a!.y + (b!.y - a!.y) * t}) rotate(${turn})`}
          />
        ))}
        <circle
          cx={at.x}
          cy={at.y}
          r={4.5}
          fill="var(--sheet)"
          stroke="var(--ink)"
          strokeWidth={2}
        />
      </g>
    );
  }
  const corners = [...buffers.corners(picked.id)]
    .map((v) => xy(buffers.toWorld(buffers.local(v))))
    .map((p) => `${p.x} ${p.y}`);
  const d = `M${corners.join('L')}Z`;
  return (
    <g strokeLinejoin="round" data-testid="aim" data-aim="face">
      <path d={d} fill="var(--sheet)" fillOpacity={0.4} stroke="var(--sheet)" strokeWidth={5.6} />
      <path d={d} fill="none" stroke="var(--ink)" strokeWidth={2.4} />
    </g>
  );
}

function divisions(count: number): number[] {
  return count > 1 ? Array.from({ length: count - 1 }, (_, i) => (i + 1) / count) : [];
}

/** The piece of a trace that still follows the pointer. */
export function Following({ from, to }: { from: Point; to: Point }) {
  const stage = useStage();
  const p = stage.project(from);
  const q = stage.project(to);
  const d = `M${p.x} ${p.y}L${q.x} ${q.y}`;
  return (
    <g fill="none" data-testid="following">
      <path d={d} stroke="var(--sheet)" strokeWidth={5} />
      <path d={d} stroke="var(--ink)" strokeWidth={1.6} strokeDasharray="3 4" />
    </g>
  );
}

/** A loose tag beside a place, with a line to it. */
interface Tag {
  at: Point;
  text: string;
  /** What it says where the model hides the place. */
  hiddenText: string;
  lift: number;
}

export function PlaceTag({ at, text: seenText, hiddenText, lift }: Tag) {
  const stage = useStage();
  const p = stage.project(at);
  if (!p.ahead) return null;
  const text = stage.isHidden(at) ? hiddenText : seenText;
  const width = text.length * 6.6 + 16;
  const x = Math.min(Math.max(p.x + 26, 8), stage.width - width - 8);
  const y = Math.min(Math.max(p.y + lift, 56), stage.height - 40);
  return (
    <g data-testid="place-tag">
      <path d={`M${p.x} ${p.y}L${x + 10} ${y + 11}`} stroke="var(--sheet)" strokeWidth={4} />
      <path d={`M${p.x} ${p.y}L${x + 10} ${y + 11}`} stroke="var(--ink)" strokeWidth={1.2} />
      <rect x={x} y={y} width={width} height={22} fill="var(--sheet)" stroke="var(--ink)" />
      <text
        x={x + width / 2}
        y={y + 15}
        textAnchor="middle"
        fontSize={12}
        fontWeight={600}
        fill="var(--ink)"
      >
        {text}
      </text>
    </g>
  );
}

/** Where a loop stops: a bar across its end. */
export function StopBar({ at, towards }: { at: Point; towards: Point }) {
  const stage = useStage();
  const p = stage.project(at);
  const q = stage.project(towards);
  const angle = Math.atan2(p.y - q.y, p.x - q.x);
  const x = p.x + 15 * Math.cos(angle);
  const y = p.y + 15 * Math.sin(angle);
  const faint = stage.isHidden(at) ? 0.62 : 1;
  const turn = `translate(${x} ${y}) rotate(${(angle * 180) / Math.PI + 90})`;
  return (
    <g data-testid="loop-stop">
      {faint === 1 && (
        <rect x={-14} y={-6} width={28} height={12} fill="var(--sheet)" transform={turn} />
      )}
      <rect
        x={-10}
        y={-2}
        width={20}
        height={4}
        fill="var(--ink)"
        fillOpacity={faint}
        transform={turn}
      />
    </g>
  );
}
