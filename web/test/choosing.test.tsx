import { act, renderHook } from '@testing-library/react';
import { beforeEach, describe, expect, it, vi } from 'vitest';
import { useChoosing } from '../src/features/bench/useChoosing';
import { NOTHING, type Chosen, type ChosenControl } from '../src/features/bench/useChosen';
import type { StageView } from '../src/stage/StageView';
import { edge, face } from './benchHands';

const under = vi.hoisted(() => ({ picked: null as unknown, inside: [] as number[] }));

vi.mock('../src/stage/pick', () => ({
  pick: () => under.picked,
  inside: () => under.inside,
}));

const STAGE = {} as StageView;

function choosing() {
  let chosen: Chosen = NOTHING;
  const control = () =>
    ({ chosen, choose: (next: Chosen) => (chosen = next) }) as unknown as ChosenControl;
  const hook = renderHook(() => useChoosing(STAGE, control()));
  return {
    get now() {
      return hook.result.current;
    },
    get chosen() {
      return chosen;
    },
    do: (work: (now: ReturnType<typeof useChoosing>) => void) => {
      act(() => work(hook.result.current));
      hook.rerender();
    },
  };
}

beforeEach(() => {
  under.picked = null;
  under.inside = [];
});

describe('choosing', () => {
  it('has the pointer only while it is on', () => {
    const it = choosing();
    under.picked = face(3);
    it.do((now) => now.click({ x: 1, y: 1 }));
    expect(it.chosen).toEqual(NOTHING);
    it.do((now) => now.toggle());
    expect(it.now.mode).toEqual({ kind: 'faces', by: 'click' });
    it.do((now) => now.point({ x: 1, y: 1 }));
    expect(it.now.aimed).toMatchObject({ id: 3 });
    it.do((now) => now.click({ x: 1, y: 1 }));
    expect(it.chosen.faces).toEqual([3]);
    it.do((now) => now.click({ x: 1, y: 1 }));
    expect(it.chosen.faces).toEqual([]);
    it.do((now) => now.toggle());
    expect(it.now.mode).toBeNull();
    expect(it.now.hint).toBeNull();
  });

  it('adds what lies within a line to what is chosen, each once', () => {
    const it = choosing();
    it.do((now) => now.setMode({ kind: 'edges', by: 'box' }));
    expect(it.now.draws).toBe('box');
    expect(it.now.hint).toMatchObject({ lead: 'Drag' });
    under.picked = edge(2);
    it.do((now) => now.click({ x: 1, y: 1 }));
    under.inside = [2, 7, 9];
    it.do((now) => now.drawn([{ x: 0, y: 0 }]));
    expect(it.chosen.edges).toEqual([2, 7, 9]);
    it.do((now) => now.end());
    it.do((now) => now.drawn([{ x: 0, y: 0 }]));
    expect(it.now.draws).toBeUndefined();
  });
});
