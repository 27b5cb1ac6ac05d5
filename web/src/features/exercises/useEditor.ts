import { useQuery, useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, asProblem, type ApiProblem, type Schemas } from '../../api/client';
import { queries } from '../../api/queries';
import { exerciseDraftName } from '../../trade/drafts';

export type EditorData = Schemas['EditorView'];
export type Draft = Schemas['Draft'];
export type Section = Schemas['Missing']['section'];
export type EditorControl = ReturnType<typeof useEditor>;

/** So long nothing was written before it is kept. */
const KEEP_AFTER_MS = 700;

interface Unsent {
  revision: number;
  draft: Draft;
}

/** What was typed here and never arrived: kept on this machine from the first letter on. */
function unsentOf({ id, isMine }: EditorData): Unsent | null {
  const text = localStorage.getItem(exerciseDraftName(id));
  if (!text || !isMine) return null;
  try {
    const unsent = JSON.parse(text) as Partial<Unsent>;
    return unsent.draft && typeof unsent.revision === 'number' ? (unsent as Unsent) : null;
  } catch {
    return null;
  }
}

/**
 * An exercise as it is written: what is typed is kept on this machine at once and on the server a
 * moment later, one request at a time, each on the revision that the one before it made. What never
 * arrived is sent when the exercise is opened again.
 */
export function useEditor(opened: EditorData) {
  const { id } = opened;
  const client = useQueryClient();
  const { data = opened } = useQuery(queries.exercise(id));
  const [begun] = useState(() => ({
    draft: opened.draft,
    revision: opened.revision,
    ...unsentOf(opened),
  }));
  const [draft, setDraft] = useState<Draft>(begun.draft);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [busy, setBusy] = useState(false);
  const [kept, setKept] = useState<Draft>(opened.draft);
  const state = useRef({ draft, kept: opened.draft, revision: begun.revision, running: false });
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
      localStorage.removeItem(exerciseDraftName(id));
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
      const unsent: Unsent = { revision: state.current.revision, draft: next };
      localStorage.setItem(exerciseDraftName(id), JSON.stringify(unsent));
      clearTimeout(waiting.current);
      waiting.current = setTimeout(() => void keep(), KEEP_AFTER_MS);
    },
    [id, keep],
  );

  // Who goes away leaves nothing unkept behind.
  useEffect(() => {
    void keep();
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
    localStorage.removeItem(exerciseDraftName(id));
    setDraft(theirs);
    setKept(theirs);
  };

  /**
   * Does something else with the exercise, once all is kept; what comes of it is shown.
   *
   * @param rewrites whether it writes on the draft
   * @param staysHere whether nothing of it is seen in lists, nor in the starter
   */
  const act = async (
    work: (revision: number) => Promise<EditorData>,
    rewrites = false,
    staysHere = false,
  ) => {
    setBusy(true);
    try {
      if (!(await keep())) return false;
      const now = await work(state.current.revision);
      if (rewrites) {
        write(now.draft);
      }
      take(now);
      setProblem(null);
      if (!staysHere) {
        await client.invalidateQueries({ queryKey: ['exercises'] });
        await client.invalidateQueries({ queryKey: ['assignments'] });
        await client.invalidateQueries({ queryKey: ['starter', id] });
      }
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
