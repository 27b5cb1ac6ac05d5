import { useEffect, useRef, useState } from 'react';
import { api, ApiProblem, type Anchor, type Change, type Preview, type View } from '../../api/client';
import type { Point } from '../../mesh/MeshBuffers';
import type { Picked } from '../../stage/pick';

export type Tool = 'trace' | 'loops';

/** A placed point of a trace: what the core is told, and where it is drawn. */
export interface PendingPoint {
  anchor: Anchor;
  view: View;
  at: Point;
}

export interface PendingLoop {
  edge: number;
  fraction: number;
}

export function anchorOf(picked: Picked): Anchor {
  switch (picked.on) {
    case 'vertex':
      return { on: 'vertex', vertex: picked.id };
    case 'edge':
      return { on: 'edge', edge: picked.id, t: picked.t };
    case 'face':
      return { on: 'face', face: picked.id, at: picked.at };
  }
}

export function traceOf(points: readonly PendingPoint[]): Change {
  return { tool: 'trace', points: points.map(({ anchor, view }) => ({ anchor, view })) };
}

export function loopsOf(loop: PendingLoop): Change {
  return { tool: 'loops', edge: loop.edge, fraction: loop.fraction };
}

/** How many points count so far: a trace ends on a vertex or an edge. */
export function finished(points: readonly PendingPoint[]): number {
  let count = points.length;
  while (count > 0 && points[count - 1]!.anchor.on === 'face') count--;
  return count;
}

export interface Previewed {
  preview: Preview | null;
  problem: ApiProblem | null;
}

/**
 * What a change would do, asked of the core whenever it changes: one request at a time, the newest
 * wins, and the last answer stays in view until the next is there.
 */
export function usePreview(
  workpiece: string | undefined,
  revision: number | undefined,
  change: Change | null,
  view: View | null,
): Previewed {
  const [shown, setShown] = useState<Previewed & { asked: string }>({
    preview: null,
    problem: null,
    asked: '',
  });
  const wanted = useRef<{ change: Change; view: View; key: string } | null>(null);
  const running = useRef(false);
  const key = change && workpiece ? JSON.stringify([workpiece, revision, change]) : '';

  useEffect(() => {
    wanted.current = change && view ? { change, view, key } : null;
    const run = async () => {
      if (running.current || !workpiece || revision === undefined) return;
      running.current = true;
      try {
        for (let next = wanted.current; next; next = wanted.current) {
          wanted.current = null;
          try {
            const preview = await api.preview(workpiece, revision, next.change, next.view);
            setShown({ preview, problem: null, asked: next.key });
          } catch (e) {
            if (e instanceof ApiProblem) setShown({ preview: null, problem: e, asked: next.key });
          }
        }
      } finally {
        running.current = false;
      }
    };
    void run();
    // The key stands for change and revision; the view matters only when they change.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key]);

  return change ? shown : { preview: null, problem: null };
}

/** Placed points survive a reload, as long as the mesh is the one that they were placed on. */
export function keepPoints(workpiece: string, revision: number, points: readonly PendingPoint[]) {
  const name = `fair-edge-trace-${workpiece}`;
  if (points.length === 0) sessionStorage.removeItem(name);
  else sessionStorage.setItem(name, JSON.stringify({ revision, points }));
}

export function keptPoints(workpiece: string, revision: number): PendingPoint[] {
  const text = sessionStorage.getItem(`fair-edge-trace-${workpiece}`);
  if (!text) return [];
  try {
    const kept = JSON.parse(text) as { revision: number; points: PendingPoint[] };
    return kept.revision === revision ? kept.points : [];
  } catch {
    return [];
  }
}
