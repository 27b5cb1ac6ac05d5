import { useCallback, useEffect, useRef, useState } from 'react';
import {
  api,
  ApiProblem,
  asProblem,
  type Change,
  type Schemas,
  type Stands,
  type Stepped,
  type View,
  type Workpiece,
  type WorkpiecePlace,
} from '../../api/client';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import { readWire } from '../../mesh/wire';
import { useOtherWindows } from './useOtherWindows';

/** A hand that has made no move for so long rests. */
const REST_MS = 250;

export interface OpenWorkpiece {
  state: Workpiece;
  mesh: MeshBuffers;
  /** Counts the patches of the mesh. */
  version: number;
}

/** Where a part comes from. */
export type Incoming =
  { form: string } | { workpiece: string } | { file: File; meant: { unit: string; up: string } };

export interface WorkpieceControl {
  open: OpenWorkpiece | null;
  error: unknown;
  /** What the last request was refused for. */
  problem: ApiProblem | null;
  busy: boolean;
  /** @param hidden faces that are not meant: refused where one would be altered */
  step: (change: Change, view: View, hidden?: readonly number[]) => Promise<boolean>;
  /** A part from the shelf, from a workpiece of one's own, or from a file. */
  bring: (from: Incoming, view: View) => Promise<boolean>;
  undo: () => Promise<boolean>;
  redo: () => Promise<boolean>;
  /** To the state after any step ever made; null for the starter. */
  goTo: (step: number | null) => Promise<boolean>;
  nameStep: (step: number, name: string) => Promise<void>;
  reload: () => Promise<void>;
  forgive: () => void;
}

async function load(place: WorkpiecePlace): Promise<OpenWorkpiece> {
  const state = await api.openWorkpiece(place);
  const mesh = MeshBuffers.read(await api.workpieceMesh(state.id));
  return { state, mesh, version: mesh.version };
}

/** The state after a move. */
export function moved(before: Workpiece, now: Stands): Workpiece {
  if ('head' in now) return went(before, now);
  if (!('step' in now)) return now;
  return {
    ...before,
    revision: now.revision,
    steps: [...before.steps, now.step],
    canUndo: true,
    canRedo: false,
    keptAt: now.step.madeAt,
    check: now.check ?? before.check,
    checked: now.check !== null,
    chosen: now.chosen,
  };
}

/** The state at another of the steps that are known. */
function went(before: Workpiece, now: Schemas['WentView']): Workpiece {
  const all = [...before.steps, ...before.others].sort((a, b) => a.id - b.id);
  const byId = new Map(all.map((step) => [step.id, step]));
  const steps: Schemas['StepView'][] = [];
  for (let at = now.head; at !== null;) {
    const step = byId.get(at)!;
    steps.push(step);
    at = step.parent;
  }
  steps.reverse();
  const inForce = new Set(steps);
  return {
    ...before,
    revision: now.revision,
    steps,
    others: all.filter((step) => !inForce.has(step)),
    canUndo: now.head !== null,
    canRedo: all.some((step) => step.parent === now.head),
    check: now.check ?? before.check,
    checked: now.check !== null,
    chosen: [],
  };
}

/** A student's working copy: its state and mesh, kept in step with the server by deltas. */
export function useWorkpiece(place: WorkpiecePlace): WorkpieceControl {
  const [open, setOpen] = useState<OpenWorkpiece | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [busy, setBusy] = useState(false);
  const moving = useRef(false);

  const show = useCallback((next: OpenWorkpiece) => {
    setOpen(next);
    setError(null);
    setProblem(null);
  }, []);

  const reload = useCallback(() => load(place).then(show, setError), [place, show]);

  useEffect(() => {
    let here = true;
    load(place).then(
      (next) => here && show(next),
      (e: unknown) => here && setError(e),
    );
    return () => {
      here = false;
    };
  }, [place, show]);

  const take = async (reply: Stepped) => {
    const mesh = open!.mesh;
    if (!mesh.apply(readWire(reply.buffer, reply.meshAt))) {
      await reload();
      return;
    }
    setOpen((now) => ({ state: moved(now!.state, reply.state), mesh, version: mesh.version }));
  };

  // A large mesh is checked after its step was kept, once the hand rests: the page is to show the
  // step first, and whoever cuts on at once asks for none.
  const waiting =
    open && !(open.state.checked && open.state.steps.every((step) => step.checked))
      ? open.state
      : null;
  const [waitingFor, waitingAt] = [waiting?.id, waiting?.revision];
  useEffect(() => {
    if (waitingFor === undefined) return;
    let here = true;
    const fetch = () =>
      api.workpiece(waitingFor).then(
        (state) => {
          if (!here) return;
          setOpen((now) =>
            now && now.state.revision === state.revision ? { ...now, state } : now,
          );
        },
        (e: unknown) => here && setProblem(asProblem(e)),
      );
    const rest = setTimeout(() => void fetch(), REST_MS);
    return () => {
      here = false;
      clearTimeout(rest);
    };
  }, [waitingFor, waitingAt]);

  const lookAbout = useOtherWindows(open?.state.id, open?.state.revision, async () => {
    if (!open || moving.current) return;
    const now = await api.since(open.state.id, open.state.revision);
    // A move of this window may have begun meanwhile: its reply tells all.
    if (now && !moving.current) await take(now);
  });

  /** One move at a time; a stale one shows how things stand now. */
  const move = async (call: (state: Workpiece) => Promise<Stepped>): Promise<boolean> => {
    if (!open || moving.current) return false;
    moving.current = true;
    setBusy(true);
    setProblem(null);
    try {
      await take(await call(open.state));
      lookAbout();
      return true;
    } catch (e) {
      const known = asProblem(e);
      if (known.status === 409) await reload();
      setProblem(known);
      return false;
    } finally {
      moving.current = false;
      setBusy(false);
    }
  };

  return {
    open,
    error,
    problem,
    busy,
    step: (change, view, hidden = []) =>
      move((s) => api.step(s.id, s.revision, change, view, hidden)),
    bring: (from, view) =>
      move((s) =>
        'file' in from
          ? api.bringFile(s.id, s.revision, from.file, from.meant)
          : api.bring(s.id, s.revision, view, from),
      ),
    undo: () => move((s) => api.undo(s.id, s.revision)),
    redo: () => move((s) => api.redo(s.id, s.revision)),
    goTo: (step) => move((s) => api.goTo(s.id, s.revision, step)),
    nameStep: async (step, name) => {
      if (!open) return;
      try {
        const state = await api.nameStep(open.state.id, step, name);
        setOpen((now) => (now && now.state.revision === state.revision ? { ...now, state } : now));
      } catch (e) {
        if (e instanceof ApiProblem) setProblem(e);
      }
    },
    reload,
    forgive: () => setProblem(null),
  };
}
