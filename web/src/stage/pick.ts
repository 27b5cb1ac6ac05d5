import type { Point } from '../mesh/MeshBuffers';
import type { StageView } from './StageView';

/** What lies under the pointer: the nearest vertex, else edge, else face that the eye sees. */
export type Picked =
  | { on: 'vertex'; id: number; at: Point }
  | { on: 'edge'; id: number; t: number; at: Point; snapped: string | undefined }
  | { on: 'face'; id: number; at: Point };

const VERTEX_REACH = 11;
const EDGE_REACH = 9;
const DIVISION_REACH = 8;

const DIVISION_NAMES: Record<number, string> = {
  2: 'middle',
  3: 'third',
  4: 'quarter',
  5: 'fifth',
};

export interface PickOptions {
  /** Aim at faces too. */
  faces: boolean;
  vertices: boolean;
  /** Into how many equal parts edges are divided for snapping; 0 for none. */
  division: number;
}

/** Snapping is aiming: what was picked is named to the core, which decides. */
export function pick(view: StageView, x: number, y: number, options: PickOptions): Picked | null {
  const buffers = view.buffers;
  if (!buffers) return null;
  const hit = view.hit(x, y);
  const candidates = hit ? buffers.edgesOf(hit.face) : edgesNear(view, x, y);
  const vertex = options.vertices ? nearestVertex(view, candidates, x, y) : null;
  if (vertex) return vertex;
  const edge = nearestEdge(view, candidates, x, y, options.division);
  if (edge) return edge;
  return hit && options.faces ? { on: 'face', id: hit.face, at: hit.at } : null;
}

/** Beside the form, its outline can still be aimed at. */
function edgesNear(view: StageView, x: number, y: number): number[] {
  const buffers = view.buffers!;
  const near: number[] = [];
  for (const e of view.outlineEdges) {
    if (!buffers.hasEdge(e)) continue;
    const { distance, at } = onEdge(view, e, x, y);
    if (distance <= EDGE_REACH && !view.isHidden(at)) near.push(e);
  }
  return near;
}

function nearestVertex(view: StageView, edges: number[], x: number, y: number): Picked | null {
  const buffers = view.buffers!;
  let best: Picked | null = null;
  let nearest = VERTEX_REACH;
  for (const v of new Set(edges.flatMap((e) => buffers.ends(e)))) {
    const at = buffers.toWorld(buffers.local(v));
    const p = view.project(at);
    const distance = Math.hypot(p.x - x, p.y - y);
    if (p.ahead && distance < nearest && !view.isHidden(at)) {
      nearest = distance;
      best = { on: 'vertex', id: v, at };
    }
  }
  return best;
}

function onEdge(view: StageView, edge: number, x: number, y: number) {
  const t = view.alongEdge(edge, x, y);
  const at = pointOn(view, edge, t);
  const p = view.project(at);
  return { t, at, distance: p.ahead ? Math.hypot(p.x - x, p.y - y) : Infinity };
}

function pointOn(view: StageView, edge: number, t: number): Point {
  const buffers = view.buffers!;
  const [a, b] = buffers.ends(edge);
  const p = buffers.local(a);
  const q = buffers.local(b);
  return buffers.toWorld(
    [0, 1, 2].map((i) => p[i]! * (1 - t) + q[i]! * t) as [number, number, number],
  );
}

function nearestEdge(
  view: StageView,
  edges: number[],
  x: number,
  y: number,
  division: number,
): Picked | null {
  let best: Picked | null = null;
  let nearest = EDGE_REACH;
  for (const e of edges) {
    const { t, at, distance } = onEdge(view, e, x, y);
    if (distance >= nearest) continue;
    nearest = distance;
    best = snapToDivision(view, e, t, at, division);
  }
  return best;
}

function snapToDivision(
  view: StageView,
  edge: number,
  t: number,
  at: Point,
  division: number,
): Picked {
  if (division > 1) {
    const step = Math.min(division - 1, Math.max(1, Math.round(t * division)));
    const snapped = pointOn(view, edge, step / division);
    const p = view.project(snapped);
    const q = view.project(at);
    if (Math.hypot(p.x - q.x, p.y - q.y) <= DIVISION_REACH) {
      const name = 2 * step === division ? 'middle' : (DIVISION_NAMES[division] ?? 'part');
      return { on: 'edge', id: edge, t: step / division, at: snapped, snapped: name };
    }
  }
  return { on: 'edge', id: edge, t, at, snapped: undefined };
}
