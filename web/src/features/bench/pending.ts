import { useEffect, useRef, useState } from 'react';
import {
  api,
  ApiProblem,
  type Anchor,
  type Change,
  type Preview,
  type View,
} from '../../api/client';
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
  /** Whether that is what the change as it is now would do. */
  current: boolean;
}

const TRY_AGAIN_MS = 2000;

interface Shown {
  preview: Preview | null;
  problem: ApiProblem | null;
  asked: string;
}

interface Wanted {
  workpiece: string;
  revision: number;
  change: Change;
  view: View;
  key: string;
}

/**
 * What a change would do, asked of the core whenever it changes: one request at a time, the newest
 * wins, and the last answer stays in view until the next is there.
 */
export function usePreview(
  workpiece: string,
  revision: number,
  change: Change | null,
  view: View | null,
): Previewed {
  const [shown, setShown] = useState<Shown>({
    preview: null,
    problem: null,
    asked: '',
  });
  const wanted = useRef<Wanted | null>(null);
  const running = useRef(false);
  const [tries, setTries] = useState(0);
  const key = change && view ? JSON.stringify([workpiece, revision, change]) : '';

  useEffect(() => {
    wanted.current = change && view ? { workpiece, revision, change, view, key } : null;
    const run = async () => {
      if (running.current) return;
      running.current = true;
      try {
        for (let next = wanted.current; next; next = wanted.current) {
          wanted.current = null;
          try {
            const { change, view } = next;
            const preview = await api.preview(next.workpiece, next.revision, change, view);
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
  }, [key, tries]);

  // A connection that was lost is tried for again, until it is back.
  const offline = shown.problem?.offline === true;
  useEffect(() => {
    if (!offline) return;
    const timer = setInterval(() => setTries((n) => n + 1), TRY_AGAIN_MS);
    return () => clearInterval(timer);
  }, [offline]);

  if (!change) return { preview: null, problem: null, current: false };
  return { preview: shown.preview, problem: shown.problem, current: shown.asked === key };
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
