import type { MeshBuffers, Point } from '../../../mesh/MeshBuffers';
import type { PendingPoint } from '../pending';

/** What the core measures of a piece of a trace, and can be typed. */
export type Measure = 'length' | 'toLast' | 'toEdge';

export const ORIGIN: Point = { x: 0, y: 0, z: 0 };

export function minus(a: Point, b: Point): Point {
  return { x: a.x - b.x, y: a.y - b.y, z: a.z - b.z };
}

export function plus(a: Point, b: Point, times = 1): Point {
  return { x: a.x + b.x * times, y: a.y + b.y * times, z: a.z + b.z * times };
}

export function cross(a: Point, b: Point): Point {
  return { x: a.y * b.z - a.z * b.y, y: a.z * b.x - a.x * b.z, z: a.x * b.y - a.y * b.x };
}

export function dot(a: Point, b: Point): number {
  return a.x * b.x + a.y * b.y + a.z * b.z;
}

export function length(a: Point): number {
  return Math.hypot(a.x, a.y, a.z);
}

/** In degrees, 0 to 180. */
export function angle(a: Point, b: Point): number {
  return (Math.atan2(length(cross(a, b)), dot(a, b)) * 180) / Math.PI;
}

/** The place at a share of an edge. */
export function along(mesh: MeshBuffers, edge: number, t: number): Point {
  const [a, b] = mesh.ends(edge).map((v) => mesh.local(v));
  const at = (i: number) => a![i]! * (1 - t) + b![i]! * t;
  return mesh.toWorld([at(0), at(1), at(2)]);
}

/** From the first end of an edge to its second. */
export function edgeVector(mesh: MeshBuffers, edge: number): Point {
  return minus(along(mesh, edge, 1), along(mesh, edge, 0));
}

/** Edges as lines, end to end as far as they hang together: places, and whether a line closes. */
export function linesOf(
  mesh: MeshBuffers,
  edges: readonly number[],
): { points: Point[]; closed: boolean }[] {
  const left = new Set(edges.filter((e) => mesh.hasEdge(e)));
  const at = new Map<number, number[]>();
  for (const e of left) for (const v of mesh.ends(e)) at.set(v, [...(at.get(v) ?? []), e]);
  const lines: { points: Point[]; closed: boolean }[] = [];
  const walk = (from: number) => {
    const vertices = [from];
    for (let v = from; ;) {
      const next = at.get(v)?.find((e) => left.has(e));
      if (next === undefined) break;
      left.delete(next);
      const [a, b] = mesh.ends(next);
      v = a === v ? b : a;
      vertices.push(v);
      if (v === from) break;
    }
    const closed = vertices.length > 3 && vertices.at(-1) === from;
    if (closed) vertices.pop();
    lines.push({ points: vertices.map((v) => mesh.toWorld(mesh.local(v))), closed });
  };
  // Ends of lines first; what is left then runs round.
  for (const [v, there] of at) if (there.length === 1 && left.has(there[0]!)) walk(v);
  for (const e of edges) if (left.has(e)) walk(mesh.ends(e)[0]!);
  return lines;
}

const SAMPLES = 200;

/** Where along an edge something passes through zero, nearest to a share of it; null if nowhere. */
export function zeroNear(now: number, off: (t: number) => number): number | null {
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

/** A way in which a placed point can be moved, by one number. */
export interface Track {
  /** The number by which it lies where it is. */
  now: number;
  /** A small step of it. */
  step: number;
  at: (value: number) => PendingPoint | null;
}

/** How the end of a piece moves to change a measure of it: on its edge, or in its face. */
export function trackOf(
  mesh: MeshBuffers,
  from: Point,
  end: PendingPoint,
  measure: Measure,
): Track | null {
  const { anchor } = end;
  if (anchor.on === 'edge') {
    if (!mesh.hasEdge(anchor.edge)) return null;
    return {
      now: anchor.t,
      step: 0.02,
      at: (t) =>
        t > 0 && t < 1
          ? { ...end, anchor: { ...anchor, t }, at: along(mesh, anchor.edge, t) }
          : null,
    };
  }
  if (anchor.on !== 'face' || !mesh.hasFace(anchor.face)) return null;
  const arm = minus(end.at, from);
  const put = (at: Point): PendingPoint => ({ ...end, anchor: { ...anchor, at }, at });
  if (measure === 'length') {
    return { now: 1, step: 0.02, at: (share) => (share > 0 ? put(plus(from, arm, share)) : null) };
  }
  const normal = normalOf(mesh, anchor.face);
  const square = cross(normal, arm);
  return {
    now: 0,
    step: 1,
    at: (degrees) => {
      const radians = (degrees * Math.PI) / 180;
      return put(plus(plus(from, arm, Math.cos(radians)), square, Math.sin(radians)));
    },
  };
}

function normalOf(mesh: MeshBuffers, face: number): Point {
  const corners = [...mesh.corners(face)].map((v) => mesh.toWorld(mesh.local(v)));
  let sum = ORIGIN;
  corners.forEach((p, i) => {
    const q = corners[(i + 1) % corners.length]!;
    sum = plus(sum, cross(minus(p, corners[0]!), minus(q, corners[0]!)));
  });
  const size = length(sum) || 1;
  return plus(ORIGIN, sum, 1 / size);
}

const ROUNDS = 12;

/**
 * The number at which something measured has a value, by the secant method; null where it can't be
 * measured or does not get there.
 */
export async function settle(
  track: { now: number; step: number },
  measured: (value: number) => Promise<number | null>,
  wanted: number,
): Promise<number | null> {
  const near = 1e-6 * Math.max(1, Math.abs(wanted));
  let [a, b] = [track.now, track.now + track.step];
  let first = await measured(a);
  let second = await measured(b);
  if (second === null) {
    b = track.now - track.step;
    second = await measured(b);
  }
  for (let i = 0; i < ROUNDS; i++) {
    if (first === null || second === null) return null;
    if (Math.abs(second - wanted) < near) return b;
    if (first === second) return null;
    let next = b + ((wanted - second) * (b - a)) / (second - first);
    [a, first] = [b, second];
    // Past the end of the edge or face: half of the way instead.
    let found = await measured(next);
    for (let k = 0; found === null && k < ROUNDS; k++) {
      next = (next + a) / 2;
      found = await measured(next);
    }
    [b, second] = [next, found];
  }
  return null;
}
