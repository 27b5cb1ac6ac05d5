import type { Preview } from '../api/client';
import { useStage } from './stageContext';

const MOST = 900;

/** Lines that come, and edges that go. */
export type Ghost = Pick<Preview['ghost'], 'lines' | 'goneEdges'>;

interface Props {
  ghost: Ghost;
  /** Dotted is advice; dashed is pending. */
  isAdvice?: boolean;
}

/** Edges as a pending change would leave them: those that come dashed, those that go struck out. */
export function GhostLines({ ghost, isAdvice = false }: Props) {
  const stage = useStage();
  const { buffers } = stage;
  if (!buffers) return null;
  let front = '';
  let behind = '';
  const { lines } = ghost;
  for (let i = 0; i + 5 < lines.length && i < 6 * MOST; i += 6) {
    const a = { x: lines[i]!, y: lines[i + 1]!, z: lines[i + 2]! };
    const b = { x: lines[i + 3]!, y: lines[i + 4]!, z: lines[i + 5]! };
    const p = stage.project(a);
    const q = stage.project(b);
    if (!p.ahead || !q.ahead) continue;
    const middle = { x: (a.x + b.x) / 2, y: (a.y + b.y) / 2, z: (a.z + b.z) / 2 };
    const d = `M${p.x} ${p.y}L${q.x} ${q.y}`;
    if (stage.isHidden(middle)) behind += d;
    else front += d;
  }
  let gone = '';
  for (const e of ghost.goneEdges.slice(0, MOST)) {
    if (!buffers.hasEdge(e)) continue;
    const [a, b] = buffers.ends(e).map((v) => buffers.toWorld(buffers.local(v)));
    const middle = { x: (a!.x + b!.x) / 2, y: (a!.y + b!.y) / 2, z: (a!.z + b!.z) / 2 };
    if (stage.isHidden(middle)) continue;
    const p = stage.project(a!);
    const q = stage.project(b!);
    const length = Math.hypot(q.x - p.x, q.y - p.y) || 1;
    const [ux, uy] = [(q.x - p.x) / length, (q.y - p.y) / length];
    const count = Math.max(1, Math.min(6, Math.floor(length / 22)));
    for (let k = 0; k < count; k++) {
      const t = (k + 0.5) / count;
      const [x, y] = [p.x + (q.x - p.x) * t, p.y + (q.y - p.y) * t];
      const [vx, vy] = [5 * (ux - uy), 5 * (uy + ux)];
      gone += `M${x - vx} ${y - vy}L${x + vx} ${y + vy}`;
    }
  }
  return (
    <g fill="none" data-testid="ghost">
      <path
        d={behind}
        stroke="var(--ink)"
        strokeOpacity={0.5}
        strokeWidth={1.2}
        strokeDasharray="7 4"
      />
      <path d={front} stroke="var(--sheet)" strokeWidth={5} />
      {isAdvice ? (
        <path
          d={front}
          stroke="var(--magenta)"
          strokeWidth={2.4}
          strokeLinecap="round"
          strokeDasharray="0 5.5"
          data-advice
        />
      ) : (
        <path d={front} stroke="var(--ink)" strokeWidth={2} strokeDasharray="7 4" />
      )}
      <path d={gone} stroke="var(--sheet)" strokeWidth={4.4} strokeLinecap="round" />
      <path d={gone} stroke="var(--ink)" strokeWidth={1.6} strokeLinecap="round" data-gone />
    </g>
  );
}
