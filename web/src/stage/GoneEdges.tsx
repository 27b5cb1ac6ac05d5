import { useStage } from './stageContext';

const MOST = 900;
/** A cross of this size, so far from the next one. */
const SIZE = 3;
const PITCH = 30;

/** Edges that the mesh has and another one has not: crossed out where the eye sees them. */
export function GoneEdges({ edges }: { edges: readonly number[] }) {
  const stage = useStage();
  const { buffers } = stage;
  if (!buffers) return null;
  let d = '';
  for (const e of edges.slice(0, MOST)) {
    if (!buffers.hasEdge(e)) continue;
    const [a, b] = buffers.ends(e).map((v) => buffers.toWorld(buffers.local(v)));
    const middle = { x: (a!.x + b!.x) / 2, y: (a!.y + b!.y) / 2, z: (a!.z + b!.z) / 2 };
    if (stage.isHidden(middle)) continue;
    const p = stage.project(a!);
    const q = stage.project(b!);
    const count = Math.max(1, Math.floor(Math.hypot(q.x - p.x, q.y - p.y) / PITCH));
    for (let k = 0; k < count; k++) {
      const t = (k + 0.5) / count;
      const [x, y] = [p.x + (q.x - p.x) * t, p.y + (q.y - p.y) * t];
      d += `M${x - SIZE} ${y - SIZE}l${2 * SIZE} ${2 * SIZE}M${x + SIZE} ${y - SIZE}l${-2 * SIZE} ${2 * SIZE}`;
    }
  }
  return (
    <g fill="none" strokeLinecap="round" data-testid="gone-edges">
      <path d={d} stroke="var(--sheet)" strokeWidth={4} />
      <path d={d} stroke="var(--ink)" strokeWidth={1.3} />
    </g>
  );
}
