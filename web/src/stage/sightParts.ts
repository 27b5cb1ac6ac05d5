import type { Point } from '../mesh/MeshBuffers';
import type { Projected } from './Eye';
import type { StageView } from './StageView';

/** How finely a piece is probed for being hidden: every so many pixels, and at most so often. */
const PROBE_EVERY = 12;
const MOST_PROBES = 10;

/** Cuts a straight piece into what is seen and what is hidden, by probing it. */
export function sightParts(
  stage: StageView,
  a: Point,
  b: Point,
): { front: string; behind: string } {
  const at = (t: number): Point => ({
    x: a.x + (b.x - a.x) * t,
    y: a.y + (b.y - a.y) * t,
    z: a.z + (b.z - a.z) * t,
  });
  const draw = (from: number, to: number) => {
    const p = stage.project(at(from));
    const q = stage.project(at(to));
    return p.ahead && q.ahead ? `M${p.x} ${p.y}L${q.x} ${q.y}` : '';
  };
  let front = '';
  let behind = '';
  const [p, q] = [stage.project(a), stage.project(b)];
  if (isBeside(stage, p, q)) return { front, behind };
  const probes = probesOf(p, q);
  let start = 0;
  let hidden = stage.isHidden(at(0.5 / probes));
  for (let i = 1; i <= probes; i++) {
    const next = i < probes ? stage.isHidden(at((i + 0.5) / probes)) : !hidden;
    if (next === hidden) continue;
    if (hidden) behind += draw(start, i / probes);
    else front += draw(start, i / probes);
    start = i / probes;
    hidden = next;
  }
  return { front, behind };
}

function probesOf(p: Projected, q: Projected): number {
  if (!p.ahead || !q.ahead) return MOST_PROBES;
  const pixels = Math.hypot(p.x - q.x, p.y - q.y);
  return Math.min(MOST_PROBES, Math.max(1, Math.ceil(pixels / PROBE_EVERY)));
}

/** Whether a straight piece lies wholly beside the frame: a long cut costs what is seen of it. */
export function isBeside({ width, height }: StageView, p: Projected, q: Projected): boolean {
  if (!p.ahead || !q.ahead) return false;
  const [m, x, y] = [20, width + 20, height + 20];
  return (
    (p.x < -m && q.x < -m) || (p.x > x && q.x > x) || (p.y < -m && q.y < -m) || (p.y > y && q.y > y)
  );
}
