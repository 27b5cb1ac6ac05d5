import type { Point } from '../mesh/MeshBuffers';
import type { StageView } from './StageView';

interface Xy {
  x: number;
  y: number;
}

const SMOOTHED = 3;
const MOST_PLACES = 400;
/** So near to each other, in pixels, that a line follows the surface between two places. */
const PITCH = 5;

/** A line as it was drawn on the screen, without the tremor of the hand; its ends stay. */
export function smoothed(path: readonly Xy[]): readonly Xy[] {
  return path.map((p, i) => {
    const reach = Math.min(SMOOTHED, i, path.length - 1 - i);
    let [x, y, weight] = [0, 0, 0];
    for (let k = -reach; k <= reach; k++) {
      const w = reach + 1 - Math.abs(k);
      x += w * path[i + k]!.x;
      y += w * path[i + k]!.y;
      weight += w;
    }
    return weight ? { x: x / weight, y: y / weight } : p;
  });
}

/**
 * A line drawn on the screen as lines on the surface: each place where it meets the model; where it
 * leaves the model it ends, and another begins where it comes back.
 */
export function onSurface(stage: StageView, path: readonly Xy[]): Point[][] {
  const lines: Point[][] = [];
  let line: Point[] = [];
  const end = () => {
    if (line.length > 1) lines.push(line);
    line = [];
  };
  for (const at of even(smoothed(path))) {
    const hit = stage.hit(at.x, at.y);
    if (hit) line.push(hit.at);
    else end();
  }
  end();
  return lines;
}

/** The same line by places that are evenly far from each other. */
function even(path: readonly Xy[]): readonly Xy[] {
  if (path.length === 0) return [];
  const lengths = path.slice(1).map((p, i) => Math.hypot(p.x - path[i]!.x, p.y - path[i]!.y));
  const whole = lengths.reduce((sum, length) => sum + length, 0);
  const count = Math.min(MOST_PLACES - 1, Math.max(1, Math.ceil(whole / PITCH)));
  const places: Xy[] = [];
  let [i, before] = [0, 0];
  for (let k = 0; k <= count; k++) {
    const at = (whole * k) / count;
    while (i < lengths.length - 1 && before + lengths[i]! < at) before += lengths[i++]!;
    const t = lengths[i] ? Math.min(1, (at - before) / lengths[i]!) : 0;
    const [p, q] = [path[i]!, path[i + 1] ?? path[i]!];
    places.push({ x: p.x + (q.x - p.x) * t, y: p.y + (q.y - p.y) * t });
  }
  return places;
}
