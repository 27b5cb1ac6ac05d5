import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import type { ReactNode } from 'react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, ApiProblem } from '../src/api/client';
import { useEditor, type EditorData } from '../src/features/exercises/useEditor';
import { exerciseDraftName, forgetDrafts } from '../src/trade/drafts';

const opened = (revision: number, title: string) =>
  ({ id: 'e', isMine: true, revision, draft: { title, summary: '' } }) as unknown as EditorData;

function edit(data: EditorData) {
  const client = new QueryClient({ defaultOptions: { queries: { retry: false } } });
  client.setQueryData(['exercise', 'e'], data);
  vi.spyOn(api, 'exercise').mockResolvedValue(data);
  return renderHook(() => useEditor(data), {
    wrapper: ({ children }: { children: ReactNode }) => (
      <QueryClientProvider client={client}>{children}</QueryClientProvider>
    ),
  });
}

/** Keeps what it is sent, as the server does. */
function keeps() {
  return vi
    .spyOn(api, 'keepExercise')
    .mockImplementation((_, { revision, title }) => Promise.resolve(opened(revision + 1, title)));
}

const here = () => localStorage.getItem(exerciseDraftName('e'));

beforeEach(() => {
  vi.restoreAllMocks();
  localStorage.clear();
});

afterEach(cleanup);

describe('an exercise that is written', () => {
  it('is kept a moment later, all that was typed at once', async () => {
    const kept = keeps();
    const hook = edit(opened(3, 'a'));
    act(() => hook.result.current.change({ title: 'ab' }));
    act(() => hook.result.current.change({ title: 'abc' }));
    expect(hook.result.current.unkept).toBe(true);
    await waitFor(() => expect(hook.result.current.unkept).toBe(false), { timeout: 3000 });
    expect(kept.mock.calls.map(([, sent]) => [sent.revision, sent.title])).toEqual([[3, 'abc']]);
    expect(here()).toBeNull();
  });

  it('goes on the revision that the one before made', async () => {
    const kept = keeps();
    const hook = edit(opened(3, 'a'));
    act(() => hook.result.current.change({ title: 'b' }));
    await act(() => hook.result.current.keep());
    act(() => hook.result.current.change({ title: 'c' }));
    await act(() => hook.result.current.keep());
    expect(kept.mock.calls.map(([, sent]) => sent.revision)).toEqual([3, 4]);
  });

  it('is on this machine from the first letter on, and sent when it is opened again', async () => {
    vi.spyOn(api, 'keepExercise').mockReturnValue(new Promise(() => undefined));
    const killed = edit(opened(3, 'a'));
    act(() => killed.result.current.change({ title: 'typed last' }));
    expect(here()).toContain('typed last');
    killed.unmount();
    const kept = keeps();
    const again = edit(opened(3, 'a'));
    expect(again.result.current.draft.title).toBe('typed last');
    await waitFor(() => expect(again.result.current.unkept).toBe(false));
    expect(kept.mock.calls.at(-1)?.[1]).toMatchObject({ revision: 3, title: 'typed last' });
    expect(here()).toBeNull();
  });

  it('is not written over what was written elsewhere meanwhile, and not lost', async () => {
    const at3 = { revision: 3, draft: { title: 'here', summary: '' } };
    localStorage.setItem(exerciseDraftName('e'), JSON.stringify(at3));
    vi.spyOn(api, 'keepExercise').mockRejectedValue(new ApiProblem(409, 'Stale', 'Elsewhere.'));
    const hook = edit(opened(5, 'there'));
    await waitFor(() => expect(hook.result.current.problem?.status).toBe(409));
    expect(hook.result.current.draft.title).toBe('here');
    expect(here()).not.toBeNull();
    await act(() => hook.result.current.takeTheirs());
    expect(hook.result.current.draft.title).toBe('there');
    expect(here()).toBeNull();
  });

  it('opens although what is kept here can not be read, and is forgotten at signing out', () => {
    localStorage.setItem(exerciseDraftName('e'), '{');
    expect(edit(opened(3, 'a')).result.current.draft.title).toBe('a');
    forgetDrafts();
    expect(here()).toBeNull();
  });
});
