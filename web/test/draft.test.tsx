import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, ApiProblem, type Answer, type Note } from '../src/api/client';
import { useDraft, type Against } from '../src/features/review/useDraft';
import { draftName, forgetDrafts } from '../src/trade/drafts';

const ID = 'sheet-1';

const noAnswer: Answer = {
  revision: 0,
  word: '',
  verdict: null,
  notes: [],
  seen: {},
  byHand: {},
  state: 'draft',
  said: 0,
  returnedAt: null,
  returnedBy: null,
  writtenBy: null,
};

function review(answer: Answer, report = 0, keys: string[] = ['pole 3', 'ngon 7']): Against {
  const findings = keys.map((key) => ({ key }) as Against['check']['findings'][number]);
  return { id: ID, report, answer, check: { findings } };
}

function note(text: string, finding: number | null): Note {
  return {
    id: text,
    kind: 'mend',
    text,
    finding,
    element: { kind: 'face', id: 7, ends: null },
    place: { x: 0, y: 0, z: 0 },
    camera: null,
    strokes: [],
    phrase: null,
    mend: null,
    thread: null,
  };
}

function Around({ children }: { children: ReactNode }) {
  return <QueryClientProvider client={new QueryClient()}>{children}</QueryClientProvider>;
}

const open = (against: Against) => renderHook(() => useDraft(against), { wrapper: Around });

function kept(revision: number) {
  return vi
    .spyOn(api, 'keepDraft')
    .mockImplementation((_, draft) => Promise.resolve({ ...noAnswer, word: draft.word, revision }));
}

function refusedWith(there: Answer) {
  return vi
    .spyOn(api, 'keepDraft')
    .mockRejectedValueOnce(new ApiProblem(409, 'Changed', 'Elsewhere.', { answer: there }));
}

describe('the draft of an answer', () => {
  beforeEach(() => localStorage.clear());
  afterEach(() => {
    cleanup();
    vi.restoreAllMocks();
  });

  it('is sent with the report that its notes are about, and the keys of their findings', async () => {
    const sent = kept(1);
    const { result } = open(review(noAnswer, 4));
    act(() => result.current.change({ notes: [note('Lift this edge.', 1)] }));
    await waitFor(() => expect(sent).toHaveBeenCalled());
    expect(sent.mock.calls[0]![1]).toMatchObject({
      report: 4,
      notes: [{ finding: 1, key: 'ngon 7' }],
    });
    await waitFor(() => expect(localStorage.getItem(draftName(ID))).toBeNull());
  });

  it('goes on where it was kept and only the reply was lost', async () => {
    refusedWith({ ...noAnswer, word: 'Good.', revision: 3 });
    const { result } = open(review(noAnswer));
    act(() => result.current.change({ word: 'Good.' }));
    await waitFor(() => expect(result.current.unsaved).toBe(false));
    expect(result.current.theirs).toBeNull();
    const sent = kept(4);
    act(() => result.current.change({ word: 'Good. Now the rim.' }));
    await waitFor(() => expect(sent.mock.lastCall![1].revision).toBe(3));
  });

  it('asks where another was written elsewhere, and loses neither', async () => {
    const there = { ...noAnswer, word: 'From the other window.', revision: 5 };
    refusedWith(there);
    const { result } = open(review(noAnswer));
    act(() => result.current.change({ word: 'Mine.' }));
    await waitFor(() => expect(result.current.theirs).toEqual(there));
    expect(result.current.draft.word).toBe('Mine.');
    const sent = kept(6);
    act(() => result.current.choose(true));
    await waitFor(() =>
      expect(sent.mock.lastCall![1]).toMatchObject({ revision: 5, word: 'Mine.' }),
    );
  });

  it('is there after a reload, though the server went on meanwhile', () => {
    localStorage.setItem(
      draftName(ID),
      JSON.stringify({
        revision: 1,
        draft: { word: 'Mine.', verdict: null, notes: [note('Here.', 0)] },
        keys: ['ngon 7'],
      }),
    );
    const there = { ...noAnswer, word: 'Theirs.', revision: 2 };
    // The report is another by now, in which that finding has another number.
    const { result } = open(review(there, 1, ['spiral 1', 'pole 3', 'ngon 7']));
    expect(result.current.draft).toMatchObject({ word: 'Mine.', notes: [{ finding: 2 }] });
    expect(result.current.theirs).toEqual(there);
    act(() => result.current.choose(false));
    expect(result.current.draft.word).toBe('Theirs.');
    expect(localStorage.getItem(draftName(ID))).toBeNull();
  });

  it('goes with whoever signs out', () => {
    localStorage.setItem(draftName(ID), '{}');
    localStorage.setItem('theme', 'night');
    forgetDrafts();
    expect(localStorage.getItem(draftName(ID))).toBeNull();
    expect(localStorage.getItem('theme')).toBe('night');
  });
});
