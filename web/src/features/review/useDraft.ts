import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import { api, ApiProblem, type Answer, type Note } from '../../api/client';
import { queries } from '../../api/queries';

export interface Draft {
  word: string;
  verdict: Answer['verdict'];
  notes: Note[];
}

const PAUSE_MS = 500;

function nameOf(id: string): string {
  return `fair-edge-answer-${id}`;
}

function keptHere(id: string, revision: number): Draft | null {
  const text = localStorage.getItem(nameOf(id));
  if (!text) return null;
  try {
    const kept = JSON.parse(text) as { revision: number; draft: Draft };
    return kept.revision === revision ? kept.draft : null;
  } catch {
    return null;
  }
}

/**
 * The answer being written: kept on this machine at once, on the server after a pause, so that nothing
 * typed is lost by a reload or a lost connection.
 */
export function useDraft(id: string, answer: Answer) {
  const client = useQueryClient();
  const [draft, setDraft] = useState<Draft>(
    () =>
      keptHere(id, answer.revision) ?? {
        word: answer.word,
        verdict: answer.verdict,
        notes: answer.notes,
      },
  );
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [unsaved, setUnsaved] = useState(() => keptHere(id, answer.revision) !== null);
  const revision = useRef(answer.revision);
  const newest = useRef(draft);
  const saving = useRef<Promise<void> | null>(null);

  const save = useCallback((): Promise<void> => {
    saving.current ??= (async () => {
      try {
        for (let sent: Draft | null = null; sent !== newest.current;) {
          sent = newest.current;
          const kept = await api.keepDraft(id, { revision: revision.current, ...sent });
          revision.current = kept.revision;
        }
        localStorage.removeItem(nameOf(id));
        setUnsaved(false);
        setProblem(null);
      } catch (e) {
        if (e instanceof ApiProblem) setProblem(e);
        throw e;
      } finally {
        saving.current = null;
      }
    })();
    return saving.current;
  }, [id]);

  useEffect(() => {
    if (!unsaved) return;
    // A failure stays in view as the problem, and the draft on this machine.
    const timer = setTimeout(() => save().catch(() => undefined), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [draft, unsaved, save]);

  const change = (next: Partial<Draft>) => {
    const whole = { ...newest.current, ...next };
    newest.current = whole;
    localStorage.setItem(nameOf(id), JSON.stringify({ revision: revision.current, draft: whole }));
    setDraft(whole);
    setUnsaved(true);
  };

  /** Keeps what is there and returns it to the student. */
  const giveBack = async (): Promise<boolean> => {
    try {
      if (unsaved || revision.current === 0) await save();
      await api.giveBack(id, revision.current);
      await client.invalidateQueries(queries.desk());
      client.removeQueries(queries.review(id));
      return true;
    } catch (e) {
      if (e instanceof ApiProblem) setProblem(e);
      return false;
    }
  };

  return { draft, change, unsaved, problem, giveBack, retry: () => save().catch(() => undefined) };
}
