import type { Point } from '../../../mesh/MeshBuffers';

/** Of each stop a unit quaternion (x, y, z, w), and by how much all is moved after the turn. */
const NUMBERS = 7;

/**
 * Where a place goes by the pose between two stops. Stops are a few degrees apart, so the mean of
 * two turns is a turn but for rounding that no screen shows.
 *
 * @param at a stop, or a share of the way from one to the next
 */
export function posed(
  poses: readonly number[],
  stops: number,
  at: number,
): (place: Point) => Point {
  const before = Math.max(0, Math.min(stops - 2, Math.floor(at)));
  const share = stops > 1 ? at - before : 0;
  const a = poses.slice(NUMBERS * before, NUMBERS * (before + 1));
  const b = stops > 1 ? poses.slice(NUMBERS * (before + 1), NUMBERS * (before + 2)) : a;
  // Of the two quaternions of a turn the one that is nearer.
  const sign = a[0]! * b[0]! + a[1]! * b[1]! + a[2]! * b[2]! + a[3]! * b[3]! < 0 ? -1 : 1;
  const mean = a.map((n, i) => n * (1 - share) + (i < 4 ? sign : 1) * b[i]! * share);
  const [x, y, z, w] = mean as [number, number, number, number];
  const size = Math.hypot(x, y, z, w) || 1;
  return (place) => turned(place, x / size, y / size, z / size, w / size, mean);
}

function turned(p: Point, x: number, y: number, z: number, w: number, mean: readonly number[]) {
  // Twice the cross product of the axis and the place.
  const tx = 2 * (y * p.z - z * p.y);
  const ty = 2 * (z * p.x - x * p.z);
  const tz = 2 * (x * p.y - y * p.x);
  return {
    x: p.x + w * tx + y * tz - z * ty + mean[4]!,
    y: p.y + w * ty + z * tx - x * tz + mean[5]!,
    z: p.z + w * tz + x * ty - y * tx + mean[6]!,
  };
}
