import type { Point } from '../mesh/MeshBuffers';
import { useStage } from './stageContext';

/** An end of a drawn line that can be picked up and put down elsewhere. */
export function Handle({ at }: { at: Point }) {
  const stage = useStage();
  const p = stage.project(at);
  return (
    <g data-testid="handle" fill="none">
      <circle cx={p.x} cy={p.y} r={8} fill="var(--sheet)" stroke="var(--ink)" strokeWidth={1.6} />
      <path d={`M${p.x - 4} ${p.y}h8M${p.x} ${p.y - 4}v8`} stroke="var(--ink)" strokeWidth={1.4} />
    </g>
  );
}

interface LineProps {
  from: Point;
  to: Point | null;
  pointer: { x: number; y: number } | null;
  held: number | null;
  other: Point | null;
}

/** The line by which a plane is drawn, right across the stage where both ends are set. */
export function ScreenLine({ from, to, pointer, held, other }: LineProps) {
  const stage = useStage();
  const start = stage.project(held === 0 && other ? other : from);
  const end = to ? stage.project(to) : pointer;
  if (!end) return null;
  const dx = end.x - start.x;
  const dy = end.y - start.y;
  const far = Math.hypot(dx, dy) > 1 ? 4000 / Math.hypot(dx, dy) : 0;
  const across = `M${start.x - dx * far} ${start.y - dy * far}L${end.x + dx * far} ${end.y + dy * far}`;
  return (
    <g fill="none" data-testid="screen-line">
      <path d={across} stroke="var(--ink)" strokeOpacity={0.35} strokeWidth={1} />
      <path
        d={`M${start.x} ${start.y}L${end.x} ${end.y}`}
        stroke="var(--ink)"
        strokeWidth={1.6}
        strokeDasharray="3 4"
      />
    </g>
  );
}

/** A shape that is being drawn, corner by corner. */
export function ShapeLine(props: {
  points: readonly Point[];
  pointer: { x: number; y: number } | null;
}) {
  const stage = useStage();
  const points = props.points.map((p) => stage.project(p));
  const all = props.pointer ? [...points, props.pointer] : points;
  const d = `M${all.map((p) => `${p.x} ${p.y}`).join('L')}Z`;
  return (
    <g fill="none" data-testid="shape-line">
      <path d={d} stroke="var(--sheet)" strokeWidth={4.4} />
      <path d={d} stroke="var(--ink)" strokeWidth={1.6} strokeDasharray="3 4" />
    </g>
  );
}
