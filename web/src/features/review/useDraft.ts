import { useQueryClient } from '@tanstack/react-query';
import { useCallback, useEffect, useRef, useState } from 'react';
import {
  api,
  ApiProblem,
  newKey,
  type Answer,
  type Note,
  type Review,
  type Schemas,
} from '../../api/client';
import { queries } from '../../api/queries';
import { draftName } from '../../trade/drafts';

export interface Draft {
  word: string;
  verdict: Answer['verdict'];
  notes: Note[];
  /** Of criteria by eye the word that was chosen, by name. */
  seen: Answer['seen'];
  /** What criteria get by hand, by name. */
  byHand: Answer['byHand'];
}

const PAUSE_MS = 500;

/** What of a review a draft is written against: the report whose findings its notes are about. */
export type Against = Pick<Review, 'id' | 'report' | 'answer'> & {
  check: Pick<Review['check'], 'findings'>;
};

interface Kept {
  revision: number;
  draft: Draft;
  /** Of the findings that the notes are about, by the note's number; of the report at that time. */
  keys: (string | null)[];
}

function keptHere(id: string): Kept | null {
  const text = localStorage.getItem(draftName(id));
  if (!text) return null;
  try {
    const kept = JSON.parse(text) as Partial<Kept>;
    if (!kept.draft || typeof kept.revision !== 'number') return null;
    const draft = { ...kept.draft, seen: kept.draft.seen ?? {}, byHand: kept.draft.byHand ?? {} };
    return { revision: kept.revision, draft, keys: kept.keys ?? [] };
  } catch {
    return null;
  }
}

function draftOf(answer: Answer): Draft {
  const { word, verdict, notes, seen, byHand } = answer;
  return { word, verdict, notes, seen, byHand };
}

/** Whether an answer is being written: neither out nor on its way. */
export function isWritten(answer: Pick<Answer, 'state'>): boolean {
  return answer.state === 'draft' || answer.state === 'ready';
}

/** Whether two drafts say the same; how they came to be is nothing to it. */
export function sayTheSame(a: Draft, b: Draft): boolean {
  const words = (draft: Draft) =>
    JSON.stringify([
      draft.word,
      draft.verdict,
      draft.notes.map((note) => [
        note.text,
        note.kind,
        note.element.kind,
        note.element.id,
        note.place,
        note.strokes,
        note.mend ?? null,
      ]),
      Object.entries(draft.seen).sort(),
      Object.entries(draft.byHand)
        .map(([name, given]) => [name, given.credits, given.reason])
        .sort(),
    ]);
  return words(a) === words(b);
}

/** A note as it is sent: its thread is its student's. */
function requestOf(note: Note, key: string | null): Schemas['NoteRequest'] {
  const { id, kind, text, finding, element, place, camera, strokes, phrase, mend } = note;
  return { id, kind, text, finding, key, element, place, camera, strokes, phrase, mend };
}

/** A note of a report of before, about the same finding in this one, or else about its place. */
function followed(kept: Kept, review: Against): Draft {
  const notes = kept.draft.notes.map((note, i) => {
    const key = kept.keys[i];
    const at = key ? review.check.findings.findIndex((finding) => finding.key === key) : -1;
    return { ...note, finding: at < 0 ? null : at };
  });
  return { ...kept.draft, notes };
}

/** Where a draft begins: with what was written here and never arrived, or what the server has. */
function begun(review: Against): { draft: Draft; unsaved: boolean; theirs: Answer | null } {
  const kept = keptHere(review.id);
  const there = draftOf(review.answer);
  if (!kept || !isWritten(review.answer)) {
    return { draft: there, unsaved: false, theirs: null };
  }
  const draft = followed(kept, review);
  if (sayTheSame(draft, there)) return { draft: there, unsaved: false, theirs: null };
  const isStale = kept.revision !== review.answer.revision;
  return { draft, unsaved: !isStale, theirs: isStale ? review.answer : null };
}

/**
 * The answer being written: kept on this machine at once, on the server after a pause, so that nothing
 * typed is lost by a reload, a lost connection or a lost reply. Where the answer was changed elsewhere
 * meanwhile, whoever writes chooses which is to stay.
 */
