import { act, cleanup, renderHook, waitFor } from '@testing-library/react';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import { api, ApiProblem, type Change, type Preview, type View } from '../src/api/client';
import {
  finished,
  keepRuns,
  keptRuns,
  usePreview,
  type PendingPoint,
  type Run,
} from '../src/features/bench/pending';
import { WAYS } from '../src/features/bench/hands/ways';
import type { ElementTool } from '../src/features/bench/hands/ways/way';
import { aimed, type AimBy } from '../src/features/bench/hands/aiming';
import { settle, zeroNear } from '../src/features/bench/hands/measure';
import { NOTHING, toggled } from '../src/features/bench/useChosen';

const VIEW: View = { kind: 'perspective', eye: { x: 0, y: -9, z: 4 } };
const AT = { x: 0, y: 0, z: 0 };
const onVertex = (vertex: number): PendingPoint => ({
  anchor: { on: 'vertex', vertex },
  view: VIEW,
  at: AT,
});
const inFace: PendingPoint = { anchor: { on: 'face', face: 3, at: AT }, view: VIEW, at: AT };
const loops = (fraction: number): Change => ({
  tool: 'loops',
  edge: 4,
  places: { place: 'at', fractions: [fraction], by: 'fraction' },
  shape: 'straight',
  runOn: false,
  scope: { chosen: null, hidden: [] },
});
const run = (...points: PendingPoint[]): Run => ({ points, closed: false, thin: 0 });

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
    plane: null,
    ghost: { lines: [], goneEdges: [], goneFaces: [], more: false },
    checked: true,
    wouldMake: [],
    wouldAlter: [],
    wouldMend: 0,
  };
}

beforeEach(() => {
  vi.restoreAllMocks();
  sessionStorage.clear();
});

// What is left mounted would go on asking, and be counted by the next test.
afterEach(cleanup);

describe('placed points', () => {
  it('count up to the last on a vertex or an edge', () => {
    expect(finished(run(onVertex(1), inFace, onVertex(2), inFace))).toBe(3);
    expect(finished(run(inFace))).toBe(0);
  });

  it('survive a reload on the mesh that they were placed on', () => {
    keepRuns('w', 4, [run(onVertex(1), inFace)]);
    expect(keptRuns('w', 4)).toEqual([run(onVertex(1), inFace)]);
    expect(keptRuns('w', 5)).toEqual([]);
    expect(keptRuns('other', 4)).toEqual([]);
    keepRuns('w', 4, []);
    expect(sessionStorage).toHaveLength(0);
    sessionStorage.setItem('fair-edge-trace-w', '{');
    expect(keptRuns('w', 4)).toEqual([]);
  });
});

