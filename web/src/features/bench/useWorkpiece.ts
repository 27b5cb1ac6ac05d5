import { useCallback, useEffect, useRef, useState } from 'react';
import { api, ApiProblem, type Change, type Stepped, type View, type Workpiece } from '../../api/client';
import { MeshBuffers } from '../../mesh/MeshBuffers';
import { readWire } from '../../mesh/wire';

export interface OpenWorkpiece {
  state: Workpiece;
  mesh: MeshBuffers;
  /** Counts the patches of the mesh. */
  version: number;
}

export interface WorkpieceControl {
  open: OpenWorkpiece | null;
  error: unknown;
  /** What the last request was refused for. */
  problem: ApiProblem | null;
  busy: boolean;
  step: (change: Change, view: View) => Promise<boolean>;
  undo: () => Promise<boolean>;
  redo: () => Promise<boolean>;
  reload: () => Promise<void>;
  forgive: () => void;
}

/** A student's working copy: its state and mesh, kept in step with the server by deltas. */
export function useWorkpiece(exercise: string): WorkpieceControl {
  const [open, setOpen] = useState<OpenWorkpiece | null>(null);
  const [error, setError] = useState<unknown>(null);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [busy, setBusy] = useState(false);
  const moving = useRef(false);

  const reload = useCallback(async () => {
    try {
      const state = await api.openWorkpiece(exercise);
      const mesh = MeshBuffers.read(await api.workpieceMesh(state.id));
      setOpen({ state, mesh, version: mesh.version });
      setError(null);
      setProblem(null);
    } catch (e) {
      setError(e);
    }
  }, [exercise]);

  useEffect(() => {
    void reload();
  }, [reload]);

  const take = async (reply: Stepped) => {
    const mesh = open!.mesh;
    if (!mesh.apply(readWire(reply.buffer, reply.meshAt))) {
      await reload();
      return;
    }
    setOpen({ state: reply.state, mesh, version: mesh.version });
  };

  /** One move at a time; a stale one shows how things stand now. */
  const move = async (call: (state: Workpiece) => Promise<Stepped>): Promise<boolean> => {
    if (!open || moving.current) return false;
    moving.current = true;
    setBusy(true);
    setProblem(null);
    try {
      await take(await call(open.state));
      return true;
    } catch (e) {
      const known = e instanceof ApiProblem ? e : new ApiProblem(0, 'This did not work', String(e));
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
    step: (change, view) => move((s) => api.step(s.id, s.revision, change, view)),
    undo: () => move((s) => api.undo(s.id, s.revision)),
    redo: () => move((s) => api.redo(s.id, s.revision)),
    reload,
    forgive: () => setProblem(null),
  };
}
