import type { Point } from '../mesh/MeshBuffers';
import type { StageView } from './StageView';

/** What lies under the pointer: the nearest vertex, else edge, else face that the eye sees. */
export type Picked =
  | { on: 'vertex'; id: number; at: Point }
  /** `snapped` says to what the place was drawn: "at the middle of". */
  | { on: 'edge'; id: number; t: number; at: Point; snapped: string | undefined }
  | { on: 'face'; id: number; at: Point; snapped?: string };

const VERTEX_REACH = 11;
const EDGE_REACH = 9;
const DIVISION_REACH = 8;
/** Over the form every move of the pointer asks all of the outline: up to so many edges of it. */
const OUTLINE_OVER_FORM = 4000;

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
  /** Aim at edges; so it is unless this is false. */
  edges?: boolean;
  /** Into how many equal parts edges are divided for snapping; 0 for none. */
  division: number;
}

/** Snapping is aiming: what was picked is named to the core, which decides. */
export function pick(view: StageView, x: number, y: number, options: PickOptions): Picked | null {
  const buffers = view.buffers;
  if (!buffers) return null;
  const hit = view.hit(x, y);
  // Past an outline the pointer may lie on what is far behind it: the outline can still be aimed at.
  const near = hit && view.outlineEdges.length > OUTLINE_OVER_FORM ? [] : edgesNear(view, x, y);
  const candidates = hit ? [...new Set([...buffers.edgesOf(hit.face), ...near])] : near;
  const vertex = options.vertices ? nearestVertex(view, candidates, x, y) : null;
  if (vertex) return vertex;
  const edge =
    options.edges === false ? null : nearestEdge(view, candidates, x, y, options.division);
  if (edge) return edge;
  if (!hit || !options.faces) return null;
  return centre(view, hit.face, x, y, options.division) ?? { on: 'face', id: hit.face, at: hit.at };
}

/** The middle of a face, where the pointer is near it and edges are divided for aiming too. */
function centre(
  view: StageView,
  face: number,
  x: number,
  y: number,
  division: number,
): Picked | null {
  if (division < 2) return null;
  const at = view.middleOf(face);
  const p = view.project(at);
  if (Math.hypot(p.x - x, p.y - y) > DIVISION_REACH) return null;
  const under = view.hit(p.x, p.y);
  return under?.face === face ? { on: 'face', id: face, at: under.at, snapped: 'centre' } : null;
}

/** Edges of the outline that the eye sees beside the pointer. */
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
      return {
        on: 'edge',
        id: edge,
        t: step / division,
        at: snapped,
        snapped: `at the ${name} of`,
      };
    }
  }
  return { on: 'edge', id: edge, t, at, snapped: undefined };
}

/** The place on the border of a face nearest to a pixel, on such edges of it as are meant. */
export function onEdgeAt(
  view: StageView,
  face: number,
  x: number,
  y: number,
  isMeant: (edge: number) => boolean = () => true,
): Picked | null {
  const buffers = view.buffers;
  if (!buffers?.hasFace(face)) return null;
  let best: Picked | null = null;
  let nearest = Infinity;
  for (const e of buffers.edgesOf(face).filter(isMeant)) {
    const { t, at, distance } = onEdge(view, e, x, y);
    if (distance >= nearest) continue;
    nearest = distance;
    best = { on: 'edge', id: e, t, at, snapped: undefined };
  }
  return best;
}

/**
 * The edge across which a ring is meant: the one aimed at, else, anywhere on the model, the nearest
 * edge of the face under the pointer that has one.
 */
export function pickRing(view: StageView, x: number, y: number, division: number): Picked | null {
  const buffers = view.buffers;
  if (!buffers) return null;
  const aimed = pick(view, x, y, { faces: false, vertices: false, division });
  if (aimed?.on === 'edge' && buffers.hasRing(aimed.id)) return aimed;
  const hit = view.hit(x, y);
  const meant = hit && onEdgeAt(view, hit.face, x, y, (e) => buffers.hasRing(e));
  return meant ?? aimed;
}

/** The elements of a kind that the eye sees inside a line on the screen, by their middles. */
export function inside(
  view: StageView,
  line: readonly { x: number; y: number }[],
  kind: 'faces' | 'edges' | 'vertices',
): number[] {
  const buffers = view.buffers;
  if (!buffers || line.length < 3) return [];
  const found: number[] = [];
  const take = (id: number, at: Point) => {
    const p = view.project(at);
    if (p.ahead && holds(line, p) && !view.isHidden(at)) found.push(id);
  };
  if (kind === 'vertices') {
    for (let v = 0; v < buffers.vertexEnd; v++) {
      if (buffers.shown[v]) take(v, buffers.toWorld(buffers.local(v)));
    }
  } else if (kind === 'edges') {
    for (let e = 0; e < buffers.edgeEnd; e++)
      if (buffers.hasEdge(e)) take(e, pointOn(view, e, 0.5));
  } else {
    for (let f = 0; f < buffers.faceEnd; f++) {
      if (buffers.hasFace(f) && !view.hiddenFaces.has(f)) take(f, view.middleOf(f));
    }
  }
  return found;
}

function holds(line: readonly { x: number; y: number }[], p: { x: number; y: number }): boolean {
  let inside = false;
  for (let i = 0, j = line.length - 1; i < line.length; j = i++) {
    const a = line[i]!;
    const b = line[j]!;
    if (a.y > p.y !== b.y > p.y && p.x < ((b.x - a.x) * (p.y - a.y)) / (b.y - a.y) + a.x) {
      inside = !inside;
    }
  }
  return inside;
}

/** The edge that is aimed at; -1 for none. */
export function edgeAt(stage: StageView, at: { x: number; y: number }): number {
  const picked = pick(stage, at.x, at.y, { faces: false, vertices: false, division: 0 });
  return picked?.on === 'edge' ? picked.id : -1;
}
