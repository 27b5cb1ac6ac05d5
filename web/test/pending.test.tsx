import { act, renderHook, waitFor } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { api, ApiProblem, type Change, type Preview, type View } from '../src/api/client';
import {
  finished,
  keepPoints,
  keptPoints,
  usePreview,
  type PendingPoint,
} from '../src/features/bench/pending';
import { hintFor } from '../src/features/bench/hint';

const VIEW: View = { kind: 'perspective', eye: { x: 0, y: -9, z: 4 } };
const AT = { x: 0, y: 0, z: 0 };
const onVertex = (vertex: number): PendingPoint => ({
  anchor: { on: 'vertex', vertex },
  view: VIEW,
  at: AT,
});
const inFace: PendingPoint = { anchor: { on: 'face', face: 3, at: AT }, view: VIEW, at: AT };
const loops = (fraction: number): Change => ({ tool: 'loops', edge: 4, fraction });

function preview(sentence: string): Preview {
  return {
    revision: 1,
    refusal: null,
    sentence,
    pieces: [],
    remarks: [],
    splitFaces: [],
    splitEdges: [],
    changesNothing: false,
    wouldMake: [],
    wouldAlter: [],
    wouldMend: 0,
  };
}

beforeEach(() => {
  vi.restoreAllMocks();
  sessionStorage.clear();
});

describe('placed points', () => {
  it('count up to the last on a vertex or an edge', () => {
    expect(finished([onVertex(1), inFace, onVertex(2), inFace])).toBe(3);
    expect(finished([inFace])).toBe(0);
  });

  it('survive a reload on the mesh that they were placed on', () => {
    keepPoints('w', 4, [onVertex(1), inFace]);
    expect(keptPoints('w', 4)).toEqual([onVertex(1), inFace]);
    expect(keptPoints('w', 5)).toEqual([]);
    expect(keptPoints('other', 4)).toEqual([]);
    keepPoints('w', 4, []);
    expect(sessionStorage).toHaveLength(0);
    sessionStorage.setItem('fair-edge-trace-w', '{');
    expect(keptPoints('w', 4)).toEqual([]);
  });
});

describe('preview', () => {
  it('asks for the newest change only, one at a time, and says whether it is current', async () => {
    const answers: ((p: Preview) => void)[] = [];
    const asked = vi
      .spyOn(api, 'preview')
      .mockImplementation(() => new Promise((resolve) => answers.push(resolve)));
    const hook = renderHook(({ change }) => usePreview('w', 1, change, VIEW), {
      initialProps: { change: loops(0.1) as Change | null },
    });
    hook.rerender({ change: loops(0.2) });
    hook.rerender({ change: loops(0.3) });
    await act(async () => answers[0]!(preview('first')));
    expect(hook.result.current).toMatchObject({ preview: preview('first'), current: false });
    await act(async () => answers[1]!(preview('third')));
    expect(hook.result.current).toMatchObject({ preview: preview('third'), current: true });
    expect(asked.mock.calls.map((call) => call[2])).toEqual([loops(0.1), loops(0.3)]);
    hook.rerender({ change: null });
    expect(hook.result.current.preview).toBeNull();
  });

  it('asks at the revision of its change', async () => {
    const asked = vi.spyOn(api, 'preview').mockResolvedValue(preview('x'));
    const hook = renderHook(({ revision }) => usePreview('w', revision, loops(0.5), VIEW), {
      initialProps: { revision: 1 },
    });
    hook.rerender({ revision: 2 });
    await waitFor(() => expect(hook.result.current.current).toBe(true));
    expect(asked.mock.calls.map((call) => call[1])).toEqual([1, 2]);
  });

  it('tells a problem', async () => {
    const stale = new ApiProblem(409, 'Stale', 'Cut elsewhere.');
    vi.spyOn(api, 'preview').mockRejectedValue(stale);
    const hook = renderHook(() => usePreview('w', 1, loops(0.5), VIEW));
    await waitFor(() => expect(hook.result.current.problem).toBe(stale));
  });
});

describe('hint', () => {
  const now = {
    tool: 'trace',
    hover: null,
    points: 0,
    pending: false,
    preview: null,
    atCentre: true,
  } as const;
  const edge = { on: 'edge', id: 1, t: 0.5, at: AT, snapped: 'middle' } as const;

  it.each([
    [now, 'cuts from point to point: point at a vertex or an edge.'],
    [{ ...now, hover: edge }, 'begins a trace at the middle of the edge under the pointer.'],
    [
      { ...now, hover: { on: 'face', id: 1, at: AT } as const },
      'a trace begins on a vertex or an edge.',
    ],
    [
      { ...now, points: 1, hover: { on: 'vertex', id: 1, at: AT } as const },
      'adds a point at this vertex.',
    ],
    [{ ...now, tool: 'loops', hover: edge } as const, 'lays a loop at the middle of this ring.'],
    [
      { ...now, tool: 'loops', pending: true } as const,
      'on an edge takes the ring across it instead.',
    ],
  ])('says what the next click does', (state, rest) => {
    expect(hintFor(state).rest).toBe(rest);
  });
});
