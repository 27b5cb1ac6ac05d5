import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, asProblem, type ApiProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';

export type EditorData = Schemas['EditorView'];
export type Draft = Schemas['Draft'];
export type Section = Schemas['Missing']['section'];
export type EditorControl = ReturnType<typeof useEditor>;

/** So long nothing was written before it is kept. */
const KEEP_AFTER_MS = 700;

/**
 * An exercise as it is written: what is typed is kept by itself a moment later, one request at a
 * time, each on the revision that the one before it made.
 */
export function useEditor(opened: EditorData) {
  const { id } = opened;
  const client = useQueryClient();
  const { data = opened } = useQuery(queries.exercise(id));
  const [draft, setDraft] = useState<Draft>(opened.draft);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [busy, setBusy] = useState(false);
  const [kept, setKept] = useState<Draft>(opened.draft);
  const state = useRef({ draft, kept: opened.draft, revision: opened.revision, running: false });
  const waiting = useRef<ReturnType<typeof setTimeout>>(undefined);

  const take = useCallback(
    (now: EditorData) => {
      state.current.revision = now.revision;
      client.setQueryData(queries.exercise(id).queryKey, now);
    },
    [client, id],
  );

  /** Keeps what is not kept yet; whether all of it is then. */
  const keep = useCallback(async (): Promise<boolean> => {
    clearTimeout(waiting.current);
    const at = state.current;
    while (at.running) await new Promise((go) => setTimeout(go, 20));
    at.running = true;
    try {
      while (at.draft !== at.kept) {
        const sent = at.draft;
        take(await api.keepExercise(id, { revision: at.revision, ...sent }));
        at.kept = sent;
        setKept(sent);
        setProblem(null);
      }
      return true;
    } catch (e) {
      setProblem(asProblem(e));
      return false;
    } finally {
      at.running = false;
    }
  }, [id, take]);

  const change = useCallback(
    (part: Partial<Draft>) => {
      const next = { ...state.current.draft, ...part };
      state.current.draft = next;
      setDraft(next);
      clearTimeout(waiting.current);
      waiting.current = setTimeout(() => void keep(), KEEP_AFTER_MS);
    },
    [keep],
  );

  // Who goes away leaves nothing unkept behind.
  useEffect(() => {
    const leaving = () => void keep();
    window.addEventListener('pagehide', leaving);
    return () => {
      window.removeEventListener('pagehide', leaving);
      leaving();
    };
  }, [keep]);

  /** Writes what is kept elsewhere over what is here. */
  const write = (theirs: Draft) => {
    state.current.draft = state.current.kept = theirs;
    setDraft(theirs);
    setKept(theirs);
  };

  /** Does something else with the exercise, once all is kept; what comes of it is shown. */
  const act = async (work: (revision: number) => Promise<EditorData>, rewrites = false) => {
    setBusy(true);
    try {
      if (!(await keep())) return false;
      const now = await work(state.current.revision);
      if (rewrites) {
        write(now.draft);
      }
      take(now);
      setProblem(null);
      await client.invalidateQueries({ queryKey: ['exercises'] });
      await client.invalidateQueries({ queryKey: ['assignments'] });
      await client.invalidateQueries({ queryKey: ['starter', id] });
      return true;
    } catch (e) {
      setProblem(asProblem(e));
      return false;
    } finally {
      setBusy(false);
    }
  };

  /** Takes over what was written elsewhere meanwhile; what is here goes. */
  const takeTheirs = async () => {
    const now = await api.exercise(id);
    write(now.draft);
    take(now);
    setProblem(null);
  };

  return {
    data,
    draft,
    change,
    keep,
    act,
    takeTheirs,
    busy,
    problem,
    unkept: draft !== kept,
  };
}
