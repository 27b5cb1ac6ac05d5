import { useEffect, useRef, useState } from 'react';
import {
  api,
  asProblem,
  type ApiProblem,
  type Anchor,
  type Change,
  type Preview,
  type View,
} from '../../api/client';
import type { Point } from '../../mesh/MeshBuffers';
import type { Picked } from '../../stage/pick';

/** A placed point of a trace: what the core is told, and where it is drawn. */
export interface PendingPoint {
  anchor: Anchor;
  view: View;
  at: Point;
}

/** Points placed one after the other; a freehand stroke is a run that is thinned. */
export interface Run {
  points: readonly PendingPoint[];
  /** Whether the next click begins another run. */
  closed: boolean;
  thin: number;
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

/** How many points count so far: a run ends on a vertex, an edge or off the model, or closes. */
export function finished(run: Run): number {
  let count = run.points.length;
  if (run.closed) return count;
  while (count > 0 && run.points[count - 1]!.anchor.on === 'face') count--;
  return count;
}

export interface Previewed {
  preview: Preview | null;
  problem: ApiProblem | null;
  /** Whether that is what the change as it is now would do. */
  current: boolean;
  /** Tells a change on a state from any other. */
  key: string;
}

const TRY_AGAIN_MS = 2000;
/** After so long without another wish it is asked what the check would say. */
const CHECK_AFTER_MS = 90;
/** The same where the check costs so much that a moving hand would feel it. */
const CHECK_LARGE_AFTER_MS = 400;
const LARGE = 20_000;

interface Shown {
  preview: Preview | null;
  problem: ApiProblem | null;
  asked: string;
}

/** What was told later, unless that is less: answers need not come in the order of the questions. */
function unlessChecked(now: Shown, next: Shown): Shown {
  return now.asked === next.asked && now.preview?.checked ? now : next;
}

interface Wanted {
  workpiece: string;
  revision: number;
  change: Change;
  view: View;
  hidden: readonly number[];
  key: string;
}

function ask(wanted: Wanted, findings: boolean, stop?: AbortSignal) {
  const { workpiece, revision, change, view, hidden } = wanted;
  return api.preview(workpiece, revision, change, view, hidden, findings, stop);
}

/** A change that limits itself to what is seen says so itself. */
export function sparedBy(change: Change, hidden: readonly number[]): readonly number[] {
  return 'scope' in change ? [] : hidden;
}

/**
 * What a change would do, asked of the core whenever it changes: one request at a time, the newest
 * wins, and the last answer stays in view until the next is there. First what it would do, which is
 * quick; once the hand rests, what the check would say of it, which nothing newer waits for.
 *
 * @param isTold whether it is told what the check would say
 * @param hidden faces that are not meant
 */
export function usePreview(
  workpiece: string,
  revision: number,
  change: Change | null,
  view: View | null,
  faces: number,
  isTold = true,
  hidden: readonly number[] = [],
): Previewed {
  const [shown, setShown] = useState<Shown>({
    preview: null,
    problem: null,
    asked: '',
  });
  const wanted = useRef<Wanted | null>(null);
  const running = useRef(false);
  const [tries, setTries] = useState(0);
  const spared = change ? sparedBy(change, hidden) : [];
  const key = change && view ? JSON.stringify([workpiece, revision, change, spared]) : '';

  useEffect(() => {
    const wish: Wanted | null =
      change && view ? { workpiece, revision, change, view, hidden: spared, key } : null;
    wanted.current = wish;
    const run = async () => {
      if (running.current) return;
      running.current = true;
      try {
        for (let next = wanted.current; next; next = wanted.current) {
          wanted.current = null;
          try {
            const preview = await ask(next, false);
            setShown((now) => unlessChecked(now, { preview, problem: null, asked: next.key }));
          } catch (e) {
            const problem = asProblem(e);
            setShown((now) => unlessChecked(now, { preview: null, problem, asked: next.key }));
          }
        }
      } finally {
        running.current = false;
      }
    };
    void run();
    const outdated = new AbortController();
    const rest = faces > LARGE ? CHECK_LARGE_AFTER_MS : CHECK_AFTER_MS;
    const check = async () => {
      if (!wish || !isTold) return;
      let found: Shown;
      try {
        found = {
          preview: await ask(wish, true, outdated.signal),
          problem: null,
          asked: wish.key,
        };
      } catch (e) {
        found = { preview: null, problem: asProblem(e), asked: wish.key };
      }
      if (outdated.signal.aborted) return;
      setShown((now) => unlessChecked(now, found));
      // A request of before that came in after this one had it put off: it is asked once more.
      if (found.preview?.checked === false) later = setTimeout(() => void check(), rest);
    };
    let later = setTimeout(() => void check(), rest);
    return () => {
      clearTimeout(later);
      outdated.abort();
    };
    // The key stands for change and revision; the view matters only when they change.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [key, tries, isTold]);

  // A connection that was lost is tried for again, until it is back.
  const offline = shown.problem?.offline === true;
  useEffect(() => {
    if (!offline) return;
    const timer = setInterval(() => setTries((n) => n + 1), TRY_AGAIN_MS);
    return () => clearInterval(timer);
  }, [offline]);

  if (!change) return { preview: null, problem: null, current: false, key };
  // What was said of a mesh that is no more is said no more.
  const preview = shown.preview?.revision === revision ? shown.preview : null;
  return { preview, problem: shown.problem, current: shown.asked === key, key };
}

/** Placed points survive a reload, as long as the mesh is the one that they were placed on. */
export function keepRuns(workpiece: string, revision: number, runs: readonly Run[]) {
  const name = `fair-edge-trace-${workpiece}`;
  if (runs.length === 0) sessionStorage.removeItem(name);
  else sessionStorage.setItem(name, JSON.stringify({ revision, runs }));
}

export function keptRuns(workpiece: string, revision: number): Run[] {
  const text = sessionStorage.getItem(`fair-edge-trace-${workpiece}`);
  if (!text) return [];
  try {
    const kept = JSON.parse(text) as { revision: number; runs?: Run[] };
    return kept.revision === revision ? (kept.runs ?? []) : [];
  } catch {
    return [];
  }
}