describe('preview', () => {
  it('asks for the newest change only, one at a time, and says whether it is current', async () => {
    const answers: ((p: Preview) => void)[] = [];
    const asked = vi
      .spyOn(api, 'preview')
      .mockImplementation(
        (...[, , , , , findings]) =>
          new Promise((resolve) => (findings ? undefined : answers.push(resolve))),
      );
    const hook = renderHook(({ change }) => usePreview('w', 1, change, VIEW, 8), {
      initialProps: { change: loops(0.1) as Change | null },
    });
    hook.rerender({ change: loops(0.2) });
    hook.rerender({ change: loops(0.3) });
    await act(async () => answers[0]!(preview('first')));
    expect(hook.result.current).toMatchObject({ preview: preview('first'), current: false });
    await act(async () => answers[1]!(preview('third')));
    expect(hook.result.current).toMatchObject({ preview: preview('third'), current: true });
    const quick = asked.mock.calls.filter((call) => !call[5]);
    expect(quick.map((call) => call[2])).toEqual([loops(0.1), loops(0.3)]);
    hook.rerender({ change: null });
    expect(hook.result.current.preview).toBeNull();
  });

  it('asks at the revision of its change', async () => {
    const asked = vi.spyOn(api, 'preview').mockResolvedValue(preview('x'));
    const hook = renderHook(({ revision }) => usePreview('w', revision, loops(0.5), VIEW, 8), {
      initialProps: { revision: 1 },
    });
    hook.rerender({ revision: 2 });
    await waitFor(() => expect(hook.result.current.current).toBe(true));
    const quick = asked.mock.calls.filter((call) => !call[5]);
    expect(quick.map((call) => call[1])).toEqual([1, 2]);
  });

  it('is not shown once the mesh that it was made of is no more', async () => {
    vi.spyOn(api, 'preview').mockResolvedValue(preview('x'));
    const hook = renderHook(({ revision }) => usePreview('w', revision, loops(0.5), VIEW, 8), {
      initialProps: { revision: 1 },
    });
    await waitFor(() => expect(hook.result.current.preview).not.toBeNull());
    hook.rerender({ revision: 2 });
    expect(hook.result.current.preview).toBeNull();
    hook.unmount();
  });

  it('tells a problem', async () => {
    const stale = new ApiProblem(409, 'Stale', 'Cut elsewhere.');
    vi.spyOn(api, 'preview').mockRejectedValue(stale);
    const hook = renderHook(() => usePreview('w', 1, loops(0.5), VIEW, 8));
    await waitFor(() => expect(hook.result.current.problem).toBe(stale));
  });

  it('keeps what the check said where the quicker answer comes after it', async () => {
    let late: (p: Preview) => void = () => undefined;
    vi.spyOn(api, 'preview').mockImplementation((...[, , , , , findings]) =>
      findings ? Promise.resolve(preview('x')) : new Promise((resolve) => (late = resolve)),
    );
    const hook = renderHook(() => usePreview('w', 1, loops(0.5), VIEW, 8));
    await waitFor(() => expect(hook.result.current.preview?.checked).toBe(true));
    await act(async () => late({ ...preview('x'), checked: false }));
    expect(hook.result.current).toMatchObject({ preview: { checked: true }, current: true });
  });

  it('asks once more where the check was put off for one that was asked before', async () => {
    let asked = 0;
    vi.spyOn(api, 'preview').mockImplementation((...[, , , , , findings]) =>
      Promise.resolve({ ...preview('x'), checked: findings === true && ++asked === 2 }),
    );
    const hook = renderHook(() => usePreview('w', 1, loops(0.5), VIEW, 8));
    await waitFor(() => expect(hook.result.current.preview?.checked).toBe(true));
    expect(asked).toBe(2);
  });

  it('asks what the check would say as soon as it may be told', async () => {
    vi.spyOn(api, 'preview').mockImplementation((...[, , , , , findings]) =>
      Promise.resolve({ ...preview('x'), checked: findings === true }),
    );
    const change = loops(0.5);
    const hook = renderHook(({ isTold }) => usePreview('w', 1, change, VIEW, 8, isTold), {
      initialProps: { isTold: false },
    });
    await waitFor(() => expect(hook.result.current.current).toBe(true));
    expect(hook.result.current.preview?.checked).toBe(false);
    hook.rerender({ isTold: true });
    await waitFor(() => expect(hook.result.current.preview?.checked).toBe(true));
  });

  it('tries again after what is no answer at all', async () => {
    vi.spyOn(api, 'preview').mockRejectedValue(new TypeError('broken off'));
    const hook = renderHook(() => usePreview('w', 1, loops(0.5), VIEW, 8));
    await waitFor(() => expect(hook.result.current.problem?.offline).toBe(true));
  });

  it('asks what the check would say once the hand rests', async () => {
    const asked = vi.spyOn(api, 'preview').mockResolvedValue(preview('x'));
    renderHook(() => usePreview('w', 1, loops(0.5), VIEW, 8));
    await waitFor(() => expect(asked.mock.calls.map((call) => call[5])).toEqual([false, true]));
  });

  it('does not ask what it would not be told', async () => {
    const asked = vi.spyOn(api, 'preview').mockResolvedValue({ ...preview('x'), checked: false });
    renderHook(() => usePreview('w', 1, loops(0.5), VIEW, 8, false));
    await new Promise((go) => setTimeout(go, 250));
    expect(asked.mock.calls.map((call) => call[5])).toEqual([false]);
  });
});