export function useDraft(review: Against) {
  const { id, answer } = review;
  const client = useQueryClient();
  const [start] = useState(() => begun(review));
  const [draft, setDraft] = useState(start.draft);
  const [problem, setProblem] = useState<ApiProblem | null>(null);
  const [unsaved, setUnsaved] = useState(start.unsaved);
  const [theirs, setTheirs] = useState(start.theirs);
  const [keptRevision, setKeptRevision] = useState(answer.revision);
  const revision = useRef(answer.revision);
  const newest = useRef(draft);
  const saving = useRef<Promise<void> | null>(null);
  const { findings } = review.check;
  const keysOf = useCallback(
    (of: Draft) =>
      of.notes.map((note) =>
        note.finding === null ? null : (findings[note.finding]?.key ?? null),
      ),
    [findings],
  );

  const save = useCallback((): Promise<void> => {
    saving.current ??= (async () => {
      try {
        for (let sent: Draft | null = null; sent !== newest.current;) {
          sent = newest.current;
          const keys = keysOf(sent);
          const kept = await api.keepDraft(id, {
            revision: revision.current,
            clientKey: newKey(),
            report: review.report,
            word: sent.word,
            verdict: sent.verdict,
            notes: sent.notes.map((note, i) => requestOf(note, keys[i] ?? null)),
            seen: sent.seen,
            byHand: sent.byHand,
          });
          revision.current = kept.revision;
          setKeptRevision(kept.revision);
        }
        localStorage.removeItem(draftName(id));
        setUnsaved(false);
        setProblem(null);
      } catch (e) {
        if (!(e instanceof ApiProblem)) throw e;
        const there = e.status === 409 ? (e.more.answer as Answer | undefined) : undefined;
        if (there && sayTheSame(draftOf(there), newest.current)) {
          // It was kept, and only the reply was lost.
          revision.current = there.revision;
          localStorage.removeItem(draftName(id));
          setUnsaved(false);
          setProblem(null);
          return;
        }
        if (there) {
          setTheirs(there);
          setUnsaved(false);
        }
        setProblem(e);
        throw e;
      } finally {
        saving.current = null;
      }
    })();
    return saving.current;
  }, [id, keysOf, review.report]);

  useEffect(() => {
    if (!unsaved) return;
    // A failure stays in view as the problem, and the draft on this machine.
    const timer = setTimeout(() => save().catch(() => undefined), PAUSE_MS);
    return () => clearTimeout(timer);
  }, [draft, unsaved, save]);

  const change = (next: Partial<Draft>) => {
    const whole = { ...newest.current, ...next };
    newest.current = whole;
    const kept: Kept = { revision: revision.current, draft: whole, keys: keysOf(whole) };
    localStorage.setItem(draftName(id), JSON.stringify(kept));
    setDraft(whole);
    if (!theirs) setUnsaved(true);
  };

  /** Of two answers, the one written here stays, or the one from elsewhere. */
  const choose = (mine: boolean) => {
    if (!theirs) return;
    revision.current = theirs.revision;
    setTheirs(null);
    setProblem(null);
    if (mine) {
      setUnsaved(true);
      return;
    }
    newest.current = draftOf(theirs);
    localStorage.removeItem(draftName(id));
    setDraft(newest.current);
  };

  /** Keeps what is there, and then does something with the answer as it is kept. */
  const finish = async (act: (revision: number) => Promise<unknown>): Promise<boolean> => {
    if (theirs) return false;
    try {
      if (unsaved || revision.current === 0) await save();
      await act(revision.current);
      void client.invalidateQueries({ queryKey: ['desk'] });
      client.removeQueries(queries.review(id));
      return true;
    } catch (e) {
      if (e instanceof ApiProblem) setProblem(e);
      return false;
    }
  };
  /** Gives it back to the student. */
  const giveBack = () => finish((at) => api.giveBack(id, at));
  /** Keeps it ready, to go out with others. */
  const keepReady = () => finish((at) => api.keepReady(id, at, true));

  const retry = () => save().catch(() => undefined);
  return {
    draft,
    change,
    unsaved,
    problem,
    theirs,
    choose,
    giveBack,
    keepReady,
    /** Keeps what is not kept yet. */
    keep: () => (unsaved || saving.current ? save() : Promise.resolve()),
    retry,
    keptRevision,
  };
}