describe('typed lengths', () => {
  it('find the place on the edge nearest to where the point is', () => {
    const fromMiddle = (wanted: number) => (t: number) => Math.abs(10 * t - 5) - wanted;
    expect(zeroNear(0.9, fromMiddle(3))).toBeCloseTo(0.8, 9);
    expect(zeroNear(0.1, fromMiddle(3))).toBeCloseTo(0.2, 9);
    expect(zeroNear(0.1, fromMiddle(99))).toBeNull();
  });

  it('are settled by what the core measures, inside the edge', async () => {
    const measured = (t: number) => Promise.resolve(t > 0 && t < 1 ? Math.hypot(3, 9 * t) : null);
    const t = await settle({ now: 0.9, step: 0.02 }, measured, 5);
    expect(t).toBeCloseTo(4 / 9, 5);
    expect(await settle({ now: 0.5, step: 0.02 }, measured, 99)).toBeNull();
  });
});

describe('aiming', () => {
  const mesh = {
    hasEdge: () => true,
    ends: () => [0, 1],
    local: (v: number) => [v * 10, 0, 0],
    toWorld: ([x, y, z]: number[]) => ({ x, y, z }),
  } as never;
  const picked = { on: 'edge', id: 0, t: 0.4, at: AT, snapped: undefined } as const;
  const from = { x: 7, y: -3, z: 0 };
  const before = { x: 7, y: -9, z: 0 };
  const aiming = { by: 'distance', distance: 2, step: 45, against: 'last' } as const;
  const shareBy = (by: AimBy, t = 0.4) => {
    const coming = { from, before, leaving: null };
    const got = aimed({ ...picked, t }, { ...aiming, by }, coming, mesh, 'mm');
    return got.on === 'edge' ? got.t : null;
  };

  it('lies a typed distance from the nearer end', () => {
    expect(shareBy('distance')).toBeCloseTo(0.2);
    expect(shareBy('distance', 0.6)).toBeCloseTo(0.8);
  });

  it('lies square to the edge, or in steps of an angle to the last piece', () => {
    expect(shareBy('square')).toBeCloseTo(0.7);
    expect(shareBy('steps', 0.5)).toBeCloseTo(0.4);
    expect(shareBy('steps', 0.9)).toBeCloseTo(1, 6);
    expect(shareBy('parts')).toBe(0.4);
  });
});

describe('clean-up tools', () => {
  const scope = { chosen: null, hidden: [] };
  const mesh = {
    hasEdge: () => true,
    hasFace: () => true,
    ends: (e: number) => [e, e + 1],
    corners: (f: number) => [f, f + 1, f + 2],
  } as never;
  const context = { mesh, scope, rail: { first: 4, towards: 9 }, words: {} };
  const chosen = { faces: [7], edges: [4], vertices: [4, 2] };

  it('say what is missing until enough is chosen', () => {
    for (const way of Object.values(WAYS).flat()) {
      const before = way.missing(NOTHING, mesh, null);
      expect(before === null).toBe(way.picks.length === 0);
    }
  });

  it('make a change of what is chosen', () => {
    const change = (tool: ElementTool, id: string) => {
      const way = WAYS[tool].find((w) => w.id === id)!;
      return way.change(chosen, way.initial(100), context);
    };
    expect(change('lift', 'lift')).toMatchObject({ edges: [4], vertices: [4, 2] });
    expect(change('weld', 'weld')).toMatchObject({ vertices: [4, 2], at: 'first' });
    expect(change('cap', 'grid')).toMatchObject({ plan: { face: 7, edge: null, form: 'grid' } });
    expect(change('slide', 'share')).toMatchObject({ first: 4, towards: 9, amount: 0.25 });
    expect(change('move', 'move')).toMatchObject({ vertices: [4, 2, 5, 7, 8, 9] });
  });

  it('let a second click let go', () => {
    expect(toggled(NOTHING, 'edges', 3).edges).toEqual([3]);
    expect(toggled(chosen, 'vertices', 4).vertices).toEqual([2]);
  });
});
